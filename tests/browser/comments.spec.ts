import { expect, expectAccessible, joinOnPhone, openToAll, sendOut, simulated, test } from './fixtures'

test('a card and a sheet are commented on; the group reads it there, answers, and marks it as dealt with', async ({
  facilitator: page,
  server,
  phone,
}) => {
  const code = await openToAll(page)
  const own = await phone()
  await joinOnPhone(own, server, code, 'Chi')
  const [kaveh] = await simulated(server, code, ['Kaveh'])
  await sendOut(page)
  const prompts = own.getByRole('region')
  await own.getByLabel('New card').first().fill('The water is brown')
  await own.getByRole('button', { name: /^Add/ }).first().click()
  await expect(prompts.getByRole('textbox', { name: /^Card/ }).first()).toHaveValue('The water is brown')

  await page.getByRole('button', { name: 'Water clarity', exact: true }).click()
  const room = page.getByRole('complementary', { name: 'Room Water clarity' })
  const card = room.locator('.card').filter({ hasText: 'The water is brown' })
  await card.getByRole('button', { name: 'Comment', exact: true }).click()
  await card.getByLabel('Comment on “The water is brown”').fill('How did you see that?')
  await card.getByRole('button', { name: 'Pin the comment' }).click()
  await expectAccessible(page)

  const pinned = own.getByRole('list', { name: 'Comments' })
  await expect(pinned).toContainText('How did you see that?')
  await pinned.getByRole('button', { name: 'Answer' }).click()
  await pinned.getByLabel('Answer').fill('With a white plate.')
  await pinned.getByRole('button', { name: 'Send the answer' }).click()
  await expect(card).toContainText('Chi: With a white plate.')
  await expectAccessible(own)
  await own.getByRole('button', { name: 'Dealt with' }).click()
  await expect(card).toContainText('dealt with: Chi')

  // On a line of what was written together: what is marked goes with it.
  const sheet = own.locator('[contenteditable=true]').first()
  await sheet.click()
  await own.keyboard.type('Eels live here.')
  const line = room.getByText('Eels live here.')
  await line.click({ clickCount: 3 })
  const whole = room.getByRole('region').filter({ has: page.getByText('Eels live here.') })
  await whole.getByRole('button', { name: 'Comment on this' }).click()
  await whole.getByLabel('Comment on “Eels live here.”').fill('Since when?')
  await whole.getByRole('button', { name: 'Pin the comment' }).click()
  await expect(own.getByText('Since when?')).toBeVisible()
  await expect(own.locator('q')).toHaveText('Eels live here.')
  expect(kaveh?.view?.comments).toEqual([])
})
