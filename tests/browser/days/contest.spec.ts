import {
  expect,
  expectAccessible,
  joinByName,
  passGrace,
  sendOut,
  simulated,
  startNow,
  test,
} from '../fixtures'

// The facilitator has a tablet, and fingers.
test.use({ viewport: { width: 1024, height: 768 }, hasTouch: true })

const ROOMS = Array.from({ length: 24 }, (_, index) => `Crew ${String.fromCharCode(65 + index)}`)
const PEOPLE = Array.from({ length: 48 }, (_, index) => `Guest ${String(index + 1).padStart(2, '0')}`)

test('twenty-four named rooms are filled evenly for a contest; one late is invited, rooms are listened to in turn, and it ends early', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const code = await startNow(page)
  const people = await simulated(server, code, PEOPLE)

  // Named first, then filled; nobody moves before the start.
  await page.getByRole('button', { name: 'Make groups' }).tap()
  const drawer = page.getByRole('complementary', { name: 'Make groups' })
  await drawer.getByLabel('Groups are').selectOption('by hand, from empty rooms')
  await drawer.getByLabel('Rooms, one on each line').fill(ROOMS.join('\n'))
  await drawer.getByRole('button', { name: 'Make these rooms' }).tap()
  const lanes = page.getByRole('list', { name: 'Rooms' }).locator('> li')
  await expect(lanes).toHaveCount(24)
  await drawer.getByLabel('Groups are').selectOption('made now')
  await drawer.getByLabel('People each').fill('2')
  await drawer.getByRole('button', { name: /^(Make groups|Reshuffle)$/ }).tap()
  await expect(page.getByRole('list', { name: 'Rooms' }).locator('.lane-name')).toHaveCount(48)
  for (const lane of [lanes.first(), lanes.nth(11), lanes.last()])
    await expect(lane.locator('.lane-name')).toHaveCount(2)
  await expect(lanes.last()).toHaveAccessibleName('Crew X')
  expect(people.every(each => each.view?.whereabouts.where === 'whole')).toBe(true)
  await sendOut(page)
  await Promise.all(people.map(each => each.until(view => view.whereabouts.where === 'room')))

  // Whoever comes late is given the smallest room, and asked to go there.
  await page.getByRole('button', { name: 'How people go' }).tap()
  await page.getByLabel('Who comes late').selectOption('into the smallest room')
  await page.getByLabel('How people go into rooms').selectOption('invited to go')
  const own = await phone()
  await joinByName(own, server, code, 'Late Lin')
  await own.getByRole('button', { name: /^Go to Crew/ }).click()
  await expect(own.getByRole('heading', { level: 1 })).toHaveText(/^Crew [A-X]$/)
  const joined = (await own.getByRole('heading', { level: 1 }).textContent()) ?? ''
  const lane = (name: string) => page.getByRole('listitem', { name, exact: true })
  // With so many rooms one that needs nobody is a line; who is in it stands in its drawer.
  await lane(joined).getByRole('button', { name: joined, exact: true }).tap()
  const inRoom = page.getByRole('list', { name: 'In this room' })
  await expect(inRoom.getByRole('listitem')).toHaveCount(3)
  await expect(inRoom).toContainText('Late Lin')

  // One room, the next, and back: whoever is listened to is told, and the one before is told of the end.
  const visitOf = (name: string) =>
    people.filter(each => each.view?.whereabouts.where === 'room' && each.view.whereabouts.name === name)[0]
  for (const name of ['Crew B', 'Crew C', 'Crew B']) {
    await lane(name).getByRole('button', { name, exact: true }).tap()
    const room = page.getByRole('complementary', { name: `Room ${name}` })
    await room.getByRole('button', { name: 'Visit', exact: true }).tap()
    await visitOf(name)?.until(view => view.visits.length === 1)
    const other = name === 'Crew B' ? 'Crew C' : 'Crew B'
    await visitOf(other)?.until(view => view.visits.length === 0)
  }
  await expectAccessible(page)

  // All in a grid; a room is one tap away.
  await page.getByRole('button', { name: 'Wall' }).tap()
  const tile = (room: RegExp) => page.getByRole('list', { name: 'Rooms' }).getByRole('button', { name: room })
  await expect(tile(/^Crew/)).toHaveCount(24)
  await tile(/^Crew D/).tap()
  const opened = page.getByRole('complementary', { name: 'Room Crew D' })
  await opened.getByRole('button', { name: 'Close' }).tap()
  await page.getByRole('button', { name: 'Wall' }).tap()

  // Something is said to all by fingers alone.
  await page.getByLabel('Broadcast to all').fill('Half time')
  await page.getByRole('button', { name: 'Broadcast', exact: true }).tap()
  await people[47]?.until(view => view.messages.at(-1)?.text === 'Half time')
  await expectAccessible(page)

  // Five more minutes for all; then it ends early.
  const before = people[0]?.view?.clock?.endsAt ?? Number.NaN
  await page.getByRole('button', { name: '5 min', exact: true }).tap()
  await people[47]?.until(view => view.clock?.endsAt === before + 300_000)
  await page.getByRole('button', { name: 'Call back' }).tap()
  await passGrace(page, server)
  await expect(own.getByRole('heading', { level: 1, name: 'Whole group' })).toBeVisible()
  expect(people.every(each => each.view?.whereabouts.where === 'whole')).toBe(true)
})
