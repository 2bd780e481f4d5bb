import type { Page } from '@playwright/test'
import {
  expect,
  expectAccessible,
  joinOnPhone,
  openPlanned,
  openToAll,
  planOneRound,
  putInRoom,
  sendOut,
  signIn,
  simulated,
  switchWaitingList,
  test,
} from './fixtures'

/** Notes every line to another browser, for `received` to ask. */
const noteLines = () => {
  const lines: RTCPeerConnection[] = []
  const Own = window.RTCPeerConnection
  Object.assign(window, { lines })
  window.RTCPeerConnection = class extends Own {
    constructor(configuration?: RTCConfiguration) {
      super(configuration)
      lines.push(this)
    }
  }
}

/** Notes every line to the call's server, for `cut` to break. */
const noteCalls = () => {
  const calls: WebSocket[] = []
  const Own = window.WebSocket
  Object.assign(window, { calls })
  window.WebSocket = class extends Own {
    constructor(url: string | URL, protocols?: string | string[]) {
      super(url, protocols)
      if (String(url).includes('/calls/')) calls.push(this)
    }
  }
}
const cut = (page: Page) =>
  page.evaluate(() => (window as unknown as { calls: WebSocket[] }).calls.at(-1)?.close(3001))

/** How many of the others' lines stand, and what has come over them: sound that can be heard, and pictures that were put together. */
const received = (page: Page) =>
  page.evaluate(async () => {
    const { lines } = window as unknown as { lines: RTCPeerConnection[] }
    const open = lines.filter(each => each.connectionState === 'connected')
    const reports = await Promise.all(open.map(async each => [...(await each.getStats()).values()]))
    const coming = reports.flat().filter(each => each.type === 'inbound-rtp')
    const sum = (what: string) => coming.reduce((all, each) => all + (Number(each[what]) || 0), 0)
    return { lines: open.length, sound: sum('totalAudioEnergy') > 0, pictures: sum('framesDecoded') > 0 }
  })

test('four in a room hear and see each other from browser to browser; a facilitator listens while they visit, and switches microphones off', async ({
  server,
  facilitator: page,
  newPage,
  phone,
}) => {
  // How rooms talk aloud is planned, and stands so from the opening on.
  await planOneRound(page)
  await page.getByLabel('Rooms talk aloud').selectOption('from browser to browser')
  await page.getByLabel('Who writes in rooms').selectOption('write in turns')
  await page.getByLabel('Tobias Ferrand').selectOption('keeps the clock and the doors')
  await page.getByLabel('Who looks after room 1').selectOption('with Tobias Ferrand')
  await page.getByRole('button', { name: 'Save the plan' }).click()
  await expect(page.getByText('Saved.', { exact: true })).toBeVisible()
  await expectAccessible(page)
  const { code } = await openPlanned(page)
  await switchWaitingList(page)
  await expect(page.getByLabel('Who writes in rooms')).toHaveValue('turn')
  const tobias = await newPage()
  await signIn(tobias, server, 1)
  await tobias.goto(page.url())
  await expect(
    tobias.getByText(/^You keep the clock and the doors.*Yours to look after: Water clarity\.$/),
  ).toBeVisible()
  await tobias.close()
  const names = ['Edda', 'Chi', 'Kaveh', 'Bram O.']
  const people: Page[] = []
  for (const name of names) {
    const each = await phone()
    await each.addInitScript(noteLines)
    await each.addInitScript(noteCalls)
    await joinOnPhone(each, server, code, name)
    people.push(each)
  }
  const [edda, chi, kaveh, bram] = people as [Page, Page, Page, Page]
  const [ana] = await simulated(server, code, ['Ana Per.'])
  await expect(page.getByLabel('Rooms talk aloud')).toHaveValue('direct')
  await sendOut(page)
  const itsName = (await edda.getByRole('heading', { level: 1 }).textContent()) ?? ''
  for (const name of names.slice(1)) await putInRoom(page, name, itsName)

  // Each comes in by themselves, and gives nothing.
  for (const each of people) await each.getByRole('button', { name: 'Join the call of your room' }).click()
  const inCall = (each: Page) => each.getByRole('list', { name: 'In the call' }).getByRole('listitem')
  for (const each of people) {
    await expect(inCall(each)).toHaveCount(4)
    await expect(each.getByLabel('Microphone off')).toHaveCount(4)
    await expect.poll(() => received(each)).toEqual({ lines: 3, sound: false, pictures: false })
  }

  // Switched on, a microphone is heard by all, and it is seen who speaks; a camera is seen.
  await edda.getByRole('button', { name: 'Switch microphone on' }).click()
  await expect(inCall(chi).filter({ hasText: 'Edda' })).toContainText('speaks')
  for (const each of [chi, kaveh, bram])
    await expect.poll(() => received(each)).toEqual({ lines: 3, sound: true, pictures: false })
  await chi.getByRole('button', { name: 'Switch camera on' }).click()
  for (const each of [edda, kaveh, bram]) {
    await expect.poll(async () => (await received(each)).pictures).toBe(true)
    await expect(each.getByLabel('The camera of Chi')).toBeVisible()
  }
  await expect
    .poll(() =>
      bram.getByLabel('The camera of Chi').evaluate(video => (video as HTMLVideoElement).videoWidth),
    )
    .toBeGreaterThan(0)
  await expectAccessible(edda)

  // A line that breaks says so, and comes back by itself with what was given; the others have them back as they were.
  const down = chi.getByText('The line to the call is down; it comes back by itself.')
  await Promise.all([expect(down).toBeVisible(), cut(chi)])
  await expect(down).toHaveCount(0)
  await expect(chi.getByRole('button', { name: 'Switch camera off' })).toBeVisible()
  for (const each of people) await expect(inCall(each)).toHaveCount(4)
  for (const each of [edda, kaveh, bram]) {
    await expect.poll(() => received(each)).toEqual({ lines: 3, sound: each !== edda, pictures: true })
    await expect(each.getByLabel('The camera of Chi')).toBeVisible()
  }

  // A facilitator counts them, sees how evenly they speak, and hears them only while they visit, which all see.
  await page.getByRole('button', { name: itsName, exact: true }).click()
  const room = page.getByRole('complementary', { name: `Room ${itsName}` })
  const call = room.getByRole('region', { name: 'Call of this room' })
  await expect(call).toContainText('Call: 4 in it')
  await expect(call).toContainText('Visit the room to hear it.')
  await expect(call.getByRole('list', { name: 'Spoken in this round' })).toContainText('Edda')
  await expect(call.getByRole('button', { name: 'Listen in' })).toHaveCount(0)
  await room.getByRole('button', { name: 'Visit', exact: true }).click()
  await call.getByRole('button', { name: 'Listen in' }).click()
  await expect(inCall(edda)).toHaveCount(5)
  await expect(inCall(edda).filter({ hasText: 'Marit Solheim (facilitator)' })).toBeVisible()
  await expect(inCall(page)).toHaveCount(5)
  await expectAccessible(page)

  // All microphones of the room off, and on again only by who has them.
  await call.getByText('Microphones of this room switched off').click()
  await expect(edda.getByText('The facilitator has switched the microphones of this room off.')).toBeVisible()
  await expect(edda.getByRole('button', { name: 'Switch microphone on' })).toBeDisabled()
  await expect(call.getByRole('button', { name: 'Switch microphone on' })).toBeEnabled()
  await expect(inCall(chi).filter({ hasText: 'Edda' })).not.toContainText('speaks')
  await call.getByText('Microphones of this room switched off').click()
  await expect(edda.getByRole('button', { name: 'Switch microphone on' })).toBeEnabled()
  await expect(chi.getByLabel('Microphone off')).toHaveCount(5)

  // The visit over, the facilitator is out of the call; whoever goes to another room is in that one's, once they come in.
  await room.getByRole('button', { name: 'Leave the room' }).click()
  await expect(inCall(edda)).toHaveCount(4)
  const other = ana?.view?.whereabouts.where === 'room' ? ana.view.whereabouts.name : ''
  await putInRoom(page, 'Chi', other)
  await expect(inCall(edda)).toHaveCount(3)
  await chi.getByRole('button', { name: 'Join the call of your room' }).click()
  await expect(inCall(chi)).toHaveCount(1)
  await expect.poll(async () => (await received(chi)).lines).toBe(0)

  // Whoever leaves the call is out of it for all.
  await kaveh.getByRole('button', { name: 'Leave the call' }).click()
  await expect(inCall(edda)).toHaveCount(2)

  // Opened without HTTPS, a page says why it can give nothing, and hears all the same.
  const farouk = await phone()
  await farouk.addInitScript(noteLines)
  const plain = { address: server.address.replace('localhost', 'plain.example') }
  await joinOnPhone(farouk, plain, code, 'Farouk B.')
  await putInRoom(page, 'Farouk B.', itsName)
  await farouk.getByRole('button', { name: 'Join the call of your room' }).click()
  await edda.getByRole('button', { name: 'Switch microphone on' }).click()
  await expect.poll(async () => (await received(farouk)).sound).toBe(true)
  await farouk.getByRole('button', { name: 'Switch microphone on' }).click()
  await expect(
    farouk.getByText('Browsers give a microphone only to pages that were opened with'),
  ).toBeVisible()
  await expect(farouk.getByRole('button', { name: 'Switch microphone on' })).toBeEnabled()
})

test('in a simulated call everything can be tried: who speaks, cameras, a screen', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const code = await openToAll(page)
  const [edda, chi] = [await phone(), await phone()]
  await joinOnPhone(edda, server, code, 'Edda')
  await joinOnPhone(chi, server, code, 'Chi')
  await sendOut(page)
  const itsName = (await edda.getByRole('heading', { level: 1 }).textContent()) ?? ''
  await putInRoom(page, 'Chi', itsName)
  // Chosen while groups are out, it is there at once.
  await page.getByLabel('Rooms talk aloud').selectOption('in a simulated call')
  for (const each of [edda, chi])
    await each.getByRole('button', { name: 'Join the call of your room' }).click()
  const inCall = (each: Page) => each.getByRole('list', { name: 'In the call' }).getByRole('listitem')
  await edda.getByRole('button', { name: 'Switch microphone on' }).click()
  await edda.getByRole('button', { name: 'Switch camera on' }).click()
  await edda.getByRole('button', { name: 'Show your screen' }).click()
  await expect(inCall(chi).filter({ hasText: 'Edda' })).toContainText('speaks')
  await expect(chi.getByRole('img', { name: 'The camera of Edda' })).toBeVisible()
  await expect(chi.getByRole('img', { name: 'The screen of Edda' })).toBeVisible()
  await expectAccessible(chi)

  // Off in all rooms in one move, and let on again.
  await page.getByRole('button', { name: 'All microphones off' }).click()
  await expect(edda.getByText('The facilitator has switched the microphones of this room off.')).toBeVisible()
  await expect(inCall(chi).filter({ hasText: 'Edda' })).not.toContainText('speaks')
  await page.getByRole('button', { name: 'Let all rooms switch microphones on' }).click()
  await expect(edda.getByRole('button', { name: 'Switch microphone on' })).toBeEnabled()

  // Taken away, people are out of it, and say so to nobody but themselves.
  await page.getByLabel('Rooms talk aloud').selectOption('by the links of rooms')
  await expect(chi.getByRole('list', { name: 'In the call' })).toHaveCount(0)
  await expect(chi.getByText('call of your room')).toHaveCount(0)
})
