import { expect, expectAccessible, onOneServer, openCohort } from './fixtures'

const test = onOneServer()

type Page = import('@playwright/test').Page

async function makeGroups(page: Page, groups: string, rounds: string, fresh = true): Promise<void> {
  await page.getByRole('link', { name: 'Make groups' }).click()
  // With a past to look at, what can be proved of the rounds alone can no longer be.
  if (!fresh) await page.getByLabel('Fresh pairs').fill('0')
  await page.getByLabel('Say how').selectOption('so many groups')
  await page.getByLabel('Groups', { exact: true }).fill(groups)
  if (rounds !== '1') {
    await page.getByLabel('Other groups each round').check()
    await page.getByLabel('Rounds', { exact: true }).fill(rounds)
  }
  await page.getByRole('button', { name: 'Make groups' }).click()
}

test('several rounds: nobody meets twice, whom one person meets, saved, changed by hand, used for a session', async ({
  facilitator: page,
}) => {
  await openCohort(page, 'Weekend course')
  await makeGroups(page, '3', '4', false)
  const table = page.getByRole('region', { name: 'Table of rounds' })
  // Nine people in threes: four rounds, every two together exactly once.
  await expect(page.getByText('Nobody meets twice in these 4 rounds.')).toBeVisible()
  await expect(page.getByText(/Proved best, built as the parallel lines/)).toBeVisible()
  await expect(table.getByRole('row')).toHaveCount(5)
  await page.getByLabel('Whom does one person meet?').selectOption({ label: 'Xanthe G.' })
  await expect(page.getByText('Xanthe G. meets everybody.')).toBeVisible()
  await expectAccessible(page)

  await table.getByRole('button', { name: 'Show round 2' }).click()
  await expect(page.getByRole('heading', { name: 'Round 2' })).toBeVisible()
  await page.getByRole('button', { name: /^Xanthe G\./ }).click()
  const free = page.getByRole('menuitem', { name: /^Group/ }).first()
  await free.click()
  await expect(page.getByText(/pairs meet again, \d+ times in all/)).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('Nobody meets twice in these 4 rounds.')).toBeVisible()

  await page.getByLabel('Name of the grouping').fill('Four evenings')
  await page.getByRole('button', { name: 'Save the grouping' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Four evenings' })).toBeVisible()
  await page.reload()
  await expect(page.getByText('Nobody meets twice in these 4 rounds.')).toBeVisible()
  const [third = ''] = await table
    .getByRole('row')
    .nth(3)
    .getByRole('cell')
    .first()
    .locator('div')
    .allInnerTexts()
  await page.getByRole('link', { name: 'Plan a session with it' }).click()
  await page.getByLabel('Round of the grouping').selectOption('2')
  await page.getByLabel('Title').fill('Third weekend')
  await page.getByLabel('Date').fill('2027-03-06')
  await page.getByLabel('Begins at').fill('10:00')
  await page.getByRole('button', { name: 'Save the plan' }).click()
  await expect(page.getByLabel('Round of the grouping')).toHaveValue('2')
  await page.getByRole('button', { name: 'Open the session' }).click()
  await expect(page.getByText('9 on the list are not here yet')).toBeVisible()
  await page.getByText('9 on the list are not here yet').click()
  await expect(page.getByText(third).first()).toBeVisible()
})

test('rounds that can not be are refused in words, and more rounds than can go without repeats are announced', async ({
  facilitator: page,
}) => {
  await openCohort(page, 'Weekend course')
  await page.getByRole('link', { name: 'Make groups' }).click()
  await page.getByLabel('Fresh pairs').fill('0')
  await page.getByLabel('Other groups each round').check()
  await page.getByLabel('Rounds', { exact: true }).fill('0')
  await expect(page.getByText('Enter 1 to 40 rounds.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Make groups' })).toBeDisabled()
  await page.getByLabel('Rounds', { exact: true }).fill('5')
  await expect(page.getByText('without meeting twice at most 4 rounds')).toBeVisible()
  await page.getByRole('button', { name: 'Make groups' }).click()
  await expect(page.getByText('9 pairs meet again, 9 times in all.')).toBeVisible()
  await expect(page.getByText(/Proved best/)).toBeVisible()
})

test('who is held stays in every round when rounds are made again', async ({ facilitator: page }) => {
  await openCohort(page, 'Weekend course')
  await makeGroups(page, '3', '3')
  const table = page.getByRole('region', { name: 'Table of rounds' })
  await expect(page.getByText('Nobody meets twice in these 3 rounds.')).toBeVisible()
  /** Which group the person is in, round by round. */
  const seats = async (name: string) => {
    const rows = await table.getByRole('row').all()
    return Promise.all(
      rows
        .slice(1)
        .map(async row =>
          (await row.getByRole('cell').allInnerTexts()).findIndex(text => text.includes(name)),
        ),
    )
  }
  const held = await seats('Fenna H.')
  const all = await table.textContent()
  await page.getByRole('button', { name: /^Fenna H\./ }).click()
  await page.getByRole('menuitem', { name: 'Hold Fenna H. here' }).click()
  await expect(page.getByText('Fenna H. stays where they are')).toBeVisible()
  await page.getByRole('button', { name: 'Reshuffle' }).click()
  await expect.poll(() => table.textContent()).not.toBe(all)
  await expect(page.getByText('looking for better groups')).toBeHidden()
  expect(await seats('Fenna H.')).toEqual(held)
})

test('home groups follow expert groups, teams go round stations, roles are given', async ({
  facilitator: page,
}) => {
  await openCohort(page, 'Weekend course')
  await makeGroups(page, '3', '1')
  await page.getByLabel('Experts, then home groups').check()
  await page.getByRole('button', { name: 'Make home groups' }).click()
  await expect(page.getByText('Nobody meets twice in these 2 rounds.')).toBeVisible()
  await expect(page.getByRole('region', { name: 'Table of rounds' }).getByText('Home 3')).toBeVisible()

  await page.getByLabel('Teams that go round stations').check()
  await page.getByLabel('Stations, one a line').fill('Reeds\nBirds\nPeat\nMap')
  await expect(page.getByText('After 4 rounds every team has been at every station once')).toBeVisible()
  const stations = page.getByRole('region', { name: 'Teams at stations' })
  await expect(stations.getByRole('row')).toHaveCount(5)
  for (const team of ['Group 1', 'Group 2', 'Group 3'])
    await expect(stations.getByRole('cell', { name: team, exact: true })).toHaveCount(4)
  await page.getByLabel('Two teams at a station').selectOption('another team each time')
  await expect(page.getByText('the same two stay together')).toBeVisible()
  await expect(stations.getByRole('cell', { name: 'Group 1 and Group 2' })).toHaveCount(4)
  await page.getByLabel('Two teams at a station').selectOption('never')

  await page.getByText('Roles', { exact: true }).click()
  await page.getByLabel('Give roles').selectOption('by first name')
  await page.getByRole('button', { name: 'Give', exact: true }).click()
  await expect(page.getByRole('region', { name: 'Group 1' }).getByText('timekeeper')).toBeHidden()
  for (const role of ['lead', 'reporter', 'scribe'])
    await expect(page.getByRole('region', { name: 'Group 1' }).getByText(role)).toBeVisible()
  // The second round has its own.
  await page.getByRole('button', { name: 'Show round 2' }).click()
  await expect(page.getByRole('region', { name: 'Home 1' }).getByText('reporter')).toBeVisible()

  // All of it is kept, and printed.
  await page.getByLabel('Rounds', { exact: true }).last().fill('2')
  await expect(stations.getByRole('row')).toHaveCount(3)
  await page.getByLabel('Name of the grouping').fill('Walk with homes')
  await page.getByRole('button', { name: 'Save the grouping' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Walk with homes' })).toBeVisible()
  await page.reload()
  await expect(stations.getByRole('row')).toHaveCount(3)
  await page.emulateMedia({ media: 'print' })
  const sheet = page.locator('.print-sheet')
  await expect(sheet.getByRole('table')).toBeVisible()
  await expect(sheet.getByText('Walk with homes, teams at stations')).toBeVisible()
  await expect(sheet.getByText(/\(lead\)$/)).toHaveCount(6)

  // A session with it has all its rounds laid out by one press.
  await page.emulateMedia({ media: 'screen' })
  await page.getByRole('link', { name: 'Plan a session with it' }).click()
  await page.getByLabel('Title').fill('Experts, then homes')
  await page.getByLabel('Date').fill('2031-03-04')
  await page.getByLabel('Begins at').fill('09:00')
  await page.getByRole('button', { name: 'Save the plan' }).click()
  const rooms = page.getByRole('list', { name: 'Segments' }).getByRole('button', { name: /^Round|^Rooms/ })
  await expect(rooms).toHaveCount(1)
  await page.getByRole('button', { name: 'Lay out all 2 rounds of Walk with homes' }).click()
  await expect(rooms).toHaveCount(2)
  await expect(page.getByRole('button', { name: /^Lay out all/ })).toBeHidden()
})

test('two teams at a station, another one each time', async ({ facilitator: page }) => {
  await openCohort(page, 'Evening course')
  await makeGroups(page, '8', '1')
  await page.getByLabel('Teams that go round stations').check()
  await page.getByLabel('Stations, one a line').fill('Reeds\nBirds\nPeat\nMap')
  await page.getByLabel('Two teams at a station').selectOption('another team each time')
  await expect(page.getByText('No two teams are together twice.')).toBeVisible()
  const cells = page.getByRole('region', { name: 'Teams at stations' }).getByRole('cell', { name: / and / })
  await expect(cells).toHaveCount(16)
  expect(new Set(await cells.allInnerTexts()).size).toBe(16)
})

test('who has met whom: a matrix of everybody, and one person’s own list', async ({ facilitator: page }) => {
  await openCohort(page, 'Evening course')
  await page.getByRole('link', { name: 'Who has met whom' }).click()
  await expect(page.getByText(/of 276 pairs/)).toBeVisible()
  const matrix = page.getByRole('region', { name: 'Matrix of who has met whom' })
  await expect(matrix.getByRole('row')).toHaveCount(25)
  await page.getByLabel('One person').selectOption({ label: 'Edda' })
  await expect(page.getByText('Edda has met:')).toBeVisible()
  const cells = await matrix.getByRole('row', { name: /^Edda/ }).getByRole('cell').allInnerTexts()
  const met = cells.filter(cell => cell.trim() !== '').length
  const [listed = ''] = await page.locator('p', { hasText: 'Edda has met:' }).allInnerTexts()
  expect(met).toBe(listed.split(';').length)
  await page.getByLabel('Show').selectOption('minutes together')
  await expect(page.getByRole('heading', { name: 'Never or least together' })).toBeVisible()
})
