import { expect, expectAccessible, joinOnPhone, openToAll, sendOut, simulated, test } from './fixtures'

test('people show what they want without a word: hands in their order, who is lost, who is out; rooms ask for time and for help, and get both', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const code = await openToAll(page)
  const own = await phone()
  await joinOnPhone(own, server, code, 'Chi')
  const people = await simulated(server, code, ['Noor A.', 'Roz', 'Bram O.', 'Kaveh', 'Ulla H.'])
  const [noor, , bram, kaveh, ulla] = people

  // With the whole group: a hand goes up after another, and is taken down by whoever heard it.
  await kaveh?.ask({ type: 'set-signal', signal: 'hand' })
  const shown = page.getByRole('region', { name: 'Signals' })
  await expect(shown).toContainText('1 wants to speak')
  await own.getByRole('button', { name: 'Signal' }).click()
  await own.getByRole('button', { name: 'I want to speak' }).click()
  const hands = shown.getByRole('list', { name: 'Hands, in the order they came' })
  await expect(hands.getByRole('listitem')).toHaveText([/1\. Kaveh/, /2\. Chi/])
  await expectAccessible(own)
  await shown.getByRole('button', { name: 'Chi was heard' }).click()
  await expect(own.getByRole('button', { name: 'Signal' })).toBeVisible()
  await expect(hands.getByRole('listitem')).toHaveText([/Kaveh/])

  // Sent out a hand is down; in rooms who is lost is seen in the lane, and as a reason to go there.
  await sendOut(page)
  await expect(shown).toBeHidden()
  await bram?.ask({ type: 'set-signal', signal: 'lost' })
  await ulla?.ask({ type: 'set-signal', signal: 'stepped-out' })
  const lane = page.getByRole('listitem', { name: 'Pond life', exact: true })
  await expect(lane).toContainText('1 lost')
  await expect(page.getByRole('region', { name: 'Who needs you next' })).toContainText('Pond life: 1 lost')
  await shown.getByRole('button', { name: 'How it changed' }).click()
  await expect(shown.getByRole('img', { name: 'How many showed each signal, over time' })).toBeVisible()
  await page.getByRole('button', { name: 'Everybody' }).click()
  await expect(page.getByRole('list', { name: 'People' })).toContainText('Pond life: stepped out')
  await expectAccessible(page)
  await page.keyboard.press('Escape')

  // Rooms say how much time they need; one press gives it, and nobody asks for it any more.
  await kaveh?.ask({ type: 'say-minutes', minutes: 0 })
  await own.getByRole('button', { name: 'Signal' }).click()
  const more = own.getByRole('button', { name: '5 min more' })
  await expect(more).toBeVisible()
  await more.click()
  await noor?.until(view => view.minutesSaid === 5)
  await expect(shown).toContainText('Of 2 rooms 1 says it is done, 1 asks for more time.')
  await expectAccessible(own)
  const before = noor?.view?.clock?.endsAt ?? Number.NaN
  await shown.getByRole('button', { name: '+ 5 min' }).click()
  await noor?.until(view => view.clock?.endsAt === before + 300_000 && view.minutesSaid === null)
  await expect(more).toHaveAttribute('aria-pressed', 'false')

  await shown.getByRole('button', { name: 'Clear all signals' }).click()
  await bram?.until(view => view.signal === null)

  // Help is called with a reason, if they like; one facilitator says that they come, and the room knows who and when.
  await own.getByRole('button', { name: 'Call for help' }).click()
  await own.getByRole('button', { name: 'We are stuck' }).click()
  const water = page.getByRole('listitem', { name: 'Water clarity', exact: true })
  await expect(water).toContainText(/help, .*: stuck/)
  await page.getByRole('heading', { level: 1 }).click()
  await page.keyboard.press('h')
  const drawer = page.getByRole('complementary', { name: 'Room Water clarity' })
  await expect(drawer).toContainText('Chi calls for help (stuck). Answer with a visit, or with a note.')
  await drawer.getByRole('button', { name: 'In 2 min' }).click()
  await expect(own.getByText(/ comes in (2 min|\d+ s)\.$/)).toBeVisible()
  await expect(water).toContainText('goes')
  await expectAccessible(own)
  await expectAccessible(page)
  await drawer.getByRole('button', { name: 'I go there' }).click()
  await expect(own.getByText(/ is on the way\.$/)).toBeVisible()
  await drawer.getByRole('button', { name: 'Not me after all' }).click()
  await expect(own.getByText('Help has been called. The facilitator can see it.')).toBeVisible()
  await drawer.getByRole('button', { name: 'Visit', exact: true }).click()
  await expect(own.getByText('is in your room, listening.')).toBeVisible()
  for (const each of people) each.leave()
})
