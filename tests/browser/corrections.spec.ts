import type { Page } from '@playwright/test'
import {
  expect,
  expectAccessible,
  joinOnPhone,
  letAllIn,
  openPlanned,
  planOneRound,
  putInRoom,
  sendOut,
  test,
} from './fixtures'

const space = (page: Page, text: RegExp) => page.getByRole('region', { name: text })

test('a board is corrected while groups work on it: one room first, then all; what they wrote stays', async ({
  facilitator: page,
  server,
  phone,
}) => {
  await planOneRound(page)
  const { code } = await openPlanned(page)
  const [ana, bram] = [await phone(), await phone()]
  await joinOnPhone(ana, server, code, 'Ana Per.')
  await joinOnPhone(bram, server, code, 'Bram O.')
  await letAllIn(page)
  await putInRoom(page, 'Ana Per.', 'Pond life')
  await putInRoom(page, 'Bram O.', 'Soil and peat')
  await sendOut(page)
  const first = ana.getByLabel('New card').first()
  await first.fill('It is wetter here')
  await first.press('Enter')
  await expect(ana.getByRole('textbox', { name: 'Card by Ana Per.' })).toHaveValue('It is wetter here')

  // Corrected in the library, beside the session.
  const live = page.url()
  await page.getByRole('link', { name: 'Boards' }).click()
  await page.getByRole('link', { name: 'Station notes' }).click()
  await page.getByRole('button', { name: /^1 / }).first().click()
  await page.getByLabel('What it asks').fill('What do you know by now?')
  await page.getByRole('button', { name: 'Add a prompt to part 1' }).click()
  await page.getByRole('menuitem', { name: /^Cards/ }).click()
  await page.getByLabel('What it asks').last().fill('What would you ask next?')
  await page.getByLabel('What it asks').last().blur()
  await expect(page.getByRole('status').filter({ hasText: 'Kept.' })).toBeVisible()
  await expect(ana.getByText('What do you know by now?')).toBeHidden()

  await page.goto(live)
  const notice = page.getByRole('region', { name: '“Station notes” was changed' })
  await notice.getByText('What would change').click()
  await expect(notice.getByText('“What would you ask next?” is new.')).toBeVisible()
  await expect(notice.getByText(/reads “What do you know by now\?”/)).toBeVisible()
  await expectAccessible(page)
  await notice.getByRole('button', { name: 'Only to Pond life' }).click()
  await expect(ana.getByText('What do you know by now?')).toBeVisible()
  await expect(ana.getByRole('textbox', { name: 'Card by Ana Per.' })).toHaveValue('It is wetter here')
  await expect(bram.getByText('What do you know by now?')).toBeHidden()
  const next = space(ana, /What would you ask next/).getByLabel('New card')
  await next.fill('Where does it go?')
  await next.press('Enter')
  await expect(
    space(ana, /What would you ask next/).getByRole('textbox', { name: 'Card by Ana Per.' }),
  ).toHaveValue('Where does it go?')
  await notice.getByRole('button', { name: /^Pass on to all \d+ rooms$/ }).click()
  await expect(bram.getByText('What do you know by now?')).toBeVisible()
  await expect(notice).toHaveCount(0)
})
