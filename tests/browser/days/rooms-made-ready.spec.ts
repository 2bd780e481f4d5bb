import {
  drag,
  expect,
  expectAccessible,
  joinCodeOf,
  joinOnPhone,
  letAllIn,
  simulated,
  test,
} from '../fixtures'

test('rooms made ready, each with an exercise of its own: filled by drag and several at once while nobody moves; “five minutes” is answered; back, out again, and every team goes one room on', async ({
  server,
  facilitator: page,
  phone,
}) => {
  await page.getByRole('link', { name: 'Look it over and open' }).click()
  await page.getByRole('button', { name: 'Open the session' }).click()
  const code = await joinCodeOf(page)
  const own = await phone()
  await joinOnPhone(own, server, code, 'Ana Per.')
  const people = await simulated(server, code, ['Bram O.', 'Chi', 'Edda', 'Farouk B.'])
  await letAllIn(page)

  // Tonight begins with the stations: what stands before them is left out.
  const order = page.getByRole('region', { name: 'Running order' })
  await page.getByRole('button', { name: 'Running order' }).click()
  const segments = order.getByRole('listitem')
  const names = await segments.evaluateAll(all => all.map(each => each.getAttribute('aria-label') ?? ''))
  // The first is on already.
  for (const name of names.slice(1, names.indexOf('Stations')))
    await order.getByRole('listitem', { name, exact: true }).getByRole('button', { name: 'Skip' }).click()
  await expect(page.getByRole('button', { name: /^Send out: Stations/ })).toBeVisible()
  await page.getByRole('button', { name: 'Close the order' }).click()

  // Two at once by their names, one by drag; nobody goes anywhere before the start.
  const lane = (name: string) => page.getByRole('listitem', { name, exact: true })
  const nameIn = (room: string, who: string) => lane(room).getByRole('button', { name: who, exact: true })
  await page.getByRole('button', { name: 'Choose several' }).click()
  for (const who of ['Chi', 'Edda'])
    await page.getByRole('button', { name: who, exact: true }).first().click()
  await expect(page.getByText('Chosen: Chi, Edda')).toBeVisible()
  await page.getByLabel('Put those who are chosen into').selectOption('Pond life')
  await page.getByRole('button', { name: 'Done choosing' }).click()
  await expect(nameIn('Pond life', 'Edda')).toBeVisible()
  await drag(page, page.getByRole('button', { name: 'Bram O.', exact: true }).first(), lane('Soil and peat'))
  await expect(nameIn('Soil and peat', 'Bram O.')).toBeVisible()
  await page.getByRole('button', { name: 'Ana Per.', exact: true }).first().click()
  await page.getByRole('menuitem', { name: 'Soil and peat' }).click()
  await expect(nameIn('Soil and peat', 'Ana Per.')).toBeVisible()
  expect(people.map(each => each.view?.whereabouts.where)).toEqual(Array(4).fill('whole'))

  // Out: each room has its own exercise.
  const sendOut = async () => {
    await page.getByRole('button', { name: /^Send out/ }).click()
    const anyway = page.getByRole('button', { name: 'Send out as it is' })
    await expect(anyway.or(page.getByRole('button', { name: 'Call back' })).first()).toBeVisible()
    if (await anyway.isVisible()) await anyway.click()
    await expect(page.getByRole('button', { name: 'Call back' })).toBeVisible()
  }
  await sendOut()
  const title = own.getByRole('heading', { level: 1 })
  await expect(title).toHaveText('Soil and peat')
  await expect(own.getByText('What must a new steward know about Soil and peat?')).toBeVisible()
  const [bram, chi, edda] = people
  await Promise.all([chi, edda].map(each => each?.until(({ whereabouts }) => whereabouts.where === 'room')))
  expect([bram, chi, edda].map(each => JSON.stringify(each?.view?.board))).toEqual([
    expect.stringContaining('about Soil and peat?'),
    expect.stringContaining('about Pond life?'),
    expect.stringContaining('about Pond life?'),
  ])
  await own.getByRole('textbox').first().fill('Wear boots')
  await own.getByRole('button', { name: /^Add/ }).first().click()
  await expect(own.getByText('Saved', { exact: true })).toBeVisible()
  // People in rooms have nothing to end or to rearrange.
  for (const name of [/^End/, /^Call back/, /^Close/, /^Put into/])
    await expect(own.getByRole('button', { name })).toHaveCount(0)

  // “Five minutes” goes to all, and is answered.
  await page.getByPlaceholder('Broadcast to all').fill('Five minutes')
  await page.keyboard.press('Enter')
  await Promise.all(people.map(each => each.until(view => view.messages.length === 1)))
  await own.getByRole('button', { name: 'Answer' }).click()
  await own.getByLabel('Your answer').fill('We need six')
  await own.getByRole('button', { name: 'Send the answer' }).click()
  await page.getByRole('button', { name: /Broadcasts/ }).click()
  const said = page.getByRole('complementary', { name: 'Broadcasts' })
  await expect(said.getByRole('list', { name: 'Answers to Five minutes' })).toContainText('We need six')
  await said.getByRole('button', { name: 'Close' }).click()
  await expectAccessible(own)

  // Back, and out again with the same people, each team one room on.
  await server.moveClock(9 * 60_000)
  await expect(title).toHaveText('Whole group')
  await sendOut()
  const go = own.getByRole('button', { name: /^Go to / })
  const next = ((await go.textContent()) ?? '').replace('Go to ', '').trim()
  expect(next).not.toBe('Soil and peat')
  await go.click()
  await expect(title).toHaveText(next)
  await expect(own.getByText(`What must a new steward know about ${next}?`)).toBeVisible()
  await expect(own.getByText('Wear boots')).toHaveCount(0)
  await expect(
    nameIn(next, 'Bram O.')
      .or(page.getByText(/invited have not gone/))
      .first(),
  ).toBeVisible()
  for (const each of people) each.leave()
})
