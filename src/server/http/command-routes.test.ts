import { once } from 'node:events'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import express from 'express'
import { pino } from 'pino'
import { runningServer } from 'tests/fixtures/running'
import { writeAccountToken, writePlaceToken } from '../auth/cookies.server'
import { newSignIn, signOut } from '../auth/sign-ins.server'
import { participants } from '../db/schema.server'
import { createLimits } from '../limits.server'
import { Doings } from '../live/doings.server'
import type { Services } from '../services.server'
import { newToken, tokenHash } from '../tokens.server'
import { boundedBodies } from './bodies.server'
import { commandRoutes } from './command-routes.server'
import { sendersFault, soundRequests } from './sound-requests.server'

let running: Awaited<ReturnType<typeof runningServer>>
let server: Server
let base: string
let signedIn: string
let ana: string

beforeAll(async () => {
  running = await runningServer()
  const { db, hub, by, answersApart, sessionId } = running
  const doings = new Doings(hub, pino({ enabled: false }))
  const settings = { publicAddress: null }
  const services = { db, hub, answersApart, doings, limits: createLimits(), settings }
  const app = express()
  app.use(soundRequests, boundedBodies, commandRoutes(services as unknown as Services), sendersFault)
  server = createServer(app)
  await once(server.listen(0), 'listening')
  base = `http://localhost:${(server.address() as AddressInfo).port}`
  signedIn = pairOf(await writeAccountToken(await newSignIn(db, by.id, 'a browser'), false))
  await running.join(0)
  const token = newToken()
  await db.update(participants).set({ tokenHash: tokenHash(token) })
  ana = pairOf(await writePlaceToken(token, sessionId, false))
})
afterAll(async () => {
  server.closeAllConnections()
  server.close()
  await running.stop()
})

const pairOf = (cookie: string) => cookie.split(';')[0] ?? ''
const facilitators = () => `/sessions/${running.sessionId}/commands`
const theirs = () => `/s/${running.sessionId}/commands`
async function send(path: string, cookie: string, body: unknown, headers: Record<string, string> = {}) {
  const answer = await fetch(base + path, {
    method: 'POST',
    redirect: 'manual',
    headers: { Cookie: cookie, 'Content-Type': 'application/json', ...headers },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  })
  const text = await answer.text()
  const said = text.startsWith('{') ? JSON.parse(text) : { text }
  return [answer.status, said.ok, said.problem?.code ?? said.message ?? said.text]
}
const state = () => running.hub.state(running.sessionId)

test('a facilitator asks by their sign-in, a participant by their place, and nobody by another’s', async () => {
  const { db, by } = running
  const out = await newSignIn(db, by.id, 'a browser')
  const signedOut = pairOf(await writeAccountToken(out, false))
  await signOut(db, out)
  const say = { type: 'broadcast', text: 'Two minutes' }
  for (const cookie of ['', ana, signedOut, 'round-table=ImFhYWEi'])
    expect(await send(facilitators(), cookie, say)).toEqual([
      401,
      false,
      'You are signed out. Sign in again.',
    ])
  expect((await state()).messages).toEqual([])
  expect(await send(facilitators(), signedIn, say)).toEqual([200, true, undefined])
  expect((await state()).messages).toMatchObject([{ text: 'Two minutes' }])

  const signal = { type: 'set-signal', signal: 'hand' }
  for (const cookie of ['', signedIn, ana.replace(running.sessionId, 'another')])
    expect((await send(theirs(), cookie, signal)).slice(0, 2)).toEqual([200, false])
  expect(await send(theirs(), ana, signal)).toEqual([200, true, undefined])
  // What only facilitators may ask for is not even read from a participant.
  expect(await send(theirs(), ana, { type: 'end' })).toEqual([400, false, 'not-allowed'])
})

test('what a facilitator is at is theirs to say, and only what it can be', async () => {
  const at = `/sessions/${running.sessionId}/doing`
  const looks = { roomId: null, says: true, makes: false }
  for (const cookie of ['', ana]) expect((await send(at, cookie, looks))[0]).toBe(401)
  expect(await send(at, signedIn, looks)).toEqual([200, true, undefined])
  for (const body of ['{"says":', { ...looks, name: 'Kim' }, { ...looks, roomId: 'x'.repeat(41) }, {}])
    expect(await send(at, signedIn, body)).toEqual([400, false, 'not-allowed'])
  expect((await send('/sessions/nowhere/doing', signedIn, looks))[0]).toBe(404)
  const elsewhere = { Origin: 'https://elsewhere.example' }
  expect((await send(at, signedIn, looks, elsewhere))[0]).toBe(403)
})

test('what is refused is said with why; what is no command, or of no session, is said to be so', async () => {
  expect(await send(facilitators(), signedIn, { type: 'call-back' })).toEqual([200, false, 'not-out'])
  for (const body of ['{"type":', '[]', '', '"end"', { type: 'unknown' }, { type: 'broadcast' }])
    expect(await send(facilitators(), signedIn, body)).toEqual([400, false, 'not-allowed'])
  const [status, ok, why] = await send('/sessions/nowhere/commands', signedIn, { type: 'end' })
  expect([status, ok]).toEqual([404, false])
  expect(why).toMatch(/^This session is not here/)
})

test('a body that is too large, packed, or sent from another site is not taken', async () => {
  const long = `{"type":"broadcast","text":"${'x'.repeat(200_000)}"}`
  expect((await send(facilitators(), signedIn, long))[0]).toBe(413)
  const packed = { 'Content-Encoding': 'gzip' }
  expect((await send(facilitators(), signedIn, { type: 'end' }, packed))[0]).toBe(415)
  const elsewhere = { Origin: 'https://elsewhere.example' }
  expect(await send(facilitators(), signedIn, { type: 'end' }, elsewhere)).toEqual([
    403,
    false,
    'This was sent from another site.',
  ])
  expect((await state()).phase).toBe('open')
})
