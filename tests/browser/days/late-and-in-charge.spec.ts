import {
  expect,
  expectAccessible,
  joinByName,
  joinOnPhone,
  passGrace,
  putInRoom,
  sendOut,
  simulated,
  startNow,
  startWithCourse,
  test,
} from '../fixtures'

test('who is here against the list: groups of three of those who came, the facilitator in none, given out as text with a link for each room', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const code = await startWithCourse(page)
  const own = await phone()
  await joinOnPhone(own, server, code, 'Ana Per.')
  const people = await simulated(server, code, ['Bram O.', 'Chi', 'Edda', 'Greta L.', 'Kaveh'])

  // The list against who came.
  await page.getByText('18 on the list are not here yet').click()
  await expect(page.getByText(/Ulla H\./)).toBeVisible()
  await expect(page.getByText(/Marit/).first()).toBeVisible()

  await page.getByRole('button', { name: 'Make groups' }).click()
  const drawer = page.getByRole('complementary', { name: 'Make groups' })
  await drawer.getByLabel('People each').fill('3')
  await expect(drawer.getByText('2 groups: 3, 3')).toBeVisible()
  await drawer.getByRole('button', { name: 'Make groups' }).click()
  const lanes = page.getByRole('list', { name: 'Rooms' })
  await expect(lanes.getByRole('listitem')).toHaveCount(2)
  const inGroups = drawer.getByRole('list', { name: 'Who is in which group' })
  for (const name of ['Ana Per.', 'Bram O.', 'Chi', 'Edda', 'Greta L.', 'Kaveh'])
    await expect(inGroups).toContainText(name)
  await expect(inGroups).not.toContainText('Marit')
  await drawer.getByRole('button', { name: 'Close', exact: true }).click()

  // A link for each room, and all of it as text for any other channel.
  for (const number of [1, 2]) {
    await lanes.getByRole('button', { name: `Group ${number}`, exact: true }).click()
    const room = page.getByRole('complementary', { name: `Room Group ${number}` })
    await room.getByText(/^Name, link/).click()
    await room.getByLabel('Link of its call').fill(`https://talk.example/${number}`)
    await room.getByRole('button', { name: 'Save' }).click()
    await room.getByRole('button', { name: 'Close', exact: true }).click()
  }
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write'])
  await page.getByRole('button', { name: 'Copy the groups as text' }).click()
  await expect
    .poll(() => page.evaluate(() => navigator.clipboard.readText()))
    .toMatch(
      /Group 1: .+, .+, .+\nhttps:\/\/talk\.example\/1\n+Group 2: .+, .+, .+\nhttps:\/\/talk\.example\/2/,
    )
  await sendOut(page)
  await expect(own.getByRole('link', { name: 'Join the call of your room' })).toBeVisible()
  for (const each of people) each.leave()
})

test('ten people in three rooms named by hand, made anew after a mistake; one is moved, one comes late, one room opens again; each sees their own room afterwards', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const code = await startNow(page)
  const own = await phone()
  await joinByName(own, server, code, 'Zofia')
  const people = await simulated(server, code, [
    'Ada',
    'Bea',
    'Cem',
    'Dov',
    'Eli',
    'Fay',
    'Gus',
    'Hal',
    'Ida',
  ])
  const of = (name: string) =>
    people[['Ada', 'Bea', 'Cem', 'Dov', 'Eli', 'Fay', 'Gus', 'Hal', 'Ida'].indexOf(name)]

  // Named by hand, once wrongly; made anew, nobody has moved.
  await page.getByRole('button', { name: 'Make groups' }).click()
  const drawer = page.getByRole('complementary', { name: 'Make groups' })
  await drawer.getByLabel('Groups are').selectOption('from a list that is pasted')
  await drawer
    .getByLabel('Groups, one on each line')
    .fill('Causes: Ada, Bea, Cem\nSources: Dov, Eli, Fay, Gus, Hal, Ida, Zofia')
  await drawer.getByRole('button', { name: 'Make these groups' }).click()
  const lane = (name: string) => page.getByRole('listitem', { name, exact: true })
  await expect(lane('Sources')).toBeVisible()
  await drawer
    .getByLabel('Groups, one on each line')
    .fill('Causes: Ada, Bea, Cem\nSources: Dov, Eli, Fay\nMaps: Gus, Hal, Ida, Zofia')
  await drawer.getByRole('button', { name: 'Make these groups' }).click()
  await expect(lane('Maps').getByRole('button', { name: 'Zofia' })).toBeVisible()
  await drawer.getByRole('button', { name: 'Close', exact: true }).click()
  await putInRoom(page, 'Zofia', 'Causes')
  await sendOut(page)
  const title = own.getByRole('heading', { level: 1 })
  await expect(title).toHaveText('Causes')

  // One comes late, with one move to place them; one is moved while all work.
  const [late] = await simulated(server, code, ['Late Lin'])
  await page.getByRole('button', { name: /^Late Lin: to / }).click()
  await late?.until(view => view.whereabouts.where === 'room')
  await putInRoom(page, 'Cem', 'Sources')
  const moved = await of('Cem')?.until(
    ({ whereabouts }) => whereabouts.where === 'room' && whereabouts.name === 'Sources',
  )
  expect(JSON.stringify(moved?.whereabouts)).toContain('Dov')

  // A message to all that stays until it is put away.
  await page.getByPlaceholder(/^Say to everybody|Broadcast/).fill('Name your sources')
  await page.keyboard.press('Enter')
  await expect(own.getByText('Name your sources')).toBeVisible()

  // A name is taken off everybody's screen in one move, and given back.
  await page.getByRole('button', { name: 'Zofia', exact: true }).first().click()
  await page.getByRole('menuitem', { name: 'Take the name off all screens' }).click()
  await expect(own.getByText('Here you are Guest 1.')).toBeVisible()
  const seen = await of('Ada')?.until(view => JSON.stringify(view.whereabouts).includes('Guest 1'))
  expect(JSON.stringify(seen)).not.toContain('Zofia')
  await page.getByRole('button', { name: 'Guest 1', exact: true }).first().click()
  await page.getByRole('menuitem', { name: 'Give back the name “Zofia”' }).click()
  await expect(own.getByText('You are Zofia')).toBeVisible()

  // Back; then one room alone is opened again, with the board it had.
  await page.getByRole('button', { name: 'Call back' }).click()
  await passGrace(page, server)
  await expect(title).toHaveText('Whole group')
  for (const name of ['Sources', 'Maps']) {
    await lane(name).getByRole('button', { name, exact: true }).click()
    await page.getByText(/^Name, link/).click()
    await page.getByRole('button', { name: 'Close it' }).click()
    // The lanes below move up: nothing is pressed meanwhile.
    await expect(lane(name)).toHaveCount(0)
  }
  await sendOut(page)
  await expect(title).toHaveText('Causes')
  expect(of('Dov')?.view?.whereabouts.where).toBe('whole')
  await expectAccessible(page)

  // In it one leads, and the others only read.
  await lane('Causes').getByRole('button', { name: 'Zofia', exact: true }).click()
  await page.getByRole('menuitem', { name: /^Zofia leads/ }).click()
  await lane('Causes').getByRole('button', { name: 'Causes', exact: true }).click()
  const causes = page.getByRole('complementary', { name: 'Room Causes' })
  await causes.getByLabel('Who writes in this room').selectOption('lead writes')
  await expect(own.getByText('You write for your room.')).toBeVisible()
  const beside = people.find(
    each => each.view?.whereabouts.where === 'room' && each.view.me.shownName !== 'Zofia',
  )
  await beside?.until(view => view.writing?.mayWrite === false && view.writing.by?.shownName === 'Zofia')
  await causes.getByRole('button', { name: 'Close', exact: true }).click()

  // Afterwards each sees their own room, the facilitator all.
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('button', { name: 'End the session' }).click()
  await page.getByRole('link', { name: 'Review what the groups made' }).click()
  for (const name of ['Causes', 'Sources', 'Maps']) await expect(page.getByText(name).first()).toBeVisible()
  await own.locator('a[href^="/mine/"]').first().click()
  await expect(own.getByText('Causes').first()).toBeVisible()
  await expect(own.getByText('Maps')).toHaveCount(0)
  await expectAccessible(own)
  for (const each of [...people, late]) each?.leave()
})
