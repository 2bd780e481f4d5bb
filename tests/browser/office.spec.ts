import { expect, expectAccessible, joinByName, joinCodeOf, test } from './fixtures'

const MINUTE = 60_000

test('office hours: one after the other comes into a room of their own, a few together, at a time of their own; who waits sees nothing of the others', async ({
  server,
  facilitator: page,
  phone,
}) => {
  await page.getByRole('button', { name: 'Office hours' }).click()
  await expect(page.getByRole('heading', { name: 'Nobody is there' })).toBeVisible()
  const code = await joinCodeOf(page)
  await page.getByLabel('From').fill('23:50')
  await page.getByLabel('How many').fill('2')
  await page.getByRole('button', { name: 'Offer' }).click()
  const times = page.getByRole('list', { name: 'Times that were offered' }).getByRole('listitem')
  await expect(times).toHaveCount(2)
  await page.getByLabel('Rooms talk aloud').selectOption('in a simulated call')

  const [ada, bo, chi] = [await phone(), await phone(), await phone()]
  await joinByName(ada, server, code, 'Ada')
  await joinByName(bo, server, code, 'Bo')
  await joinByName(chi, server, code, 'Chi')
  await ada.getByLabel('What is it about?').fill('The second chapter')
  await ada.getByRole('button', { name: 'Wait in line' }).click()
  await expect(ada.getByRole('heading', { name: 'You are next' })).toBeVisible()
  await expect(bo.getByText('About 10 minutes.')).toBeVisible()
  await bo.getByRole('button', { name: 'Wait in line' }).click()
  await expect(bo.getByRole('heading', { name: '1 ahead of you' })).toBeVisible()
  await expectAccessible(bo)
  for (const hidden of ['Ada', 'The second chapter']) await expect(bo.getByText(hidden)).toHaveCount(0)

  // A time is taken, and free for nobody else.
  await chi.getByRole('list', { name: 'Free times' }).getByRole('button').first().click()
  await expect(chi.getByText('Your time is')).toBeVisible()
  await expect(bo.getByRole('list', { name: 'Free times' }).getByRole('listitem')).toHaveCount(1)
  await expect(times.first()).toContainText('Chi')

  // The next comes into a room of their own, with the facilitator, a board and a call; the others wait on.
  const line = page.getByRole('list', { name: 'Who waits' }).getByRole('listitem')
  await expect(line).toHaveCount(2)
  await expect(line.first()).toContainText('The second chapter')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Next: Ada' }).click()
  const there = page.getByRole('region', { name: 'There now' })
  await expect(there).toContainText('There for 0 min: The second chapter')
  await expect(ada.getByText('Marit Solheim has joined in and writes along.')).toBeVisible()
  await ada.getByRole('textbox', { name: 'Notes' }).click()
  await ada.keyboard.type('Begin with the map')
  await there.getByRole('button', { name: 'Open the room' }).click()
  const room = page.getByRole('complementary', { name: /^Room Ada/ })
  await expect(room.getByText('Begin with the map')).toBeVisible()
  await expect(room.getByRole('button', { name: 'Put up this board' })).toHaveCount(0)
  await ada.getByRole('button', { name: 'Join the call of your room' }).click()
  await expect(room.getByText('Call: 1 in it')).toBeVisible()
  await expect(bo.getByRole('heading', { name: 'You are next' })).toBeVisible()
  await expect(bo.getByText('Begin with the map')).toHaveCount(0)
  await expectAccessible(ada)
  await expectAccessible(page)

  // A note for later, which nobody else reads; put back, one is first in line again.
  await there.getByText('Note for later on Ada').click()
  await there.getByLabel(/observ/i).fill('Wants to see the map again')
  await there
    .getByRole('button', { name: /note|keep/i })
    .last()
    .click()
  await expect(there.getByRole('list', { name: 'Observations' })).toContainText('Wants to see the map again')
  await there.getByRole('button', { name: 'Put back in line' }).click()
  await expect(ada.getByRole('heading', { name: 'You are next' })).toBeVisible()
  await expect(bo.getByRole('heading', { name: '1 ahead of you' })).toBeVisible()

  // A few together, in another room, in which nothing stands of what was made before.
  await line.filter({ hasText: 'Ada' }).getByText('Ada', { exact: true }).click()
  await line.filter({ hasText: 'Bo' }).getByText('Bo', { exact: true }).click()
  await page.getByRole('button', { name: 'See these 2 together' }).click()
  await expect(bo.getByText('With Ada')).toBeVisible()
  await expect(bo.getByText('Begin with the map')).toHaveCount(0)
  await expect(line).toHaveCount(0)

  // When their time has come, whoever took it stands first; who was there goes by one move.
  await there.getByRole('button', { name: 'Done' }).click()
  await expect(bo.getByText('What the rooms you were in have made')).toBeVisible()
  await bo.getByRole('button', { name: 'Wait in line' }).click()
  await expect(line).toHaveCount(1)
  await server.moveClock(24 * 60 * MINUTE)
  // Until it has heard the server's time a page goes by the clock of its device.
  const heard = page.waitForResponse(answer => answer.url().endsWith('/clock'))
  await page.reload()
  await heard
  await expect(line).toHaveCount(2)
  await expect(line.first()).toContainText('Chi')
  await expect(line.first()).toContainText('Has the time')
  await line.filter({ hasText: 'Chi' }).getByRole('button', { name: 'See' }).click()
  await expect(chi.getByText('With the facilitator')).toBeVisible()

  // The end brings everybody back, and each has what they made.
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('button', { name: 'End the session' }).click()
  await expect(chi.getByText('The session has ended. Thank you.')).toBeVisible()
  await ada.getByRole('link', { name: 'See what we made' }).click()
  await expect(ada.getByText('Begin with the map')).toBeVisible()
})
