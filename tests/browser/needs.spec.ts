import type { SimulatedParticipant } from '~/demo/simulated-participant'
import {
  expect,
  expectAccessible,
  makeBoard,
  openWithBoard,
  sendOut,
  signIn,
  simulated,
  switchWaitingList,
  test,
} from './fixtures'

const MINUTE = 60_000

const OUTLINE = 'By the water\n\n1. Look first.\n\n- First?\n- Second?\n- Third?\n'

const ROOMS = {
  'Water clarity': ['Chi', 'Noor A.', 'Roz'],
  'Pond life': ['Bram O.', 'Kaveh', 'Ulla H.'],
  'Reeds and rushes': ['Greta L.', 'Inês C.', 'Quirin S.'],
  'Birds by ear': ['Ana Per.', 'Jürgen H.', 'Maël K.'],
}

test('who needs somebody next is said with its reason and what answers; the wall shows all boards, and keys go through them', async ({
  server,
  facilitator: page,
  newPage,
}) => {
  await makeBoard(page, server, OUTLINE)
  await page.goto(server.address)
  const { code, sessionId } = await openWithBoard(page, 'By the water')
  await switchWaitingList(page)
  const byRoom = new Map<string, SimulatedParticipant[]>()
  for (const [room, names] of Object.entries(ROOMS)) byRoom.set(room, await simulated(server, code, names))
  const people = [...byRoom.values()].flat()
  await sendOut(page)
  await Promise.all(people.map(each => each.until(view => view.board !== null)))
  await Promise.all(people.map(each => each.openBoard()))
  const prompts = people[0]?.view?.board?.prompts.map(({ id }) => id) ?? []
  expect(prompts).toHaveLength(3)

  // Three rooms write under all three; the fourth nothing.
  const [slow = '', ...busy] = ['Birds by ear', 'Water clarity', 'Pond life', 'Reeds and rushes']
  const write = (text: string) =>
    Promise.all(
      busy.flatMap(room =>
        (byRoom.get(room) ?? []).map((each, place) =>
          each.writeCard(prompts[place] ?? '', `${text} in ${room}`),
        ),
      ),
    )
  await write('Seen')
  const strip = page.getByRole('region', { name: 'Who needs you next' })
  await expect(strip.getByRole('button', { name: `${slow}: 3 prompts behind the others` })).toBeVisible()
  await server.moveClock(3 * MINUTE)
  // A page asks for the server's time when it is opened; only here does it leap.
  await page.reload()
  await write('Heard')
  const lane = page.getByRole('listitem', { name: slow, exact: true })
  await expect(lane).toContainText('nothing written for 3 min')

  // What counts can be switched off, reason by reason, and stays so.
  await strip.getByRole('button', { name: 'What counts' }).click()
  await strip.getByRole('checkbox', { name: 'Prompts behind the others' }).uncheck({ force: true })
  await expect(lane).not.toContainText('behind')
  await page.reload()
  await expect(lane).toContainText('nothing written for 3 min')
  await expect(lane).not.toContainText('behind')

  // Rooms by need: the silent one, until another calls; nothing moves while a hand is among them.
  const order = page.getByRole('combobox', { name: 'Rooms by' })
  await order.selectOption('need')
  const first = page.getByRole('list', { name: 'Rooms' }).locator('> li').first()
  await expect(first).toHaveAccessibleName(slow)
  const [caller] = byRoom.get('Pond life') ?? []
  await caller?.ask({ type: 'call-help' })
  await expect(first).toHaveAccessibleName('Pond life')
  await expect(strip.getByRole('button').first()).toContainText('Pond life: calls for help')

  // One press answers the reason: the room is visited, and told so.
  await lane.getByRole('button', { name: `Visit: ${slow}` }).click()
  const drawer = (room: string) => page.getByRole('complementary', { name: `Room ${room}` })
  await byRoom.get(slow)?.[0]?.until(view => view.visits.length === 1)
  await expect(drawer(slow).getByRole('list', { name: 'In this room' })).toContainText('Maël K.')

  // From an open room arrow keys go on to the next, and one key to the one that needs somebody most.
  await page.keyboard.press('r')
  await expect(drawer('Pond life').getByRole('heading', { name: 'Pond life' })).toBeFocused()
  await expect(drawer('Pond life').getByRole('list', { name: 'In this room' })).toContainText('at 1')
  await page.keyboard.press('ArrowRight')
  await expect(drawer(slow)).toBeVisible()
  await page.keyboard.press('ArrowLeft')
  await expect(drawer('Pond life')).toBeVisible()
  await page.keyboard.press('Escape')

  // The wall: how much stands where, what is new, who is there.
  await page.getByRole('heading', { level: 1 }).click()
  await page.keyboard.press('w')
  const tile = (room: string) =>
    page.getByRole('list', { name: 'Rooms' }).getByRole('button', { name: new RegExp(room) })
  await expect(tile('Water clarity')).toHaveAccessibleName(/prompt 1: 2 just now Heard in Water clarity Chi/)
  await expect(tile(slow)).toHaveAccessibleName(/prompt 1: 0/)
  await expectAccessible(page)
  await order.selectOption('rooms')
  await tile('Water clarity').focus()
  await page.keyboard.press('ArrowRight')
  await expect(tile('Pond life')).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(drawer('Pond life').getByText('Heard in Pond life').first()).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(tile('Pond life')).toBeFocused()

  // Somebody is found by name from anywhere, and their room is one key away.
  await page.getByRole('heading', { level: 1 }).click()
  await page.keyboard.press('/')
  const everybody = page.getByRole('complementary', { name: 'Where everybody is' })
  await expect(everybody).toContainText('12 in rooms')
  await page.keyboard.type('kav')
  await expect(everybody.getByRole('list', { name: 'People' }).getByRole('listitem')).toHaveText([
    /Kaveh.*Pond life, wrote last at prompt 2.*computer/,
  ])
  await expectAccessible(page)
  await page.keyboard.press('Enter')
  await expect(drawer('Pond life')).toBeVisible()
  await page.keyboard.press('Escape')

  // The same prompt of all rooms, as it is being written.
  await page.getByRole('combobox', { name: 'On the wall' }).selectOption({ label: 'Second?' })
  await expect(page.getByRole('article', { name: 'Water clarity' })).toContainText('Heard in Water clarity')
  await expect(page.getByText('3 rooms have not written yet.')).toBeVisible()
  await byRoom.get(slow)?.[0]?.writeCard(prompts[1] ?? '', 'Late but here')
  await expect(page.getByRole('article', { name: slow })).toContainText('Late but here')

  // With a phone in the hand rooms stand by need without being asked, and fit it.
  const phone = await newPage({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  await signIn(phone, server)
  await phone.goto(`${server.address}/sessions/${sessionId}/live`)
  await expect(phone.getByRole('list', { name: 'Rooms' }).locator('> li').first()).toHaveAccessibleName(
    'Pond life',
  )
  await expectAccessible(phone)
  for (const each of people) each.leave()
})
