import { once } from 'node:events'
import { mkdtemp, readdir, rm } from 'node:fs/promises'
import { request as ask, createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { eq } from 'drizzle-orm'
import express from 'express'
import { pino } from 'pino'
import sharp from 'sharp'
import { runningServer } from 'tests/fixtures/running'
import type { Board } from '~/core/boards/board'
import { writeAccountToken, writePlaceToken } from '../auth/cookies.server'
import { newSignIn } from '../auth/sign-ins.server'
import { files, participants } from '../db/schema.server'
import { addCopyPicture } from '../material/copy-pictures.server'
import { FileFolder } from '../material/file-folder.server'
import { addFile, listMaterial, removeUnused } from '../material/material.server'
import { Uploads } from '../material/uploads.server'
import type { Services } from '../services.server'
import { newToken, tokenHash } from '../tokens.server'
import { boundedBodies } from './bodies.server'
import { materialRoutes } from './material-routes.server'
import { soundRequests } from './sound-requests.server'

let running: Awaited<ReturnType<typeof runningServer>>
let data: string
let folder: FileFolder
let uploads: Uploads
let server: Server
let base: string
let signedIn: string

beforeAll(async () => {
  running = await runningServer()
  data = await mkdtemp(join(tmpdir(), 'uploads-'))
  folder = new FileFolder(data)
  await folder.start()
  const { db, hub, by } = running
  uploads = new Uploads(db, folder, pino({ enabled: false }))
  const services = { db, hub, folder, settings: { publicAddress: null } } as unknown as Services
  const app = express()
  app.use(soundRequests, boundedBodies, materialRoutes(services, uploads))
  server = createServer(app)
  await once(server.listen(0), 'listening')
  base = `http://localhost:${(server.address() as AddressInfo).port}`
  signedIn = pairOf(await writeAccountToken(await newSignIn(db, by.id, 'a browser'), false))
})
afterAll(async () => {
  server.closeAllConnections()
  server.close()
  uploads.stop()
  await running.stop()
  await rm(data, { recursive: true })
})

const pairOf = (cookie: string) => cookie.split(';')[0] ?? ''
const TUS = { 'Tus-Resumable': '1.0.0' }
const origin = () => ({ Origin: base, Cookie: signedIn })
const nameOf = (name: string) => `filename ${Buffer.from(name).toString('base64')}`
const begin = (bytes: number, headers: Record<string, string> = origin(), name = 'pond.png') =>
  fetch(`${base}/material/uploads`, {
    method: 'POST',
    headers: { ...TUS, 'Upload-Length': String(bytes), 'Upload-Metadata': nameOf(name), ...headers },
  })
const piece = (where: string, offset: number, body: Uint8Array<ArrayBuffer>) =>
  fetch(new URL(where, base), {
    method: 'PATCH',
    headers: {
      ...TUS,
      ...origin(),
      'Upload-Offset': String(offset),
      'Content-Type': 'application/offset+octet-stream',
    },
    body,
  })
const offsetOf = async (where: string) =>
  Number(
    (await fetch(new URL(where, base), { method: 'HEAD', headers: { ...TUS, ...origin() } })).headers.get(
      'Upload-Offset',
    ),
  )
async function picture(noise = 40) {
  const made = await sharp({
    create: {
      width: 300,
      height: 200,
      channels: 3,
      background: 'green',
      noise: { type: 'gaussian', mean: 120, sigma: noise },
    },
  })
    .png()
    .toBuffer()
  return new Uint8Array(made)
}

test('only who is signed in sends files, and only from our own pages', async () => {
  expect((await begin(10, { Origin: base })).status).toBe(401)
  expect((await begin(10, { Cookie: signedIn, Origin: 'https://elsewhere.example' })).status).toBe(403)
  expect(await readdir(join(data, 'uploads'))).toEqual([])
})

test('what is empty or larger than anything that is taken in is refused before any of it comes', async () => {
  expect((await begin(0)).status).toBe(422)
  expect((await begin(301 * 1024 * 1024)).status).toBe(413)
  expect(await readdir(join(data, 'uploads'))).toEqual([])
})

test('a piece larger than pieces are is not read', async () => {
  const where = (await begin(9_000_000)).headers.get('Location') ?? ''
  expect((await piece(where, 0, new Uint8Array(6_000_000))).status).toBe(413)
  expect(await offsetOf(where)).toBe(0)
})

test('a line that breaks at 99 % costs only what was under way: the rest follows, and the file is there once', async () => {
  const file = await picture()
  const created = await begin(file.length)
  expect(created.status).toBe(201)
  const where = created.headers.get('Location') ?? ''
  expect(where).toMatch(/^\/material\/uploads\/\w+$/)
  const first = Math.floor(file.length / 2)
  expect((await piece(where, 0, file.slice(0, first))).status).toBe(204)
  // A second piece whose line breaks near its end.
  const { port } = server.address() as AddressInfo
  const broken = ask({
    port,
    path: where,
    method: 'PATCH',
    headers: {
      ...TUS,
      ...origin(),
      'Upload-Offset': first,
      'Content-Type': 'application/offset+octet-stream',
      'Content-Length': file.length - first,
    },
  })
  broken.on('error', () => undefined)
  broken.write(file.slice(first, Math.floor(file.length * 0.99)))
  await new Promise(resolve => setTimeout(resolve, 300))
  broken.destroy()
  await new Promise(resolve => setTimeout(resolve, 300))
  expect(await listMaterial(running.db)).toEqual([])
  const come = await offsetOf(where)
  expect(come).toBeGreaterThanOrEqual(first)
  expect(come).toBeLessThan(file.length)
  const last = await piece(where, come, file.slice(come))
  expect([last.status, Object.keys(await last.json())]).toEqual([200, ['id']])
  const [only] = await listMaterial(running.db)
  expect(only).toMatchObject({ title: 'pond', kind: 'picture', addedBy: running.by.displayName })
  // Of what was on its way nothing is left but the upload of the test before.
  expect((await readdir(join(data, 'uploads'))).filter(name => where.endsWith(name))).toEqual([])
})

test('what is not what its name says is refused in words, and nothing is left of it', async () => {
  const file = new TextEncoder().encode('<!doctype html><script>alert(1)</script>')
  const where = (await begin(file.length, origin(), 'good.png')).headers.get('Location') ?? ''
  const answer = await piece(where, 0, file)
  expect([answer.status, await answer.text()]).toEqual([
    422,
    expect.stringContaining('none of what is taken in'),
  ])
  expect((await readdir(join(data, 'uploads'))).filter(name => where.includes(name))).toEqual([])
  expect(await listMaterial(running.db)).toHaveLength(1)
})

test('a disk without room is said to be so, before anything comes', async () => {
  const room = folder.hasRoomFor
  folder.hasRoomFor = async () => false
  const answer = await begin(1_000)
  folder.hasRoomFor = room
  expect([answer.status, await answer.text()]).toEqual([507, expect.stringContaining('no room left')])
})

describe('what is kept', () => {
  let hash: string
  let pdf: string
  beforeAll(async () => {
    const { db, hub, sessionId } = running
    const write = async (name: string, content: Uint8Array) => {
      const path = join(data, 'uploads', name)
      await import('node:fs/promises').then(({ writeFile }) => writeFile(path, content))
      await addFile(db, folder, { path, name, by: '' })
      const [newest] = await listMaterial(db)
      return newest?.file?.hash ?? ''
    }
    hash = await write('a.png', await picture(20))
    pdf = await write('b.pdf', new TextEncoder().encode(`%PDF-1.4\n${'x'.repeat(5_000)}\n%%EOF`))
    await hub.state(sessionId)
  })
  const get = (path: string, cookie: string, headers: Record<string, string> = {}) =>
    fetch(`${base}${path}`, { headers: { Cookie: cookie, ...headers } })

  test('goes to facilitators, as what it is, and can never run as a page of ours', async () => {
    const answer = await get(`/files/${hash}/480.webp`, signedIn)
    expect(answer.status).toBe(200)
    expect(Object.fromEntries(answer.headers)).toMatchObject({
      'content-type': 'image/webp',
      'content-security-policy': "default-src 'none'; sandbox",
      'x-content-type-options': 'nosniff',
      'cross-origin-resource-policy': 'same-origin',
      'cache-control': expect.stringContaining('private'),
    })
    expect((await get(`/files/${pdf}/whole`, signedIn)).headers.get('content-disposition')).toMatch(
      /^attachment/,
    )
  })

  test('is answered in ranges', async () => {
    const answer = await get(`/files/${pdf}/whole`, signedIn, { Range: 'bytes=10-19' })
    expect([answer.status, answer.headers.get('content-range'), await answer.text()]).toEqual([
      206,
      expect.stringMatching(/^bytes 10-19\/50\d\d$/),
      'xxxxxxxxxx',
    ])
    expect((await get(`/files/${pdf}/whole`, signedIn, { Range: 'bytes=900000-' })).status).toBe(416)
  })

  test.each([
    ['nobody', (one: string) => `/files/${one}/480.webp`, ''],
    ['another name', (one: string) => `/files/${one}/original.png`, null],
    ['a file of a picture', (one: string) => `/files/${one}/whole`, null],
    ['a way out of the folder', () => `/files/${'..%2f'.repeat(4)}etc/480.webp`, null],
    ['a hash of nothing', () => `/files/${'0'.repeat(64)}/480.webp`, null],
  ])('%s gets nothing', async (_who, path, cookie) => {
    expect((await get(path(hash), cookie ?? signedIn)).status).toBe(404)
  })

  test('goes to a participant while it stands on a board that they see, and to nobody else', async () => {
    const { db, hub, sessionId, facilitator } = running
    const participantId = await running.join(0)
    const token = newToken()
    await db
      .update(participants)
      .set({ tokenHash: tokenHash(token) })
      .where(eq(participants.id, participantId))
    const cookie = pairOf(await writePlaceToken(token, sessionId, false))
    const path = `/s/${sessionId}/files/${hash}/480.webp`
    expect((await get(path, cookie)).status).toBe(404)
    const state = await hub.state(sessionId)
    // As if the session had been opened with a picture on its board.
    const [board] = state.boards as Board[]
    board?.prompts.push({
      id: 'pic',
      kind: 'pictures',
      text: 'Look',
      settings: { pictures: [{ file: hash, title: 'A' }] },
    } as never)
    const roomId = state.rooms[0]?.id ?? ''
    await hub.command(sessionId, facilitator, { type: 'place', participantId, roomId })
    expect((await get(path, cookie)).status).toBe(404)
    await hub.command(sessionId, facilitator, { type: 'send-out', seconds: 600 })
    expect((await get(path, cookie)).status).toBe(200)
    expect((await get(path, '')).status).toBe(404)
    expect((await get(`/s/other/files/${hash}/480.webp`, cookie)).status).toBe(404)
    expect((await get(`/files/${hash}/480.webp`, cookie)).status).toBe(404)
    expect((await begin(10, { Cookie: cookie, Origin: base })).status).toBe(401)
    const [mine] = await db.select().from(participants).where(eq(participants.id, participantId))
    const own = `/mine/${mine?.reviewToken}/files`
    expect((await get(`${own}/${hash}/480.webp`, '')).status).toBe(200)
    expect((await get(`${own}/${pdf}/whole`, '')).status).toBe(404)
    expect((await get(`/mine/made-up/files/${hash}/480.webp`, '')).status).toBe(404)
    expect((await get(`/s/${sessionId}/files/${pdf}/whole`, cookie)).status).toBe(404)
    // Given to the room beside the board, and taken back.
    const thing = { is: 'pdf' as const, title: 'Tides', file: pdf, width: null, height: null }
    const give = { type: 'give-material' as const, thing, roomIds: [roomId], givenId: 'g' }
    await hub.command(sessionId, facilitator, give)
    expect((await get(`/s/${sessionId}/files/${pdf}/whole`, cookie)).status).toBe(200)
    await hub.command(sessionId, facilitator, { type: 'take-material-back', givenId: 'g' })
    expect((await get(`/s/${sessionId}/files/${pdf}/whole`, cookie)).status).toBe(404)
    // Said with a broadcast to the room: read by those it was said to, while they are there.
    const broadcast = { type: 'broadcast-material' as const, text: 'Read this.', thing, messageId: 'm' }
    await hub.command(sessionId, facilitator, { ...broadcast, roomIds: [roomId] })
    expect((await get(`/s/${sessionId}/files/${pdf}/whole`, cookie)).status).toBe(200)
    await hub.command(sessionId, facilitator, { type: 'place', participantId, roomId: null })
    expect((await get(`/s/${sessionId}/files/${pdf}/whole`, cookie)).status).toBe(404)
    expect((await get(path, cookie)).status).toBe(404)
    const onPages = { type: 'put-up' as const, roomId, promptId: 'pic', onPages: true }
    await hub.command(sessionId, facilitator, onPages)
    expect((await get(path, cookie)).status).toBe(200)
    // With captions, they go to the same readers.
    await db.update(files).set({ captions: 'WEBVTT' }).where(eq(files.hash, hash))
    expect((await get(`/s/${sessionId}/files/${hash}/captions.vtt`, cookie)).status).toBe(200)
    const captions = await get(`/files/${hash}/captions.vtt`, signedIn)
    expect([captions.status, captions.headers.get('content-type'), await captions.text()]).toEqual([
      200,
      'text/vtt; charset=utf-8',
      'WEBVTT',
    ])
    expect((await get(`/files/${pdf}/captions.vtt`, signedIn)).status).toBe(404)
    expect((await get(`/files/${hash}/captions.vtt`, '')).status).toBe(404)
    // Put up itself: read while it is on pages, and not while it is on the projector alone.
    const shown = { is: 'material' as const, thing }
    await hub.command(sessionId, facilitator, { type: 'put-up-material', thing: shown, onPages: false })
    expect((await get(`/s/${sessionId}/files/${pdf}/whole`, cookie)).status).toBe(404)
    await hub.command(sessionId, facilitator, { type: 'put-on-pages', onPages: true })
    expect((await get(`/s/${sessionId}/files/${pdf}/whole`, cookie)).status).toBe(200)
    expect((await get(path, cookie)).status).toBe(404)
    expect((await get(`/s/${sessionId}/files/${hash}/captions.vtt`, cookie)).status).toBe(404)
    await hub.command(sessionId, facilitator, { type: 'take-down' })
    expect((await get(`/s/${sessionId}/files/${pdf}/whole`, cookie)).status).toBe(404)
  })

  test('a picture that somebody in a room adds to its board is kept like any other, and goes to those who may read it', async () => {
    const { db, hub, sessionId, facilitator } = running
    const people = [await running.join(1), await running.join(2)]
    const cookies: string[] = []
    for (const participantId of people) {
      const token = newToken()
      await db
        .update(participants)
        .set({ tokenHash: tokenHash(token) })
        .where(eq(participants.id, participantId))
      cookies.push(pairOf(await writePlaceToken(token, sessionId, false)))
    }
    const [ana = '', bo = ''] = cookies
    const state = await hub.state(sessionId)
    const [board] = state.boards as Board[]
    board?.prompts.push({ id: 'own', kind: 'pictures', text: 'Yours', settings: { pictures: [], add: true } })
    const send = (
      body: Uint8Array<ArrayBuffer>,
      cookie: string,
      promptId = 'own',
      headers: Record<string, string> = {},
    ) =>
      fetch(`${base}/s/${sessionId}/pictures?promptId=${promptId}`, {
        method: 'POST',
        headers: { Cookie: cookie, Origin: base, 'Content-Type': 'application/octet-stream', ...headers },
        body,
      })
    const photo = await picture(33)
    // In no room, on no such prompt, from nowhere, from another site.
    expect((await send(photo, ana)).status).toBe(403)
    for (const [index, participantId] of people.entries())
      await hub.command(sessionId, facilitator, {
        type: 'place',
        participantId,
        roomId: state.rooms[index]?.id ?? '',
      })
    expect((await send(photo, ana, 'c')).status).toBe(403)
    expect((await send(photo, '')).status).toBe(401)
    expect((await send(photo, ana, 'own', { Origin: 'http://elsewhere.example' })).status).toBe(403)
    expect((await send(new Uint8Array(), ana)).status).toBe(422)
    const pdfBytes = new TextEncoder().encode(`%PDF-1.4\n${'x'.repeat(500)}\n%%EOF`)
    const refused = await send(pdfBytes, ana)
    expect([refused.status, await refused.text()]).toEqual([422, expect.stringMatching(/pictures \(JPEG/)])
    expect((await send(new Uint8Array(5 * 1024 * 1024 + 1), ana)).status).toBe(413)

    const [added, again] = await Promise.all([send(photo, ana), send(photo, ana)])
    expect([added.status, again.status]).toEqual([200, 200])
    const { file, width } = (await added.json()) as { file: string; width: number }
    expect([await again.json(), width]).toMatchObject([{ file }, 300])
    const path = `/s/${sessionId}/files/${file}/480.webp`
    expect((await get(path, ana)).status).toBe(200)
    expect((await get(path, bo)).status).toBe(404)
    // What is put up on everybody's page can be seen there, for as long as it is.
    const put = { type: 'put-up' as const, roomId: state.rooms[0]?.id ?? '', promptId: 'own' }
    for (const [onPages, seen] of [
      [false, 404],
      [true, 200],
      [false, 404],
    ] as const) {
      await hub.command(sessionId, facilitator, { ...put, onPages })
      expect([onPages, (await get(path, bo)).status]).toEqual([onPages, seen])
    }
    expect((await get(`/files/${file}/480.webp`, signedIn)).status).toBe(200)
    // It is nobody's of the library, and no room in the folder is given back while the board has it.
    expect((await listMaterial(db)).some(each => each.file?.hash === file)).toBe(false)
    expect((await removeUnused(db, folder)) >= 0 && (await folder.has(file))).toBe(true)
    // What was under way is gone.
    expect((await readdir(join(data, 'material'))).filter(name => name.startsWith('making-'))).toEqual([])
    const [mine] = await db
      .select()
      .from(participants)
      .where(eq(participants.id, people[0] ?? ''))
    expect((await get(`/mine/${mine?.reviewToken}/files/${file}/480.webp`, '')).status).toBe(200)
  })

  test('so many pictures of one person, and no more, also of those sent at once', async () => {
    const { db, hub, sessionId, facilitator } = running
    const participantId = await running.join(3)
    const room = (await hub.state(sessionId)).rooms[1]
    await hub.command(sessionId, facilitator, { type: 'place', participantId, roomId: room?.id ?? '' })
    const from = { copyId: room?.copyId ?? '', participantId }
    const one = (shade: number) => picture(100 + shade).then(bytes => Readable.from(Buffer.from(bytes)))
    for (let count = 0; count < 18; count++) await addCopyPicture(db, folder, from, await one(count))
    const atOnce = await Promise.allSettled(
      [18, 19, 20, 21].map(async shade => addCopyPicture(db, folder, from, await one(shade))),
    )
    expect(atOnce.filter(({ status }) => status === 'fulfilled')).toHaveLength(2)
    await expect(addCopyPicture(db, folder, from, await one(22))).rejects.toThrow(/no more are taken in/)
  })
})
