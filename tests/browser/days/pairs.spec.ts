import {
  expect,
  expectAccessible,
  joinOnPhone,
  passGrace,
  sendOut,
  simulated,
  startWithCourse,
  test,
} from '../fixtures'

test('four have come of a list: pairs by its rules, never one alone, another each time; help, a visit, and back', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const code = await startWithCourse(page)
  const own = await phone()
  await joinOnPhone(own, server, code, 'Thuy N.')
  const [bram, odalys] = await simulated(server, code, ['Bram O.', 'Odalys Q.', 'Ulla H.'])
  // The list against who came.
  await page.getByText('20 on the list are not here yet').click()
  await expect(page.getByText(/Kaveh/)).toBeVisible()

  // Bram and Odalys are never together, Thuy and Ulla always: what is left is one way, again and again.
  await page.getByRole('button', { name: 'Make groups' }).click()
  const drawer = page.getByRole('complementary', { name: 'Make groups' })
  await drawer.getByLabel('People each').fill('2')
  const keeps = drawer.getByRole('checkbox', { name: /^Keep the 3 rules/ })
  await expect(keeps).toBeChecked()
  await drawer.getByRole('button', { name: 'Make groups' }).click()
  const lanes = page.getByRole('list', { name: 'Rooms' })
  await expect(lanes.getByRole('listitem')).toHaveCount(2)
  await expect(drawer.getByText(/rules? could not be kept/)).toBeVisible()
  // Without the rules, another way each time.
  await keeps.uncheck()
  const seen = new Set<string | null>()
  for (let press = 0; press < 4; press++) {
    const before = await lanes.textContent()
    await drawer.getByRole('button', { name: 'Reshuffle' }).click()
    await expect.poll(() => lanes.textContent()).not.toBe(before)
    seen.add(await lanes.textContent())
    for (const lane of await lanes.getByRole('listitem').all())
      await expect(lane.locator('.lane-name')).toHaveCount(2)
  }
  expect(seen.size).toBeGreaterThan(1)

  // For any other channel: the groups as text, on the clipboard.
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write'])
  await drawer.getByRole('button', { name: 'Close' }).click()
  await page.getByRole('button', { name: /Copy the groups/ }).click()
  await expect
    .poll(() => page.evaluate(() => navigator.clipboard.readText()))
    .toMatch(/Group 1: .+, .+\n.*Group 2: .+, .+/s)
  await expectAccessible(page)

  await sendOut(page)
  await own.getByRole('button', { name: 'Call for help' }).click()
  const title = own.getByRole('heading', { level: 1 })
  await expect(title).toHaveText(/^Group \d$/)
  const room = (await title.textContent()) ?? ''
  await page.getByRole('button', { name: 'Answer' }).click()
  const open = page.getByRole('complementary', { name: `Room ${room}` })
  await open.getByRole('button', { name: /^Visit/ }).click()
  await expect(own.getByText(/Marit.* is in your room, listening/)).toBeVisible()
  await open.getByRole('button', { name: 'Close' }).click()
  await expect(own.getByText(/is in your room, listening/)).toBeHidden()
  await page.getByRole('button', { name: 'Call back' }).click()
  await passGrace(page, server)
  await expect(title).toHaveText('Whole group')
  for (const each of [bram, odalys]) await each?.until(view => view.whereabouts.where === 'whole')
})
