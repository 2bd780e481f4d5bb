import {
  drag,
  expect,
  expectAccessible,
  joinByName,
  passGrace,
  putInRoom,
  sendOut,
  simulated,
  startNow,
  test,
} from '../fixtures'

test('two rooms made in the session, one opened first, then the other; a document comes when all are out; people move by themselves, and two are put together for the next time', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const code = await startNow(page)
  const own = await phone()
  await joinByName(own, server, code, 'Zofia')
  const people = await simulated(server, code, ['Ada', 'Bea', 'Cem'])
  const [ada, bea, cem] = people

  // Two rooms, named, with people put in.
  await page.getByRole('button', { name: 'Make groups' }).click()
  const drawer = page.getByRole('complementary', { name: 'Make groups' })
  await drawer.getByLabel('Groups are').selectOption('by hand, from empty rooms')
  await drawer.getByLabel('Rooms, one on each line').fill('Garden\nPorch')
  await drawer.getByRole('button', { name: 'Make these rooms' }).click()
  await drawer.getByRole('button', { name: 'Close' }).click()
  for (const [who, room] of [
    ['Zofia', 'Garden'],
    ['Ada', 'Garden'],
    ['Bea', 'Porch'],
    ['Cem', 'Porch'],
  ] as const)
    await putInRoom(page, who, room)

  // One is opened first, for ten minutes; who is in the other waits with the whole group, and goes when it is opened.
  const lane = (name: string) => page.getByRole('listitem', { name, exact: true })
  await lane('Porch').getByRole('button', { name: 'Porch', exact: true }).click()
  await page.getByText(/^Name, link/).click()
  await page.getByRole('button', { name: 'Close it' }).click()
  await page.getByLabel('Minutes').fill('10')
  await sendOut(page)
  const title = own.getByRole('heading', { level: 1 })
  await expect(title).toHaveText('Garden')
  await ada?.until(view => view.whereabouts.where === 'room' && view.clock !== null)
  expect([bea, cem].map(each => each?.view?.whereabouts.where)).toEqual(['whole', 'whole'])
  await page.getByRole('button', { name: 'Open again: Porch' }).click()
  for (const each of [bea, cem])
    await each?.until(({ whereabouts }) => whereabouts.where === 'room' && whereabouts.name === 'Porch')
  expect(bea?.view?.clock?.endsAt).toBe(ada?.view?.clock?.endsAt)

  // A document goes to all rooms when they are out already.
  await page.getByRole('button', { name: 'Give material' }).click()
  await page.getByLabel('Material to give').selectOption({ index: 1 })
  await page.getByRole('button', { name: 'Give it' }).click()
  await expect(
    own.getByRole('list', { name: 'Material from the facilitator' }).getByText('new'),
  ).toBeVisible()
  await cem?.until(view => view.given.length === 1)

  // From now on people may move by themselves; the facilitator goes from room to room and back.
  await page.getByLabel('What people may do in rooms').selectOption('may change and come back')
  await own.getByText('Go to another room').click()
  await own.getByRole('button', { name: 'Go there: Porch' }).click()
  await expect(title).toHaveText('Porch')
  for (const [name, other] of [
    ['Garden', bea],
    ['Porch', ada],
  ] as const) {
    await lane(name).getByRole('button', { name, exact: true }).click()
    await page.getByRole('button', { name: 'Visit', exact: true }).click()
    await (name === 'Garden' ? ada : bea)?.until(view => view.visits.length === 1)
    await other?.until(view => view.visits.length === 0)
  }
  await page
    .getByRole('complementary', { name: 'Room Porch' })
    .getByRole('button', { name: 'Close', exact: true })
    .click()
  await bea?.until(view => view.visits.length === 0)

  // Left before the page has heard that it came: the visit ends all the same.
  await lane('Garden').getByRole('button', { name: 'Garden', exact: true }).click()
  const left = page.waitForResponse(answer => (answer.request().postData() ?? '').includes('leave-room'))
  await page.getByRole('complementary', { name: 'Room Garden' }).evaluate(drawer => {
    for (const name of ['Visit', 'Close'])
      [...drawer.querySelectorAll('button')].find(button => button.textContent?.trim() === name)?.click()
  })
  await left
  await expect(lane('Garden')).toContainText('visit (2)')
  await expect(lane('Garden')).not.toContainText('Marit Solheim visits')
  await expectAccessible(own)

  // "You two together in the next one."
  await page.getByRole('button', { name: 'Call back' }).click()
  await passGrace(page, server)
  await expect(title).toHaveText('Whole group')
  // What comes to an end may still move the lanes under the pointer.
  await expect(async () => {
    await drag(page, page.getByRole('button', { name: 'Cem', exact: true }).first(), lane('Garden'))
    await expect(lane('Garden').getByRole('button', { name: 'Cem' })).toBeVisible({ timeout: 5_000 })
  }).toPass()
  await sendOut(page)
  const together = await cem?.until(({ whereabouts }) => whereabouts.where === 'room')
  expect(together?.whereabouts).toMatchObject({ name: 'Garden' })
  expect(JSON.stringify(together?.whereabouts)).toContain('Ada')
  for (const each of people) each.leave()
})
