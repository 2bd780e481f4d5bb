import { expect, expectAccessible, joinOnPhone, openCohort, sendOut, signIn, test } from '../fixtures'

test('groups kept for the year: the same in session after session, found by their first letters; one exchanged in March is exchanged from then on alone; a second facilitator leads it, and each lesson begins with one teacher', async ({
  server,
  facilitator: page,
  newPage,
  phone,
}) => {
  // Fixed once.
  await openCohort(page, 'Weekend course')
  await page.getByRole('link', { name: 'Make groups' }).click()
  await page.getByRole('button', { name: 'Make groups' }).click()
  const group = (number: number) => page.getByRole('region', { name: `Group ${number}`, exact: true })
  await expect(group(3)).toBeVisible()
  const namesIn = async (number: number) =>
    (await group(number).getByRole('listitem').allInnerTexts()).map(name =>
      name.replace(' trained to lead', ''),
    )
  await page.getByLabel('Name of the grouping').fill('All year')
  await page.getByRole('button', { name: 'Save the grouping' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'All year' })).toBeVisible()
  const grouping = page.url()
  const [first = '', second = ''] = [(await namesIn(1))[0], (await namesIn(2))[0]]

  // Two sessions of it; the first is opened in January, with the groups as they are.
  const plan = async (title: string) => {
    await page.goto(grouping)
    await page.getByRole('link', { name: 'Plan a session' }).click()
    await page.getByLabel('Title').fill(title)
    await page.getByRole('button', { name: /^(Plan|Save)/ }).click()
    await expect(page.getByRole('button', { name: 'Open the session' })).toBeVisible()
    return page.url()
  }
  await plan('A morning in January')
  const march = await plan('A morning in March')
  await page.goto(`${server.address}/sessions`)
  await page.getByRole('link', { name: 'A morning in January' }).click()
  await page.getByRole('button', { name: 'Open the session' }).click()
  const lane = (name: string) => page.getByRole('listitem', { name, exact: true })
  await expect(lane('Group 1')).toBeVisible()
  const january = page.url()

  // Exchanged in March: found by the first letters, and swapped.
  await page.goto(grouping)
  await page.getByLabel('Find somebody').fill(first.slice(0, 3))
  await expect(page.getByRole('status', { name: 'Found' }).or(page.getByText(first).first())).toBeVisible()
  await page.getByLabel('Find somebody').fill('')
  await page.getByRole('button', { name: 'Choose several' }).click()
  await group(1).getByRole('button', { name: first }).click()
  await group(2).getByRole('button', { name: second }).click()
  await page.getByRole('button', { name: 'Swap' }).click()
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText(/Saved/).first()).toBeVisible()
  expect(await namesIn(1)).toContain(second)

  // The second facilitator opens March: with whom they are from now on. January stays as it was.
  const other = await newPage()
  await signIn(other, server, 1)
  await other.goto(march)
  await other.getByRole('button', { name: 'Open the session' }).click()
  const code = (
    (await other
      .getByText(/^Join code/)
      .locator('b')
      .textContent()) ?? ''
  ).trim()
  const own = await phone()
  await joinOnPhone(own, server, code, second)
  await sendOut(other)
  await expect(own.getByRole('heading', { level: 1 })).toHaveText('Group 1')
  await expectAccessible(other)
  await page.goto(january)
  await page.getByText(/on the list are not here yet/).click()
  await expect(
    page.getByText(new RegExp(`${second.replace('.', '\\.')}.*Group 2|Group 2.*`)).first(),
  ).toBeVisible()

  // Each lesson of one teacher: rooms for both, and each goes to their own.
  await other.getByRole('button', { name: 'Group 1', exact: true }).first().click()
  const room = other.getByRole('complementary', { name: 'Room Group 1' })
  await room.getByRole('button', { name: 'Visit', exact: true }).click()
  await room.getByRole('button', { name: 'Join in' }).click()
  await expect(own.getByText('Tobias Ferrand has joined in and writes along.')).toBeVisible()
})
