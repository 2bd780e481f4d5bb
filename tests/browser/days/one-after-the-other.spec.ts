import {
  expect,
  expectAccessible,
  joinByName,
  putInRoom,
  sendOut,
  signIn,
  simulated,
  startNow,
  test,
} from '../fixtures'

test('one after the other is let in, unseen by who waits; later everybody together, and each teacher in a room with their own people', async ({
  server,
  facilitator: page,
  newPage,
  phone,
}) => {
  const code = await startNow(page)
  const waitingList = page.getByText('Waiting list', { exact: true })
  await waitingList.click()
  const [ada, bea] = [await phone(), await phone()]
  await joinByName(ada, server, code, 'Ada')
  await joinByName(bea, server, code, 'Bea')
  for (const each of [ada, bea]) await expect(each.getByText('You are on the waiting list.')).toBeVisible()
  // The first has their lesson: let in, told something that is for them.
  await page.getByRole('button', { name: /^Ada/ }).first().click()
  await page.getByRole('menuitem', { name: 'Let in' }).click()
  const adaTitle = ada.getByRole('heading', { level: 1 })
  await expect(adaTitle).toHaveText('Whole group')
  await page.getByPlaceholder('Broadcast to all').fill('Let us begin with your scales')
  await page.keyboard.press('Enter')
  await expect(ada.getByText('Let us begin with your scales')).toBeVisible()
  await expect(bea.getByText('You are on the waiting list.')).toBeVisible()
  await expect(bea.getByText('your scales')).toHaveCount(0)
  // Nor does a page that is opened meanwhile hold anything of it.
  await bea.reload()
  await expect(bea.getByText('You are on the waiting list.')).toBeVisible()
  const opened = await bea.content()
  expect(['Ada', 'scales'].filter(hidden => opened.includes(hidden))).toEqual([])
  await expectAccessible(bea)

  // The lesson is over, and the next one comes in.
  await ada.close()
  await page.getByRole('button', { name: /^Ada/ }).first().click()
  await page.getByRole('menuitem', { name: 'Remove from the session' }).click()
  await expect(page.getByRole('button', { name: /^Ada/ })).toHaveCount(0)
  await page.getByRole('button', { name: /^Let (all|in)/ }).click()
  await expect(bea.getByRole('heading', { level: 1 })).toHaveText('Whole group')

  // Later everybody is there, and a second teacher: a room for each, with their own people.
  await waitingList.click()
  const people = await simulated(server, code, ['Cem', 'Dora', 'Emil'])
  const other = await newPage()
  await signIn(other, server, 1)
  await other.goto(page.url())
  await page.getByRole('button', { name: 'Make groups' }).click()
  const drawer = page.getByRole('complementary', { name: 'Make groups' })
  await drawer.getByLabel('Groups are').selectOption('by hand, from empty rooms')
  await drawer.getByLabel('Rooms, one on each line').fill('With Marit\nWith Tobias')
  await drawer.getByRole('button', { name: 'Make these rooms' }).click()
  await drawer.getByRole('button', { name: 'Close' }).click()
  for (const [who, room] of [
    ['Bea', 'With Marit'],
    ['Cem', 'With Marit'],
    ['Dora', 'With Tobias'],
    ['Emil', 'With Tobias'],
  ] as const)
    await putInRoom(page, who, room)
  await sendOut(page)
  for (const [teacher, room] of [
    [page, 'With Marit'],
    [other, 'With Tobias'],
  ] as const) {
    await teacher.getByRole('button', { name: room, exact: true }).first().click()
    const own = teacher.getByRole('complementary', { name: `Room ${room}` })
    await own.getByRole('button', { name: 'Visit', exact: true }).click()
    await own.getByRole('button', { name: 'Join in' }).click()
  }
  const [cem, , emil] = people
  const withThem = (who: typeof cem) => who?.view?.visits.map(({ name }) => name)
  for (const each of [cem, emil])
    await each?.until(view => view.visits.some(({ writesAs }) => writesAs !== null))
  expect(withThem(cem)).toEqual(['Marit Solheim'])
  expect(withThem(emil)).toEqual(['Tobias Ferrand'])
  await expect(bea.getByText('Marit Solheim has joined in and writes along.')).toBeVisible()
  for (const each of people) each.leave()
})
