import { expect, expectAccessible, test } from './fixtures'

test('things are removed once it was said what depends on them, and put back', async ({
  facilitator: page,
}) => {
  await page.getByRole('link', { name: 'Cohorts' }).click()
  await page.getByRole('button', { name: 'Remove Weekend course' }).click()
  await expect(page.getByText(/past sessions? of it will be out of sight too/)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Remove it' }).click()
  await expect(page.getByRole('link', { name: 'Weekend course' })).toBeHidden()
  await page.getByRole('link', { name: 'Sessions' }).click()
  await expect(page.getByRole('link', { name: 'Evening 6: Six stations' })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Reading the marsh together' })).toBeHidden()
  await page.getByRole('link', { name: 'Cohorts' }).click()
  // The page before has such a list as well.
  await expect(page.getByRole('heading', { level: 1, name: 'Cohorts' })).toBeVisible()
  await page.getByText('Removed', { exact: true }).click()
  await page.getByRole('button', { name: 'Put back Weekend course' }).click()
  await expect(page.getByRole('link', { name: 'Weekend course' })).toBeVisible()

  // A board, which the session of tonight uses and keeps.
  await page.getByRole('link', { name: 'Boards' }).click()
  await page.getByRole('button', { name: 'Remove Station notes' }).click()
  await expect(page.getByText(/use it and keep it\./)).toBeVisible()
  await page.getByRole('button', { name: 'Remove it' }).click()
  await expect(page.getByRole('link', { name: 'Station notes' })).toBeHidden()
  await page.getByRole('link', { name: 'Today' }).click()
  await page.getByRole('link', { name: 'Look it over and open' }).click()
  await page.getByRole('button', { name: /^Rooms, 12 min/ }).click()
  await expect(page.getByLabel('Board').getByRole('option', { name: 'Station notes' })).toBeAttached()
  await page.getByRole('button', { name: 'Open the session' }).click()
  await expect(page.getByRole('button', { name: 'Send out' })).toBeVisible()

  // Nobody removes their own account; another's is put back with its password.
  await page.getByRole('link', { name: 'Marit Solheim' }).click()
  await expect(page.getByRole('button', { name: 'Remove Marit Solheim' })).toBeHidden()
  await page.getByRole('button', { name: /^Remove / }).click()
  await page.getByRole('button', { name: 'Remove it' }).click()
  await page.getByText('Removed', { exact: true }).click()
  await page.getByRole('button', { name: /^Put back/ }).click()
  await expect(page.getByRole('button', { name: /^Remove / })).toBeVisible()
})

test('a plan begins with a title, today and the next hour; without a board one is made and leads back', async ({
  facilitator: page,
}) => {
  await page.getByRole('link', { name: 'Boards' }).click()
  await expect(page.getByRole('link', { name: 'Station notes' })).toBeVisible()
  // The last of them: all are there.
  await expect(page.getByRole('link', { name: /^Worksheet/ })).toBeVisible()
  await page.evaluate(async () => {
    for (const link of document.querySelectorAll('a[href^="/boards/"]')) {
      const id = link.getAttribute('href')?.split('/')[2] ?? ''
      if (id === 'new') continue
      const form = new URLSearchParams({ intent: 'remove', kind: 'board', id })
      await fetch('/removals.data', { method: 'POST', body: form })
    }
  })
  await page.goto(new URL('/sessions/new', page.url()).href)
  await page.getByRole('link', { name: 'Make a board' }).click()
  await page.getByLabel('Title').fill('Made on the way')
  await page.getByRole('button', { name: 'Make the board' }).click()
  await page.getByRole('button', { name: 'Add a prompt to part 1' }).click()
  await page.getByRole('menuitem', { name: /^Cards/ }).click()
  await page.getByLabel('What it asks').fill('What did you see?')
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible()
  await page.getByRole('link', { name: 'Go on with the plan' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Plan a session' })).toBeVisible()
  await expect(page.getByLabel('Title')).toHaveValue(/, (Mon|Tues|Wednes|Thurs|Fri|Satur|Sun)day \d/)
  await expect(page.getByLabel('Date')).toHaveValue(/^\d{4}-\d{2}-\d{2}$/)
  await expect(page.getByLabel('Begins at')).toHaveValue(/^\d{2}:00$/)
  await expect(page.getByLabel('Time zone')).toHaveValue('Europe/London')
  await page.getByLabel('Time zone').fill('Nowhere/Land')
  await page.getByRole('button', { name: 'Save the plan' }).click()
  await expect(page.getByLabel('Time zone')).toHaveAttribute('aria-invalid', 'true')
  await page.getByLabel('Time zone').fill('Asia/Tokyo')
  await page.getByRole('button', { name: 'Save the plan' }).click()
  await expect(page.getByText(/\(Asia\/Tokyo\)/)).toBeVisible()
  await page.getByRole('button', { name: 'Open the session' }).click()
  await page.getByRole('button', { name: 'Code to scan' }).click()
  await expect(page.getByText('This page was opened on the server’s own machine')).toBeVisible()
})
