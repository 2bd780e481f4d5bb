import { expect, expectAccessible, joinByName, simulated, startNow, test } from '../fixtures'

test('people choose rooms with places, are asked to go and accept, and each room has somebody who leads', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const code = await startNow(page)
  const own = await phone()
  await joinByName(own, server, code, 'Zofia')
  const [ada, bea, cem, dov] = await simulated(server, code, ['Ada', 'Bea', 'Cem', 'Dov'])
  if (!ada || !bea || !cem || !dov) throw new Error('Four have come.')
  await page.getByRole('button', { name: 'Make groups' }).click()
  const drawer = page.getByRole('complementary', { name: 'Make groups' })

  // As they sit: who names each other is a group.
  await drawer.getByLabel('Groups are').selectOption('as they sit')
  await drawer.getByRole('button', { name: 'Ask who sits where' }).click()
  await own.getByRole('button', { name: 'Ada', exact: true }).click()
  await expect(own.getByRole('button', { name: 'Ada', exact: true })).toHaveAttribute('aria-pressed', 'true')
  await expectAccessible(own)
  const idOf = async (name: string) => {
    const { namesHere } = await ada.until(
      view => view.namesHere?.some(one => one.shownName === name) ?? false,
    )
    return namesHere?.find(one => one.shownName === name)?.id ?? ''
  }
  await ada.ask({ type: 'name-beside', besideIds: [await idOf('Zofia')] })
  const groups = drawer.getByRole('list', { name: 'Groups so far' })
  await expect(groups).toContainText('Zofia, Ada')
  await expect(drawer.getByText('In no group yet: Bea, Cem, Dov')).toBeVisible()
  await drawer.getByRole('button', { name: 'Stop asking' }).click()
  await expect(own.getByText('Who sits beside you?')).toBeHidden()

  // By choice: two places in each of three rooms; the third comes too late.
  await drawer.getByLabel('Groups are').selectOption('by choice of room')
  await drawer.getByLabel('Rooms, one on each line').fill('Lake\nWood\nMeadow')
  await drawer.getByLabel('Largest size').fill('2')
  await drawer.getByLabel('Roles in each room').selectOption('by first names')
  await drawer.getByRole('button', { name: 'Open a choice' }).click()
  const lake = (await ada.until(view => view.roomsToChoose?.rooms.length === 3)).roomsToChoose?.rooms[0]
  const choose = (roomId = '') => ({ type: 'choose-room', roomId })
  expect(await ada.ask(choose(lake?.id))).toMatchObject({ ok: true })
  await expect(own.getByRole('listitem', { name: 'Lake' })).toContainText('1 person · 1 place left')
  await own.getByRole('button', { name: 'Choose: Lake' }).click()
  await expect(own.getByText('Your room', { exact: true })).toBeVisible()
  await expectAccessible(own)
  expect(await bea.ask(choose(lake?.id))).toMatchObject({ ok: false })
  await expect(page.getByText('2 of 5 have chosen a room.')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Close the choice' }).click()
  await expect(own.getByText('Choose your room')).toBeHidden()
  await drawer.getByRole('button', { name: 'Close' }).click()

  // The rest by hand; then everybody is asked to go, and who has not is seen.
  await page.getByRole('button', { name: 'Choose several' }).click()
  for (const name of ['Bea', 'Cem', 'Dov']) await page.getByRole('button', { name, exact: true }).click()
  await page.getByLabel('Put those who are chosen into').selectOption('Wood')
  await page.getByRole('button', { name: 'Done choosing' }).click()
  await page.getByLabel('How people go into rooms').selectOption('invited to go')
  await page.getByLabel('What people may do in rooms').selectOption('may come back')
  await page.getByRole('button', { name: 'Send out', exact: true }).click()
  const go = own.getByRole('button', { name: 'Go to Lake' })
  await expect(go).toBeVisible()
  await expect(page.getByRole('button', { name: '5 invited have not gone: bring them in' })).toBeVisible()
  await expectAccessible(own)
  await go.click()
  await expect(own.getByRole('heading', { level: 1, name: 'Lake' })).toBeVisible()
  await own.getByRole('button', { name: 'Back to the whole group' }).click()
  await own.getByRole('button', { name: 'Go to Lake' }).click()
  await page.getByRole('button', { name: '4 invited have not gone: bring them in' }).click()
  await bea.until(view => view.whereabouts.where === 'room')
  await expect(page.getByText(/invited ha/)).toBeHidden()

  // The earliest first name leads, the latest reports; a role is passed on.
  await expect(own.getByText('You report.')).toBeVisible()
  await expect(own.getByText('Ada leads')).toBeVisible()
  await own.getByText('Pass it on').click()
  await own.getByRole('button', { name: 'Ada', exact: true }).click()
  await expect(own.getByText('You lead.')).toBeVisible()
  await expect(page.getByRole('button', { name: /^Zofia leads/ })).toBeVisible()
  await expectAccessible(own)
  await page.getByRole('button', { name: /^Cem/ }).click()
  await page.getByRole('menuitem', { name: 'Cem leads' }).click()
  await cem.until(
    view => view.roles?.roles.some(one => one.id === view.me.id && one.role === 'lead') ?? false,
  )
})
