import {
  expect,
  expectAccessible,
  joinByName,
  joinCodeOf,
  onOneServer,
  openCohort,
  passGrace,
  sendOut,
  simulated,
} from './fixtures'

const test = onOneServer()

test('with nothing prepared, twelve walk-ins are at work in groups of three after five actions', async ({
  server,
  facilitator: page,
  phone,
}) => {
  let actions = 0
  const act = async (what: Promise<void>) => {
    actions++
    await what
  }
  await act(page.getByRole('button', { name: 'Start now' }).click())
  await expect(page.getByText('There are no rooms yet.')).toBeVisible()
  // The code to scan stands there by itself: people have to come in first.
  await expect(page.getByAltText('Code to scan for joining')).toBeVisible()
  await expectAccessible(page)
  const code = await joinCodeOf(page)
  const own = await phone()
  await joinByName(own, server, code, 'Zofia')
  const names = ['Ada', 'Bea', 'Cem', 'Dov', 'Eli', 'Fay', 'Gus', 'Hal', 'Ida', 'Jon', 'Kit']
  const people = await simulated(server, code, names)
  await expect(page.locator('b').filter({ hasText: 'Whole group' })).toBeVisible()

  await act(page.getByRole('button', { name: 'Make groups' }).click())
  const drawer = page.getByRole('complementary', { name: 'Make groups' })
  await expect(drawer.getByText('4 groups: 3, 3, 3, 3')).toBeVisible()
  await drawer.getByLabel('People each').fill('0')
  await expect(drawer.getByText('Enter a whole number of at least 1.')).toBeVisible()
  await expect(drawer.getByRole('button', { name: 'Make groups' })).toBeDisabled()
  await act(drawer.getByLabel('People each').fill('3'))
  await expectAccessible(page)
  await act(drawer.getByRole('button', { name: 'Make groups' }).click())
  const lanes = page.getByRole('list', { name: 'Rooms' }).getByRole('listitem')
  await expect(lanes.filter({ hasText: 'Group' })).toHaveCount(4)
  const first = await page.getByRole('list', { name: 'Rooms' }).textContent()
  // Not the same again, and nobody has moved yet.
  await drawer.getByRole('button', { name: 'Reshuffle' }).click()
  await expect.poll(() => page.getByRole('list', { name: 'Rooms' }).textContent()).not.toBe(first)
  await expect(lanes.filter({ hasText: 'Group' })).toHaveCount(4)
  await expect(own.getByText(/Group \d/).first()).toBeVisible()

  await act(page.getByRole('button', { name: 'Send out', exact: true }).click())
  await expect(page.getByRole('button', { name: 'Call back' })).toBeVisible()
  await Promise.all(people.map(each => each.until(view => view.whereabouts.where === 'room')))
  expect(actions).toBeLessThanOrEqual(8)
  const sizes = new Map<string, number>()
  for (const { view } of people) {
    const name = view?.whereabouts.where === 'room' ? view.whereabouts.name : ''
    sizes.set(name, view?.whereabouts.where === 'room' ? view.whereabouts.members.length : 0)
  }
  expect([...sizes.values()]).toEqual(sizes.size === 4 ? [3, 3, 3, 3] : [3, 3, 3])
  await expect(own.getByRole('heading', { level: 1, name: /^Group \d$/ })).toBeVisible()
  await expectAccessible(own)

  // Renamed where it stands; the whole class sees it.
  await page.getByRole('button', { name: 'Rename the session' }).click()
  await page.getByLabel('Title of the session').fill('Reading circle')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Reading circle' })).toBeVisible()

  // Back, and out again in other groups: the rooms before are closed, and are seen in the review.
  await page.getByRole('button', { name: 'Call back' }).click()
  await passGrace(page, server)
  await page.getByRole('button', { name: 'Other groups' }).click()
  // Whoever was in a room together has met: now with others, who were asked for by nobody.
  await expect(drawer.getByRole('checkbox', { name: /^Fresh pairs/ })).toBeChecked()
  const inGroups = drawer.getByRole('list', { name: 'Who is in which group' }).getByRole('listitem')
  const together = await inGroups.allTextContents()
  await drawer.getByRole('button', { name: 'Reshuffle' }).click()
  await expect(drawer.getByText('Nobody is with anybody they have worked with.')).toBeVisible()
  // Who is in which group comes by the stream, after the answer to the press.
  await expect.poll(() => inGroups.allTextContents()).not.toEqual(together)
  await expectAccessible(page)
  const [held = '', ...others] = await inGroups.allTextContents()
  await drawer.getByRole('button', { name: 'Hold Group 1' }).click()
  await drawer.getByRole('button', { name: 'Reshuffle' }).click()
  await expect.poll(() => inGroups.allTextContents()).not.toEqual([held, ...others])
  expect(await inGroups.first().textContent()).toBe(held)
  await drawer.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(() => inGroups.allTextContents()).toEqual([held, ...others])
  await drawer.getByRole('button', { name: 'Hold Group 1' }).click()
  await drawer.getByLabel('Say how').selectOption('so many groups')
  await drawer.getByLabel('Groups', { exact: true }).fill('2')
  await drawer.getByRole('button', { name: 'Reshuffle' }).click()
  await expect(lanes.filter({ hasText: 'Group' })).toHaveCount(2)
  await sendOut(page)
  await expect(own.getByRole('heading', { level: 1, name: /^Group [12]$/ })).toBeVisible()
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('button', { name: 'End the session' }).click()
  await page.getByRole('link', { name: 'Review what the groups made' }).click()
  await expect(page.getByRole('row', { name: /^Zofia/ })).toContainText('Group')
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await expect(page.getByText('Grouping: none. Board: none.')).toBeVisible()
  await page.getByRole('link', { name: 'Sessions' }).click()
  await expect(page.getByRole('link', { name: 'Reading circle' })).toBeVisible()
  for (const each of people) each.leave()
})

test('people without a device are put in by name, by the facilitator and from a neighbour’s phone, and count', async ({
  server,
  facilitator: page,
  phone,
}) => {
  await page.getByRole('button', { name: 'Start now' }).click()
  const code = await joinCodeOf(page)
  const own = await phone()
  await own.goto(`${server.address}/join/${code}`)
  await expect(own.getByText(/^Kept are your name, when you were here/)).toBeVisible()
  await joinByName(own, server, code, 'Zofia')
  await expect(own.getByText(/^Kept are your name, when you were here/)).toBeVisible()

  // From the phone: ticked while they are at it, taken out and ticked again.
  await own.getByRole('button', { name: 'Somebody beside you without a device?' }).click()
  const name = own.getByLabel('Who else is at this device?')
  await name.fill('Zofia')
  await own.getByRole('button', { name: 'Add' }).click()
  await expect(own.getByText(/Zofia is already taken/)).toBeVisible()
  await expect(name).toHaveValue('Zofia')
  await name.fill('Lena')
  await own.getByRole('button', { name: 'Add' }).click()
  const lena = own.getByRole('checkbox', { name: 'Lena' })
  await expect(lena).toBeChecked()
  await expect(page.getByRole('button', { name: /^Lena no device/ })).toBeVisible()
  await lena.click()
  await expect(page.getByRole('button', { name: /^Lena/ })).toBeHidden()
  await expect(lena).not.toBeChecked()
  await lena.click()
  await expect(own.getByRole('button', { name: 'Also at this device: Lena' })).toBeVisible()
  await expectAccessible(own)

  // By the facilitator: one wrong name leaves all of them out, and what was typed stays.
  await page.getByRole('button', { name: 'Without a device' }).click()
  const dialog = page.getByRole('dialog')
  const names = dialog.getByLabel('Names, one on each line')
  await names.fill('Ada\nLena')
  await expectAccessible(page)
  await dialog.getByRole('button', { name: 'Put 2 people in' }).click()
  await expect(dialog.getByText(/^Nobody was put in. Lena is already taken/)).toBeVisible()
  await expect(names).toHaveValue('Ada\nLena')
  await names.fill('Ada\nBea\n')
  await dialog.getByRole('button', { name: 'Put 2 people in' }).click()
  await expect(dialog).toBeHidden()

  await page.getByRole('button', { name: 'Make groups' }).click()
  const drawer = page.getByRole('complementary', { name: 'Make groups' })
  await drawer.getByLabel('People each').fill('2')
  await expect(drawer.getByText('2 groups: 2, 2')).toBeVisible()
  await drawer.getByRole('button', { name: 'Make groups' }).click()
  const group = (await own.getByRole('heading', { name: /^Group [12]$/ }).textContent()) ?? ''
  const other = group === 'Group 1' ? 'Group 2' : 'Group 1'
  await page.getByRole('button', { name: /^Lena/ }).first().click()
  const move = page.getByRole('menuitem', { name: other })
  if (await move.isVisible()) await move.click()
  else await page.keyboard.press('Escape')
  // Whoever is in another room than their neighbour has nothing else to read it from.
  await expect(own.getByText(`Lena is in ${other}.`)).toBeVisible()
  // Who comes with a device after all takes up the place.
  const late = await phone()
  await joinByName(late, server, code, 'ada')
  await expect(late.getByRole('heading', { name: /^Group \d$/ })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Ada no device/ })).toHaveCount(0)
  await page.getByRole('button', { name: 'Send out', exact: true }).click()
  const alone = page.getByRole('button', { name: 'Send out as it is' })
  await alone
    .or(page.getByRole('button', { name: 'Call back' }))
    .first()
    .waitFor()
  if (await alone.isVisible()) await alone.click()
  await expect(page.getByRole('button', { name: 'Call back' })).toBeVisible()
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('button', { name: 'End the session' }).click()
  await page.getByRole('link', { name: 'Review what the groups made' }).click()
  const lenas = page.getByRole('row', { name: /^Lena/ })
  await expect(lenas).toHaveCount(1)
  await expect(lenas).toContainText('Group')
  // A link of their own, to be handed over.
  await lenas.getByRole('link', { name: 'What Lena sees' }).click()
  await expect(page.getByText('for Lena')).toBeVisible()
})

test('a cohort is attached later: typed names are found on its list, and walk-ins come onto it', async ({
  server,
  facilitator: page,
  phone,
}) => {
  await page.getByRole('button', { name: 'Start now' }).click()
  const code = await joinCodeOf(page)
  const people = await simulated(server, code, [
    'ana peralta',
    'bram oosterhuis',
    'Grete L',
    'Odalis Q',
    'Ivy Moss',
  ])
  await expect(page.getByRole('button', { name: 'Ivy Moss' })).toBeVisible()
  await page.getByRole('button', { name: 'Attach a cohort' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Cohort').selectOption({ label: 'Evening course (24)' })
  await expectAccessible(page)
  await dialog.getByRole('button', { name: 'Attach' }).click()
  await expect(dialog.getByRole('heading', { name: 'Cohort: Evening course' })).toBeVisible()
  // Whole names are known without a question; who may be two people is asked about.
  await expect(page.getByRole('button', { name: 'Bram O.', includeHidden: true })).toHaveCount(1)
  const likely = dialog.getByRole('list', { name: 'May be on the list' })
  await expect(
    likely.getByRole('listitem').filter({ hasText: 'ana peralta' }).getByRole('button'),
  ).toHaveCount(2)
  await dialog.getByRole('button', { name: 'Take all 2 that are clear' }).click()
  await expect(likely.getByRole('listitem')).toHaveCount(1)
  await likely.getByRole('button', { name: /^Ana Per/ }).click()
  await expect(likely).toBeHidden()
  await dialog.getByRole('checkbox', { name: 'Ivy Moss' }).click()
  await expectAccessible(page)
  await dialog.getByRole('button', { name: 'Add 1 to the cohort' }).click()
  await expect(dialog.getByText('Everybody here is on the list.')).toBeVisible()
  await dialog.getByRole('button', { name: 'Close' }).click()
  // A mistake is taken back.
  await page.getByRole('button', { name: 'Odalys Q.' }).click()
  await page.getByRole('menuitem', { name: 'Came in as “Odalis Q”: not Odalys Q.' }).click()
  await expect(page.getByRole('button', { name: '1 not on the list' })).toBeVisible()
  // Who comes now finds the list at the door.
  const late = await phone()
  await late.goto(`${server.address}/join/${code}`)
  await late.getByLabel('Your name').fill('wren')
  await late.getByRole('button', { name: 'Wren', exact: true }).click()
  await expect(late.getByText('You are Wren')).toBeVisible()
  // Its rules and columns can be asked for, of those who are here: not before it is known which there are.
  let known: () => void = () => undefined
  const looked = new Promise<void>(resolve => {
    known = resolve
  })
  await page.route('**/facts', async route => {
    await looked
    await route.continue()
  })
  await page.getByRole('button', { name: 'Make groups' }).click()
  const drawer = page.getByRole('complementary', { name: 'Make groups' })
  await expect(drawer.getByText(/\d groups?: /)).toBeVisible()
  await expect(drawer.getByRole('button', { name: 'Make groups' })).toBeDisabled()
  known()
  await expect(drawer.getByRole('checkbox', { name: /^Keep the \d+ rules? of the cohort/ })).toBeChecked()
  await drawer.getByLabel('Every group').selectOption('mixed by first language')
  await drawer.getByRole('button', { name: 'Make groups' }).click()
  await expect(drawer.getByText(/anybody they have worked with|worked together before/)).toBeVisible()
  const inGroups = drawer.getByRole('list', { name: 'Who is in which group' })
  await expect(inGroups).toContainText('Wren')
  // As in a grouping that was kept, made whole for the six who are here; each move is named.
  await drawer.getByLabel('Groups are').selectOption({ index: 1 })
  await drawer.getByRole('button', { name: 'Make these groups' }).click()
  await expect(drawer.getByText(/Ivy Moss: to /)).toBeVisible()
  await expect(inGroups.getByRole('listitem')).toHaveCount(3)
  // From a list: who is not here is named before anything is made.
  await drawer.getByLabel('Groups are').selectOption('from a list that is pasted')
  await drawer
    .getByLabel('Groups, one on each line')
    .fill('Reeds: wren, Ivy Moss, Nobody\nBirds: Bram O., ana per.')
  await expect(drawer.getByText('2 groups with 4 of the 6 here.')).toBeVisible()
  await expect(drawer.getByText('Nobody here is called Nobody.')).toBeVisible()
  await expectAccessible(page)
  await drawer.getByRole('button', { name: 'Make these groups' }).click()
  await expect(inGroups).toContainText(/Reeds\s*Ivy Moss\s*Wren/)
  await drawer.getByRole('button', { name: 'Close', exact: true }).click()
  // Kept with the cohort, to be used again.
  await page.getByRole('button', { name: 'Keep the groups' }).click()
  await page.getByLabel('Name of the grouping').fill('Six who came')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await page.getByRole('link', { name: 'Six who came' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Six who came' })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Reeds' })).toContainText('Wren')
  await openCohort(page, 'Evening course')
  await expect(page.getByRole('cell', { name: 'Ivy Moss' }).first()).toBeVisible()
  for (const each of people) each.leave()
})
