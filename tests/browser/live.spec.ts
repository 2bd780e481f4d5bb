import { readCards } from '~/core/boards/prompts/cards/document'
import {
  expect,
  expectAccessible,
  joinOnPhone,
  openToAll,
  putInRoom,
  sendOut,
  simulated,
  test,
} from './fixtures'

const MINUTE = 60_000

test('somebody alone, a call from a room out of sight, a visit, a mistaken call back: nothing is missed or left behind', async ({
  server,
  facilitator: page,
}) => {
  const code = await openToAll(page)
  const people = await simulated(server, code, ['Ana Per.', 'Ana Pet.', 'Bram O.', 'Chi', 'Edda'])
  await expect(page.getByRole('button', { name: 'Edda' }).first()).toBeVisible()

  // Who would be alone, with the moves that mend it, before anybody is sent.
  await page.getByRole('button', { name: 'Send out', exact: true }).click()
  const notice = page.getByRole('alertdialog', { name: 'Somebody would be alone' })
  await expect(notice).toContainText('would be alone in')
  while ((await notice.getByRole('button', { name: /^Move to/ }).count()) > 0) {
    const before = await notice.textContent()
    await notice
      .getByRole('button', { name: /^Move to/ })
      .first()
      .click()
    await expect(notice).not.toHaveText(before ?? '')
  }
  await expect(notice).toContainText('Nobody would be alone now.')
  await notice.getByRole('button', { name: 'Send out', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Call back' })).toBeVisible()

  // A call for help is counted in the bar and in the title, and one key goes there.
  const [ana] = people
  const { whereabouts } = (await ana?.until(view => view.whereabouts.where === 'room')) ?? {}
  const roomName = whereabouts?.where === 'room' ? whereabouts.name : ''
  await ana?.ask({ type: 'call-help' })
  await expect(page.getByRole('button', { name: `${roomName} calls` })).toBeVisible()
  await expect(page).toHaveTitle('(1) Live · Round Table')
  await page.getByRole('heading', { level: 1 }).click()
  await page.keyboard.press('h')
  const drawer = page.getByRole('complementary', { name: `Room ${roomName}` })
  await expect(drawer).toContainText('calls for help')

  // A visit ends when the drawer is closed, and the focus goes back to where it was opened.
  await drawer.getByRole('button', { name: 'Visit' }).click()
  await ana?.until(view => view.visits.length === 1 && view.help === null)
  await expect(page).toHaveTitle('Live · Round Table')
  await drawer.getByRole('button', { name: 'Close' }).click()
  await ana?.until(view => view.visits.length === 0)
  await expect(page.getByRole('button', { name: roomName, exact: true })).toBeFocused()

  // So it does when another room is opened, and when the page is left.
  await page.getByRole('button', { name: roomName, exact: true }).click()
  await drawer.getByRole('button', { name: 'Visit' }).click()
  await ana?.until(view => view.visits.length === 1)

  // Listening first; whoever joins in writes on the board, marked as theirs, until they only listen again.
  await expect(drawer.getByLabel('New card')).toHaveCount(0)
  await drawer.getByRole('button', { name: 'Join in' }).click()
  await ana?.until(view => view.visits[0]?.writesAs !== null)
  await drawer.getByLabel('New card').first().fill('What do the stems tell you?')
  await drawer.getByLabel('New card').first().press('Enter')
  const board = await ana?.openBoard()
  await expect
    .poll(() => (board ? readCards(board, 'noticed').map(({ text }) => text) : []))
    .toContain('What do the stems tell you?')
  await expect(drawer.getByText('Marit Solheim (facilitator)', { exact: true }).first()).toBeVisible()
  await expectAccessible(page)
  await drawer.getByRole('button', { name: 'Only listen' }).click()
  await expect(drawer.getByLabel('New card')).toHaveCount(0)
  await ana?.until(view => view.visits[0]?.writesAs === null)
  // The next room by a key: the visit goes along, and back.
  await drawer.getByRole('button', { name: 'Close' }).press('ArrowRight')
  await ana?.until(view => view.visits.length === 0)
  await page
    .getByRole('complementary', { name: /^Room / })
    .getByRole('button', { name: 'Close' })
    .press('ArrowLeft')
  await ana?.until(view => view.visits.length === 1)
  await page.getByLabel('Broadcast to all').fill('Half said')
  await page.getByRole('combobox', { name: 'Rooms by' }).selectOption('need')
  await page.reload()

  // What was open, half written and chosen is there after a reload.
  await expect(drawer).toBeVisible()
  await expect(page.getByLabel('Broadcast to all')).toHaveValue('Half said')
  await expect(page.getByRole('combobox', { name: 'Rooms by' })).toHaveValue('need')
  await expect(drawer.getByRole('button', { name: 'Leave the room' })).toBeVisible()
  await page.getByRole('link', { name: 'Today' }).click()
  await ana?.until(view => view.visits.length === 0)
  await page.goBack()

  // Called back by mistake: the round is given back as it was.
  await page.getByRole('button', { name: 'Call back' }).click()
  await ana?.until(view => view.clock?.graceEndsAt !== null)
  await page.getByRole('button', { name: /^Go on as before/ }).click()
  await ana?.until(view => view.clock?.graceEndsAt === null && view.whereabouts.where === 'room')
  await expect(page.getByRole('button', { name: 'Call back' })).toBeVisible()
  await expectAccessible(page)
  for (const each of people) each.leave()
})

test('a phone shows the warnings, whose it is, and where one is who is not in a room', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const code = await openToAll(page)
  const others = await simulated(server, code, ['Bram O.', 'Chi'])
  const edda = await phone()
  await edda.addInitScript(() => {
    const felt: unknown[] = []
    Object.assign(window, { felt })
    navigator.vibrate = pattern => felt.push(pattern) > 0
    const { start } = OscillatorNode.prototype
    OscillatorNode.prototype.start = function (when) {
      felt.push('tone')
      start.call(this, when)
    }
  })
  const felt = () => edda.evaluate(() => (window as unknown as { felt: unknown[] }).felt)
  await joinOnPhone(edda, server, code, 'Edda')
  await expect(edda.getByText('You are Edda')).toBeVisible()
  await sendOut(page)
  await expect(edda.getByText('Station notes')).toBeVisible()
  const [wall] = await Promise.all([
    page.context().waitForEvent('page'),
    page.getByRole('link', { name: 'Projector' }).click(),
  ])

  // Half typed, it survives a reload.
  await edda.getByLabel('New card').fill('Half a thought')
  await edda.reload()
  await expect(edda.getByLabel('New card')).toHaveValue('Half a thought')
  await edda.getByRole('button', { name: 'Add card' }).click()
  await expect(edda.getByLabel('Card by Edda')).toHaveValue('Half a thought')

  // One's own card goes at once and comes back.
  await edda.getByRole('button', { name: 'Remove the card: Half a thought' }).click()
  await expect(edda.getByLabel('Card by Edda')).toBeHidden()
  await edda.getByRole('button', { name: 'Undo' }).click()
  await expect(edda.getByLabel('Card by Edda')).toBeVisible()

  // Five minutes, then one: on the board, until put away; the other is another.
  await server.moveClock(7.2 * MINUTE)
  await expect(edda.getByText('5 min left.')).toBeVisible()
  await expect(wall.getByText('5 min left', { exact: true })).toBeVisible()
  expect(await felt()).toEqual([])
  await edda.getByRole('button', { name: 'Put away' }).click()
  await expect(edda.getByText('5 min left.')).toBeHidden()
  // Switched on, a tone is heard at once, to know it by; the next warning is heard and felt.
  await edda.getByRole('button', { name: 'Sound and vibration with warnings' }).click()
  expect(await felt()).toEqual(['tone', 'tone'])
  await server.moveClock(4 * MINUTE)
  await expect(edda.getByText('1 min left.')).toBeVisible()
  await expect(wall.getByText('1 min left', { exact: true })).toBeVisible()
  await expect.poll(felt).toEqual(['tone', 'tone', 'tone', 'tone', 200])
  await expectAccessible(wall)
  await wall.close()
  await expectAccessible(edda)

  // One writes, in turns: who has the pen passes it on, and the others read along.
  const [bram] = others
  const itsName = (await edda.getByRole('heading', { level: 1 }).textContent()) ?? ''
  for (const who of ['Bram O.', 'Chi']) await putInRoom(page, who, itsName)
  await page.getByRole('button', { name: itsName, exact: true }).click()
  const room = page.getByRole('complementary', { name: `Room ${itsName}` })
  // The drawer, the order of rooms and a broadcast in the making survive a reload.
  await page.getByLabel('Broadcast to all').fill('Half a broadcast')
  await page.getByLabel('Rooms by').selectOption('plan')
  await page.reload()
  await expect(page.getByLabel('Broadcast to all')).toHaveValue('Half a broadcast')
  await expect(page.getByLabel('Rooms by')).toHaveValue('rooms')
  await page.getByLabel('Rooms by').selectOption('need')
  await page.reload()
  await expect(page.getByLabel('Rooms by')).toHaveValue('need')
  await room.getByLabel('Who writes in this room').selectOption('write in turns')
  await expect(edda.getByText('Bram O. has the pen. You read along.')).toBeVisible()
  await expect(edda.getByText('Half a thought')).toBeVisible()
  await expect(edda.getByLabel('New card')).toHaveCount(0)
  const inRoom = bram?.view?.whereabouts.where === 'room' ? bram.view.whereabouts.members : []
  await bram?.ask({ type: 'pass-pen', toId: inRoom.find(({ shownName }) => shownName === 'Edda')?.id })
  await expect(edda.getByText('You have the pen.')).toBeVisible()
  await edda.getByLabel('New card').fill('With the pen')
  await edda.getByRole('button', { name: 'Add card' }).click()
  await expect(edda.getByText('Saved', { exact: true })).toBeVisible()
  await expect(room.getByText('With the pen')).toBeVisible()
  await expect(room.getByLabel('Who has the pen')).toHaveValue(/./)
  await edda.getByText('Pass the pen').click()
  await expectAccessible(edda)
  await edda.getByRole('button', { name: 'To Chi' }).click()
  await expect(edda.getByText('Chi has the pen. You read along.')).toBeVisible()
  await room.getByLabel('Who writes in this room').selectOption({ index: 0 })
  await expect(edda.getByLabel('New card')).toBeVisible()

  // A card that hurts goes from all screens in one move; its writer is told, and it can be given back.
  await room.getByRole('button', { name: 'Take off the screens: With the pen' }).click()
  await expect(edda.getByLabel('Card by Edda')).toHaveCount(1)
  const told = 'Marit Solheim has taken off this board what you wrote: “With the pen”.'
  await expect(edda.getByText(told)).toBeVisible()
  expect(bram?.view?.takenOff).toEqual([])
  await room.getByText('1 piece taken off the screens').click()
  // What stands under a prompt of any kind, piece by piece.
  await room.getByText('Take something off the screens').first().click()
  await expect(room.getByRole('list', { name: 'What can be taken off' }).first()).toContainText(
    'Half a thought',
  )
  await expectAccessible(page)
  await expectAccessible(edda)
  await room.getByRole('button', { name: 'Give back' }).click()
  await expect(edda.getByLabel('Card by Edda')).toHaveCount(2)
  await expect(edda.getByText(told)).toBeHidden()

  // In this room they may come back by themselves; as in all rooms they stay.
  await room.getByText('What people may do here').click()
  await room.getByLabel('To the whole group').selectOption('they may come back')
  await expect(edda.getByRole('button', { name: 'Back to the whole group' })).toBeVisible()
  await expect(room.getByText('What people may do here (1 otherwise)')).toBeVisible()
  await expectAccessible(page)
  await room.getByLabel('To the whole group').selectOption({ index: 0 })
  await expect(edda.getByRole('button', { name: 'Back to the whole group' })).toBeHidden()

  // The talk of the room is its own: a facilitator counts it, and reads it while they visit.
  await bram?.ask({ type: 'say-line', text: 'Shall we begin?' })
  await expect(edda.getByText('Bram O.: Shall we begin?')).toBeVisible()
  await edda.getByRole('button', { name: /^Talk 1 new/ }).click()
  await edda.getByLabel('Say something to this room').fill('Yes, with the reeds')
  await edda.getByLabel('Say something to this room').press('Enter')
  const said = edda.getByRole('log', { name: 'Talk of this room' })
  await expect(said).toContainText('Edda Yes, with the reeds')
  await expect(edda.getByLabel('Say something to this room')).toHaveValue('')
  await room.getByText('Talk of this room: 2 lines').click()
  await expect(room.getByText('What is said here is the room’s own: visit it to read along.')).toBeVisible()
  await expect(page.getByText('Shall we begin?')).toHaveCount(0)
  await room.getByRole('button', { name: 'Visit', exact: true }).click()
  const read = room.getByRole('log', { name: 'Talk of this room' })
  await expect(read).toContainText('Shall we begin?')
  await room.getByLabel('Say something to this room').fill('What do the stems tell you?')
  await room.getByLabel('Say something to this room').press('Enter')
  await expect(said).toContainText('Marit Solheim (facilitator) What do the stems tell you?')
  await read.getByRole('button', { name: 'Take off' }).first().click()
  await expect(said).toContainText('taken off by a facilitator')
  await expect(said).not.toContainText('Shall we begin?')
  await expectAccessible(page)
  await expectAccessible(edda)
  await room.getByRole('button', { name: 'Leave the room' }).click()
  await expect(read).toHaveCount(0)
  await edda.getByRole('button', { name: /^Talk/ }).click()

  // Whoever is muted reads along and is told so; the others are not.
  await page.getByRole('button', { name: 'Edda', exact: true }).first().click()
  await page.getByRole('menuitem', { name: 'Note or observation' }).click()
  const person = page.getByRole('complementary', { name: 'Person Edda' })
  await person.getByRole('button', { name: 'Pause their writing' }).click()
  await expect(edda.getByText('The facilitator has paused your writing. You can read along.')).toBeVisible()
  await expect(edda.getByLabel('New card')).toHaveCount(0)
  expect(bram?.view?.writing).toBeNull()
  await expectAccessible(page)
  await person.getByRole('button', { name: 'Let them write again' }).click()
  await expect(edda.getByLabel('New card')).toBeVisible()

  // Taken out in mid-round, one reads what is so.
  await page.getByRole('button', { name: 'Edda', exact: true }).first().click()
  await page.getByRole('menuitem', { name: 'Whole group' }).click()
  await expect(edda.getByText('The others are in their rooms now.')).toBeVisible()
  await expect(edda.getByText('Everyone stays here')).toBeHidden()

  // She has written, so the wrong name is the facilitator's to free; then the door has it again.
  await edda.getByRole('button', { name: 'That’s not me' }).click()
  await edda.getByRole('button', { name: 'Give the name back' }).click()
  await expect(edda.getByText('The facilitator knows that this is not you')).toBeVisible()
  const doubts = page.getByRole('list', { name: 'Names in doubt' })
  await expect(doubts).toContainText('Who goes by Edda says that is not them.')
  await expectAccessible(page)
  await doubts.getByRole('button', { name: 'Free the name' }).click()
  await edda.waitForURL(/\/join\//)

  // Another who took the wrong name and wrote nothing just gives it back.
  await joinOnPhone(edda, server, code, 'Greta L.')
  await edda.getByRole('button', { name: 'That’s not me' }).click()
  await edda.getByRole('button', { name: 'Give the name back' }).click()
  await edda.waitForURL(/\/join\//)

  // Whose name is taken asks at the door, and one move frees it.
  await edda.getByLabel('Your name').fill('Chi')
  await edda.getByRole('button', { name: /I am not on the list/ }).click()
  await edda.getByRole('button', { name: 'That is my name: ask the facilitator to free it' }).click()
  await expect(edda.getByText('The facilitator has been asked to free Chi.')).toBeVisible()
  await expectAccessible(edda)
  await expect(doubts).toContainText('Somebody at the door says they are Chi')
  // Left as it is, the name stays taken; asked once more, it can still be freed.
  await doubts.getByRole('button', { name: 'Leave it as it is' }).click()
  await expect(doubts).toBeHidden()
  await edda.getByRole('button', { name: /I am not on the list/ }).click()
  await edda.getByRole('button', { name: 'That is my name: ask the facilitator to free it' }).click()
  await expect(doubts).toContainText('Somebody at the door says they are Chi')
  await doubts.getByRole('button', { name: 'Free the name' }).click()
  await edda.getByRole('button', { name: 'Chi', exact: true }).click()
  await expect(edda.getByText('You are Chi')).toBeVisible()
  for (const each of others) each.leave()
})
