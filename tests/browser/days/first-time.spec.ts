import { expect, expectAccessible, joinOnPhone, test } from '../fixtures'

test('a hundred and eighty from a file in forty rooms: opened in three actions on the day, closed, and opened again as it was', async ({
  server,
  facilitator: page,
  phone,
}) => {
  // The day before: the list from a file, groups, and the plan.
  await page.getByRole('link', { name: 'Cohorts' }).click()
  await page.getByLabel('Name').fill('Open day')
  await page.getByRole('button', { name: 'Make the cohort' }).click()
  await page.getByRole('link', { name: 'Import a list' }).click()
  const names = Array.from({ length: 180 }, (_, at) => `Guest ${String(at + 1).padStart(3, '0')}`)
  const buffer = Buffer.from(`name\n${names.join('\n')}`)
  await page.getByLabel('File').setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer })
  await page.getByRole('button', { name: 'Show what would change' }).click()
  await page.getByRole('button', { name: 'Add 180' }).click()
  await page.getByRole('link', { name: 'Make groups', exact: true }).click()
  await page.getByLabel('Say how').selectOption('so many groups')
  await page.getByLabel('Groups', { exact: true }).fill('40')
  await page.getByRole('button', { name: 'Make groups' }).click()
  await expect(page.getByRole('region', { name: 'Group 40' })).toBeVisible()
  await page.getByLabel('Name of the grouping').fill('Forty tables')
  await page.getByRole('button', { name: 'Save the grouping' }).click()
  await page.getByRole('link', { name: 'Plan a session with it' }).click()
  await page.getByLabel('Title').fill('The open day')
  await page.getByRole('button', { name: 'Save the plan' }).click()
  await expect(page.getByRole('button', { name: 'Open the session' })).toBeVisible()

  // On the day, counted: look it over, open, send out.
  let actions = 0
  const act = async (what: Promise<void>) => {
    actions++
    await what
  }
  await page.getByRole('link', { name: 'Sessions' }).click()
  await act(page.getByRole('link', { name: 'The open day' }).first().click())
  await act(page.getByRole('button', { name: 'Open the session' }).click())
  await expect(page.getByRole('button', { name: 'Send out' })).toBeVisible()
  const code = (
    (await page
      .getByText(/^Join code/)
      .locator('b')
      .textContent()) ?? ''
  ).trim()
  const [one, two] = [await phone(), await phone()]
  await joinOnPhone(one, server, code, 'Guest 001')
  await joinOnPhone(two, server, code, 'Guest 002')
  await act(page.getByRole('button', { name: 'Send out', exact: true }).click())
  const anyway = page.getByRole('button', { name: 'Send out as it is' })
  await expect(anyway.or(page.getByRole('button', { name: 'Call back' })).first()).toBeVisible()
  // Two of a hundred and eighty have come: that is asked about, once everybody is there it is not.
  if (await anyway.isVisible()) await anyway.click()
  expect(actions).toBe(3)
  const title = one.getByRole('heading', { level: 1 })
  await expect(title).toHaveText(/^Group \d+$/)
  await expect(page.getByRole('list', { name: 'Rooms' }).locator('> li')).toHaveCount(40)
  await expectAccessible(page)

  // Somebody moved after; left without ending it for all; told all something.
  const room = (await title.textContent()) ?? ''
  // A room that needs nobody is a line without names, as when both are by chance in the same: it is opened.
  await page.getByRole('button', { name: room, exact: true }).click()
  await page
    .getByRole('list', { name: 'In this room' })
    .getByRole('button', { name: /^Guest 001/ })
    .click()
  await page.getByRole('menuitem', { name: room === 'Group 7' ? 'Group 8' : 'Group 7', exact: true }).click()
  await expect(title).toHaveText(room === 'Group 7' ? 'Group 8' : 'Group 7')
  const live = page.url()
  await page.getByRole('link', { name: 'Today' }).click()
  await expect(two.getByRole('heading', { level: 1 })).toHaveText(/^Group \d+$/)
  await page.goto(live)
  await page.getByPlaceholder('Broadcast to all').fill('Ten more minutes')
  await page.keyboard.press('Enter')
  await expect(one.getByText('Ten more minutes')).toBeVisible()

  // Ended, and opened again exactly as it was.
  const where = (await title.textContent()) ?? ''
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('button', { name: 'End the session' }).click()
  await page.getByRole('button', { name: 'Open it again' }).click()
  await expect(page.getByRole('button', { name: 'Call back' })).toBeVisible()
  await expect(title).toHaveText(where)
})
