import { addDays, format } from 'date-fns'
import { expect, expectAccessible, joinByName, joinCodeOf, test } from './fixtures'

const MINUTE = 60_000
const dayFromNow = (days: number) => format(addDays(Date.now(), days), 'yyyy-MM-dd')

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
  // On another day, too; one that is over is said to be, and what was typed stays.
  await page.getByLabel('Day, if not today').fill(dayFromNow(-2))
  await page.getByLabel('How many').fill('1')
  await page.getByRole('button', { name: 'Offer' }).click()
  await expect(page.getByText('That is over already. Take a later time or day.')).toBeVisible()
  await expect(page.getByLabel('From')).toHaveValue('23:50')
  await page.getByLabel('Day, if not today').fill(dayFromNow(4))
  await page.getByRole('button', { name: 'Offer' }).click()
  await expect(times).toHaveCount(3)
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
  const free = bo.getByRole('list', { name: 'Free times' }).getByRole('button')
  await expect(free).toHaveCount(2)
  await expect(free.last()).toHaveText(/^(Mon|Tue|Wed|Thu|Fri|Sat|Sun),? \d+ \w+, 23:50$/)
  await free.last().click()
  await expect(bo.getByText('Come back to this page then: it stays yours.')).toBeVisible()
  await expect(times.first()).toContainText('Chi')
  // A time is given back, and a place in the line; who loses a time that is withdrawn is told.
  await bo.getByRole('button', { name: 'Give it back' }).click()
  await expect(free).toHaveCount(2)
  await bo.getByRole('button', { name: 'Leave the line' }).click()
  await expect(ada.getByRole('heading', { name: 'You are next' })).toBeVisible()
  await bo.getByRole('button', { name: 'Wait in line' }).click()
  await expect(bo.getByRole('heading', { name: '1 ahead of you' })).toBeVisible()
  await free.first().click()
  await expect(times.nth(1)).toContainText('Bo')
  await times.nth(1).getByRole('button', { name: 'Withdraw' }).click()
  await expect(times).toHaveCount(2)
  await expect(bo.getByText(/^Your time, .*, has been withdrawn\./)).toBeVisible()
  await expect(free).toHaveCount(1)
  await free.click()
  await expect(bo.getByText('has been withdrawn')).toBeHidden()
  await expect(bo.getByText('Come back to this page then: it stays yours.')).toBeVisible()

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

  // Whoever comes next works on another board.
  const board = page.getByRole('region', { name: 'Board of the next room' })
  await expect(board).toContainText('Whoever comes next works on: Notes')
  await board.getByRole('button', { name: 'Another board' }).click()
  await board.getByLabel('Another board').selectOption({ label: 'Planning a guided walk' })
  await board.getByRole('button', { name: 'Give it' }).click()
  await expect(board).toContainText('Whoever comes next works on: Planning a guided walk')

  // A few together, in another room, in which nothing stands of what was made before.
  await line.filter({ hasText: 'Ada' }).getByText('Ada', { exact: true }).click()
  await line.filter({ hasText: 'Bo' }).getByText('Bo', { exact: true }).click()
  await page.getByRole('button', { name: 'See these 2 together' }).click()
  await expect(bo.getByText('With Ada')).toBeVisible()
  await expect(bo.getByText('Begin with the map')).toHaveCount(0)
  await expect(bo.getByRole('heading', { name: 'Planning a guided walk' })).toBeVisible()
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

  // Looking back: who came, about what, how long they waited and stayed.
  await page.goto(page.url().replace(/\/live$/, '/review'))
  const came = page.getByRole('region', { name: 'Who came' }).getByRole('row')
  await expect(came).toHaveCount(4)
  await expect(came.nth(1)).toContainText('The second chapter')
  await expect(came.nth(2)).toContainText('Ada, Bo')
  await expect(came.nth(3)).toContainText('had a time')
  await expect(page.getByText('Still in line at the end: Bo.')).toBeVisible()
  await expectAccessible(page)
})
