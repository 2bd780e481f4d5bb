import type { Page } from '@playwright/test'
import { pdf } from 'tests/fixtures/made-files'
import { expect, expectAccessible, joinByName, simulated, startNow, test } from '../fixtures'

const LINKS = ['https://talk.example/tower', 'https://talk.example/jetty']

test('two rooms as people like, each with a link of a call service; they go by themselves, the time ends it; a question said aloud is answered by letters and shown, and a document read page by page', async ({
  server,
  facilitator: page,
  phone,
}) => {
  await page.getByRole('link', { name: 'Material' }).click()
  const film = await filmed(page, 6)
  await page.getByLabel('Files to add').setInputFiles([
    { name: 'The two ways.pdf', mimeType: 'application/pdf', buffer: pdf('By the tower', 'By the jetty') },
    { name: 'The tide.mp4', mimeType: 'video/mp4', buffer: film },
  ])
  const material = page.getByRole('list', { name: 'Material' })
  await expect(material.getByText('The two ways')).toBeVisible()
  await expect(material.getByText('The tide')).toBeVisible()
  await page.getByRole('link', { name: 'Today' }).click()
  const code = await startNow(page)
  const own = await phone()
  await joinByName(own, server, code, 'Zofia')
  const [ada, bea] = await simulated(server, code, ['Ada', 'Bea'])

  // As they like: each chooses, and goes when asked.
  await page.getByRole('button', { name: 'Make groups' }).click()
  const drawer = page.getByRole('complementary', { name: 'Make groups' })
  await drawer.getByLabel('Groups are').selectOption('by choice of room')
  await drawer.getByLabel('Rooms, one on each line').fill('Tower\nJetty')
  await drawer.getByRole('button', { name: 'Open a choice' }).click()
  await own.getByRole('button', { name: 'Choose: Jetty' }).click()
  const rooms = (await ada?.until(view => view.roomsToChoose?.rooms.length === 2))?.roomsToChoose?.rooms ?? []
  for (const [who, room] of [
    [ada, rooms[0]],
    [bea, rooms[1]],
  ] as const)
    await who?.ask({ type: 'choose-room', roomId: room?.id ?? '' })
  await expect(page.getByText('3 of 3 have chosen a room.')).toBeVisible()
  await page.getByRole('button', { name: 'Close the choice' }).click()
  await drawer.getByRole('button', { name: 'Close', exact: true }).click()
  const lane = (name: string) => page.getByRole('listitem', { name, exact: true })
  for (const [index, name] of ['Tower', 'Jetty'].entries()) {
    await lane(name).getByRole('button', { name, exact: true }).click()
    const room = page.getByRole('complementary', { name: `Room ${name}` })
    await room.getByText(/^Name, link/).click()
    await room.getByLabel('Link of its call').fill(LINKS[index] ?? '')
    await room.getByRole('button', { name: 'Save' }).click()
    await room.getByRole('button', { name: 'Close', exact: true }).click()
  }
  await page.getByLabel('How people go into rooms').selectOption('invited to go')
  await page.getByLabel('Minutes').fill('15')
  await page.getByRole('button', { name: 'Send out', exact: true }).click()
  const anyway = page.getByRole('button', { name: 'Send out as it is' })
  await expect(anyway.or(page.getByRole('button', { name: 'Call back' })).first()).toBeVisible()
  if (await anyway.isVisible()) await anyway.click()
  await own.getByRole('button', { name: 'Go to Jetty' }).click()
  await expect(own.getByRole('link', { name: 'Join the call of your room' })).toHaveAttribute(
    'href',
    LINKS[1] ?? '',
  )
  await bea?.ask({ type: 'enter-room' })
  await expect(own.getByText('With Bea')).toBeVisible()

  // All rooms stand in view with the names beside them; where everybody is is seen, and each is heard in turn.
  await expect(page.getByText(/1 invited has not gone/)).toBeVisible()
  await page.getByRole('button', { name: 'Everybody', exact: true }).click()
  const everybody = page.getByRole('complementary', { name: 'Where everybody is' })
  await expect(everybody).toContainText('Zofia')
  await expect(everybody).toContainText('Jetty')
  await everybody.getByRole('button', { name: 'Close', exact: true }).click()
  await ada?.ask({ type: 'enter-room' })
  await expect(lane('Tower').getByRole('button', { name: 'Ada', exact: true })).toBeVisible()
  for (const name of ['Tower', 'Jetty', 'Tower']) await visit(page, name)
  await bea?.until(view => view.visits.length === 0)
  await ada?.until(view => view.visits.length === 1)
  await expectAccessible(page)

  // The time ends it.
  await server.moveClock(15 * 60_000 + 1_000)
  await expect(page.getByRole('button', { name: 'Go on as before' })).toBeVisible()
  await server.moveClock(61_000)
  await expect(own.getByRole('heading', { level: 1, name: 'Whole group' })).toBeVisible()

  // Said aloud, answered by letters, shown.
  await page.getByRole('button', { name: 'Ask a question' }).click()
  await page
    .getByRole('region', { name: 'Ask a question' })
    .getByRole('button', { name: /^A, B, C$/ })
    .click()
  await own.getByRole('region', { name: 'Question' }).getByRole('button', { name: 'B' }).click()
  const asked = (await ada?.until(view => view.question !== null))?.question?.id ?? ''
  for (const [who, answer] of [
    [ada, 1],
    [bea, 0],
  ] as const)
    await who?.ask({ type: 'answer-question', questionId: asked, answer })
  await expect(page.getByText('3 of 3 have answered.')).toBeVisible()
  const wall = await page.context().newPage()
  await wall.goto(page.url().replace(/\/live$/, '/projector'))
  await page.getByRole('button', { name: 'Put up the results' }).click()
  await expect(wall.getByRole('region', { name: 'Put up' }).getByRole('definition')).toHaveText([
    '1',
    '2',
    '0',
  ])
  await page.getByRole('button', { name: 'Close the question' }).click()

  // A document, page by page, on the wall and on every page.
  await page.getByRole('button', { name: 'Put up', exact: true }).click()
  const panel = page.getByRole('region', { name: 'Put something up' })
  await panel.getByRole('checkbox', { name: 'On every page too' }).check()
  await panel.getByLabel('Material of the library').selectOption({ label: 'The two ways (pdf)' })
  await expect(own.getByText('By the tower')).toBeAttached()
  await page.getByRole('button', { name: 'Next page' }).click()
  await expect(own.getByText('By the jetty')).toBeAttached()
  await expect(wall.getByText('By the jetty')).toBeAttached()

  // The clock was moved since the phone has asked for it.
  const heard = own.waitForResponse(answer => answer.url().endsWith('/clock'))
  await own.reload()
  await heard
  // A film that only the facilitator starts and stops: in step on the wall and on a phone, where nothing starts it.
  await page.getByRole('button', { name: 'Put up', exact: true }).click()
  await panel.getByLabel('Material of the library').selectOption({ label: 'The tide (video)' })
  const player = page.getByRole('region', { name: 'Show The tide' })
  const onPhone = own.getByRole('region', { name: 'Put up' })
  await expect(onPhone.locator('video')).toBeAttached()
  expect(await onPhone.locator('video').getAttribute('controls')).toBeNull()
  await expect(onPhone.getByRole('button', { name: /play|start/i })).toHaveCount(0)
  // Loaded on both first: it is a short one.
  for (const each of [own, wall])
    await expect
      .poll(() => each.locator('video').evaluate(video => (video as HTMLVideoElement).readyState))
      .toBeGreaterThanOrEqual(2)
  await player.getByRole('button', { name: 'Play it for all' }).click()
  await expect.poll(async () => (await standsAt(own)).at).toBeGreaterThan(0.2)
  await expect
    .poll(async () => {
      const [one, other] = await Promise.all([standsAt(own), standsAt(wall)])
      return Math.abs(one.at - other.at - (one.read - other.read) / 1000)
    })
    .toBeLessThan(0.3)
  await player.getByRole('button', { name: 'Stop it for all' }).click()
  await expect
    .poll(() => own.locator('video').evaluate(video => (video as HTMLVideoElement).paused))
    .toBe(true)
  for (const each of [ada, bea]) each?.leave()
})

/** Where the film stands on a page, in seconds, and the moment it was read at. */
const standsAt = (page: Page) =>
  page.locator('video').evaluate(video => ({ at: (video as HTMLVideoElement).currentTime, read: Date.now() }))

/** A film of so many seconds, as a browser records it (W3C, MediaStream Recording). */
async function filmed(page: Page, seconds: number): Promise<Buffer> {
  const bytes = await page.evaluate(async length => {
    const canvas = document.createElement('canvas')
    const paper = canvas.getContext('2d') as CanvasRenderingContext2D
    const recorder = new MediaRecorder(canvas.captureStream(10), { mimeType: 'video/mp4' })
    const parts: Blob[] = []
    recorder.ondataavailable = event => parts.push(event.data)
    const stopped = new Promise(resolve => {
      recorder.onstop = resolve
    })
    recorder.start()
    for (let frame = 0; frame < length * 10; frame++) {
      paper.fillStyle = `hsl(${frame * 6} 60% 50%)`
      paper.fillRect(0, 0, canvas.width, canvas.height)
      await new Promise(resolve => setTimeout(resolve, 100))
    }
    recorder.stop()
    await stopped
    return [...new Uint8Array(await new Blob(parts).arrayBuffer())]
  }, seconds)
  return Buffer.from(bytes)
}

async function visit(page: Page, name: string): Promise<void> {
  const room = page.getByRole('complementary', { name: `Room ${name}` })
  await page.getByRole('listitem', { name, exact: true }).getByRole('button', { name, exact: true }).click()
  await room.getByRole('button', { name: 'Visit', exact: true }).click()
  await expect(room.getByRole('button', { name: 'Join in' })).toBeVisible()
}
