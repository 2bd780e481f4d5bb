import type { Locator, Page } from '@playwright/test'
import { expect, onOneServer, openCohort, simulated } from './fixtures'

const test = onOneServer()

/** Walks with Tab until the control has the focus, as somebody without a mouse does. */
async function tabTo(page: Page, control: Locator): Promise<void> {
  await control.waitFor()
  for (let press = 0; press < 150; press++) {
    if (await control.evaluate(element => element === document.activeElement)) return
    await page.keyboard.press('Tab')
  }
  throw new Error(`The keyboard does not reach ${control}`)
}

async function press(page: Page, control: Locator, key = 'Enter'): Promise<void> {
  await tabTo(page, control)
  await page.keyboard.press(key)
}

async function type(page: Page, control: Locator, text: string): Promise<void> {
  await tabTo(page, control)
  await page.keyboard.press('Control+A')
  await page.keyboard.type(text)
}

test('the facilitator’s whole path without a mouse', async ({ server, newPage }) => {
  const page = await newPage()
  const button = (name: string | RegExp, exact = false) => page.getByRole('button', { name, exact }).first()
  const link = (name: string) => page.getByRole('link', { name }).first()
  await page.goto(`${server.address}/sign-in`)
  await type(page, page.getByLabel('Email'), server.demo?.accounts[0] ?? '')
  await type(page, page.getByLabel('Password'), server.demo?.password ?? '')
  await page.keyboard.press('Enter')

  // Groups: drawn, somebody moved, named and saved.
  await press(page, link('Cohorts'))
  await press(page, link('Weekend course'))
  await press(page, link('Make groups'))
  await press(page, button('Make groups'))
  const first = page.getByRole('region', { name: 'Group 1' })
  const name = (await first.getByRole('button').first().textContent()) ?? ''
  await press(page, first.getByRole('button').first())
  // Nobody presses the next key before the menu has it.
  await expect(page.getByRole('menu')).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: /Group [23]/ }).getByRole('button', { name })).toBeVisible()
  await type(page, page.getByLabel('Name of the grouping'), 'By keyboard')
  await press(page, button('Save the grouping'))
  await expect(page.getByText('Saved.')).toBeVisible()

  // A session, opened.
  await press(page, link('Plan a session with it'))
  await type(page, page.getByLabel('Title'), 'Keyboard evening')
  await tabTo(page, page.getByLabel('Date'))
  await page.keyboard.type('11112026')
  await tabTo(page, page.getByLabel('Begins at'))
  await page.keyboard.type('1900')
  await tabTo(page, page.getByLabel('Board'))
  await page.keyboard.type('Stat')
  await expect(page.getByLabel('Board').locator('option:checked')).toHaveText('Station notes')
  await press(page, button('Save the plan'))
  await press(page, button('Open the session'))

  // Live.
  await expect(button('Send out')).toBeVisible()
  const code = (
    (await page
      .getByText(/^Join code/)
      .locator('b')
      .textContent()) ?? ''
  ).trim()
  const people = await simulated(server, code, ['Ditte V.', 'Emeka O.', 'Fenna H.'])
  await expect(page.getByText('6 on the list are not here yet')).toBeVisible()
  await press(page, button('Send out', true))
  await press(page, button('Send out as it is'))
  await Promise.all(people.map(each => each.until(view => view.whereabouts.where === 'room')))
  await page.keyboard.press('Escape')
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
  await page.keyboard.press('b')
  await expect(page.getByLabel('Broadcast to all')).toBeFocused()
  await page.keyboard.type('Said by keyboard')
  await page.keyboard.press('Enter')
  await people[0]?.until(view => view.messages.some(message => message.text === 'Said by keyboard'))
  await people[0]?.ask({ type: 'call-help' })
  await press(page, button('Answer'))
  await press(page, button('Visit', true))
  await people[0]?.until(view => view.visits.length === 1 && view.help === null)
  await press(page, button('Leave the room'))
  await press(page, button('Close'))
  await press(page, button('Ditte V.', true))
  await expect(page.getByRole('menu')).toBeFocused()
  await page.keyboard.press('w')
  await expect(page.getByRole('menuitem', { name: 'Whole group' })).toHaveAttribute('data-highlighted')
  await page.keyboard.press('Enter')
  await people[0]?.until(view => view.whereabouts.where === 'whole')
  const before = people[1]?.view?.clock?.endsAt ?? 0
  await press(page, button('1 min'))
  await people[1]?.until(view => (view.clock?.endsAt ?? 0) === before + 60_000)
  await press(page, button('Call back'))
  await people[1]?.until(view => view.clock?.graceEndsAt !== null)
  await press(page, button('End', true))
  await press(page, button('End the session'))

  // Review.
  await press(page, link('Review what the groups made'))
  await press(page, button('2. '))
  await press(page, button('Done with the review'))
  await expect(button('Put back among the unfinished')).toBeVisible()
  for (const each of people) each.leave()
})

test('arrow keys move through lists, from the field that filters them and back', async ({
  facilitator: page,
}) => {
  await openCohort(page, 'Evening course')
  const box = (name: string) => page.getByRole('checkbox', { name: `Choose ${name}`, exact: true })
  await page.getByLabel('Find by name').fill('soren')
  await expect(page.getByRole('row')).toHaveCount(2)
  await page.getByLabel('Find by name').fill('ana')
  await page.keyboard.press('ArrowDown')
  await expect(box('Ana Pereira')).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Space')
  await expect(box('Ana Petrova')).toBeFocused()
  await expect(box('Ana Petrova')).toBeChecked()
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('ArrowUp')
  await expect(page.getByLabel('Find by name')).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Family name').first()).toHaveValue('Pereira')

  // A list of links, and the people of a group.
  await page.getByRole('link', { name: 'Sessions' }).click()
  const link = (name: string) => page.getByRole('link', { name })
  await page.getByLabel('Find in Sessions').fill('stations')
  await expect(page.getByRole('list', { name: 'Sessions' }).getByRole('listitem')).toHaveCount(1)
  await page.getByLabel('Find in Sessions').fill('evening')
  await page.keyboard.press('ArrowDown')
  await expect(link('Evening 6: Six stations')).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Evening 5: Teaching a station' })).toBeVisible()
  await openCohort(page, 'Evening course')
  await page.getByRole('link', { name: 'Six stations' }).click()
  const people = page.getByRole('region', { name: 'Pond life' }).getByRole('listitem').getByRole('button')
  await people.first().focus()
  await page.keyboard.press('ArrowDown')
  await expect(people.nth(1)).toBeFocused()
})
