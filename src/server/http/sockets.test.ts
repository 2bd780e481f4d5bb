import { once } from 'node:events'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { jest } from '@jest/globals'
import { pino } from 'pino'
import { runningServer } from 'tests/fixtures/running'
import { WebSocket } from 'ws'
import { CALL_CLOSED, type CallTold } from '~/contracts/call-told'
import { writeAccountToken, writePlaceToken } from '../auth/cookies.server'
import { newSignIn, signOut } from '../auth/sign-ins.server'
import { Calls } from '../call/calls.server'
import { participants } from '../db/schema.server'
import type { Services } from '../services.server'
import { newToken, tokenHash } from '../tokens.server'
import { pacesOf } from './paces.server'
import { acceptSocket } from './sockets.server'

let running: Awaited<ReturnType<typeof runningServer>>
let calls: Calls
let server: Server
let base: string
let signedIn: string
let token: string
let ana: string
let anaId: string
let roomId: string

beforeAll(async () => {
  running = await runningServer()
  const { db, hub, boards, by, sessionId, facilitator } = running
  calls = new Calls(hub, { servers: ['stun:here.example'], secret: null }, pino({ enabled: false }))
  const settings = { publicAddress: null }
  const services = { db, hub, boards, calls, paces: pacesOf(db), settings }
  server = createServer()
  server.on('upgrade', (request, socket, head) => {
    acceptSocket(services as unknown as Services, request, socket, head, 'here').catch(() => socket.destroy())
  })
  await once(server.listen(0), 'listening')
  base = `ws://localhost:${(server.address() as AddressInfo).port}`
  token = await newSignIn(db, by.id, 'a browser')
  signedIn = pairOf(await writeAccountToken(token, false))
  anaId = await running.join(0)
  const placeToken = newToken()
  await db.update(participants).set({ tokenHash: tokenHash(placeToken) })
  ana = pairOf(await writePlaceToken(placeToken, sessionId, false))
  await hub.command(sessionId, facilitator, { type: 'set-call', way: 'direct' })
  await hub.command(sessionId, facilitator, { type: 'send-out', seconds: 600 })
  roomId = (await hub.state(sessionId)).participants.get(anaId)?.roomId ?? ''
})
afterAll(async () => {
  calls.stop()
  server.closeAllConnections()
  server.close()
  await running.stop()
})

const pairOf = (cookie: string) => cookie.split(';')[0] ?? ''

/** Knocks at an address; gives what was told, and how the line ended. */
function knock(path: string, cookie: string, headers: Record<string, string> = {}) {
  const socket = new WebSocket(base + path, { headers: { Cookie: cookie, ...headers } })
  socket.on('error', () => undefined)
  const told: CallTold[] = []
  const wake: (() => void)[] = []
  socket.on('message', (data: Buffer) => {
    told.push(JSON.parse(data.toString()))
    for (const each of wake) each()
  })
  const ended = new Promise<number>(resolve => socket.on('close', resolve))
  const until = (type: CallTold['type']) =>
    new Promise<void>(resolve => {
      const look = () => told.some(each => each.type === type) && resolve()
      wake.push(look)
      look()
    })
  return { socket, told, ended, until }
}
const path = (room = roomId) => `/calls/${running.sessionId}/${room}`
/** Closed before it was a socket at all. */
const NEVER_OPEN = 1006

test('a participant comes into the call of their room by their place, and nobody by another’s or by none', async () => {
  const line = knock(path(), ana)
  await line.until('members')
  expect(line.told[0]).toMatchObject({ type: 'welcome', iceServers: [{ urls: ['stun:here.example'] }] })
  expect(line.told[1]).toMatchObject({ members: [{ participantId: anaId, microphone: false }] })
  for (const cookie of ['', signedIn, ana.replace(running.sessionId, 'another')])
    expect(await knock(path(), cookie).ended).toBe(NEVER_OPEN)
  const { rooms } = await running.hub.state(running.sessionId)
  const other = rooms.find(({ id }) => id !== roomId)?.id
  expect(await knock(path(other), ana).ended).toBe(CALL_CLOSED.notYours)
  expect(await knock(path('nowhere'), ana).ended).toBe(CALL_CLOSED.notYours)
  expect(await knock('/calls/nowhere/nowhere', ana).ended).toBe(NEVER_OPEN)
  expect(await knock('/elsewhere', ana).ended).toBe(NEVER_OPEN)
  expect(await knock(path(), ana, { Origin: 'https://elsewhere.example' }).ended).toBe(NEVER_OPEN)
  line.socket.close()
  expect(await line.ended).toBe(1005)
})

test('a facilitator comes in while they visit, and is out when they leave or are signed out', async () => {
  const { hub, sessionId, facilitator, db } = running
  const theirs = `${path()}?facilitator`
  expect(await knock(theirs, signedIn).ended).toBe(CALL_CLOSED.notYours)
  expect(await knock(theirs, ana).ended).toBe(NEVER_OPEN)
  await hub.command(sessionId, facilitator, { type: 'visit', roomId })
  const line = knock(theirs, signedIn)
  await line.until('members')
  await hub.command(sessionId, facilitator, { type: 'leave-room' })
  expect(await line.ended).toBe(CALL_CLOSED.notYours)
  await hub.command(sessionId, facilitator, { type: 'visit', roomId })
  const again = knock(theirs, signedIn)
  await again.until('members')
  await signOut(db, token)
  expect(await again.ended).toBe(NEVER_OPEN)
})

test.each([
  ['no JSON', '{"type":'],
  ['no message of a call', '{"type":"shout"}'],
  ['more than is asked', '{"type":"speak","speaking":true,"name":"Bo"}'],
  [
    'a description without end',
    JSON.stringify({
      type: 'signal',
      to: 'x',
      signal: { description: { type: 'offer', sdp: 'x'.repeat(50_000) } },
    }),
  ],
])('who sends %s is let go', async (_, message) => {
  const line = knock(path(), ana)
  await line.until('members')
  line.socket.send(message)
  expect(await line.ended).toBe(CALL_CLOSED.notYours)
})

test('a message larger than any, and more of them than anybody has to say, end the line', async () => {
  const large = knock(path(), ana)
  await large.until('members')
  large.socket.send('x'.repeat(100_000))
  expect(await large.ended).toBe(1009)
  const many = knock(path(), ana)
  await many.until('members')
  for (let index = 0; index < 2_000; index++) many.socket.send('{"type":"speak","speaking":true}')
  expect(await many.ended).toBe(CALL_CLOSED.notYours)
})

test('facilitators who follow are told who is in which call, and how long they have spoken', async () => {
  const { hub, sessionId, by } = running
  const heard: unknown[] = []
  const stop = await hub.follow(
    sessionId,
    { kind: 'facilitator' },
    null,
    message => message.kind === 'call' && heard.push(message.rooms),
    by,
  )
  const line = knock(path(), ana)
  await line.until('members')
  line.socket.send('{"type":"give","microphone":true,"camera":false,"sharing":false}')
  line.socket.send('{"type":"speak","speaking":true}')
  // They may have been told before the microphone was on.
  while (!JSON.stringify(heard).includes('"microphone":true'))
    await new Promise(resolve => setTimeout(resolve, 50))
  expect(calls.now(sessionId)).toMatchObject({
    kind: 'call',
    rooms: { [roomId]: [{ participantId: anaId, here: true, microphone: true }] },
  })
  stop()
  line.socket.close()
  await line.ended
})

test('the board of a participant’s page is opened by their place, also where a facilitator is signed in on the same browser', async () => {
  const came: { accountId: string | null; participantId: string | null }[] = []
  const accept = jest.spyOn(running.boards, 'accept').mockImplementation((_request, socket, _head, user) => {
    came.push({ accountId: user.accountId, participantId: user.participantIn(running.sessionId) })
    socket.destroy()
  })
  const again = await newSignIn(running.db, running.by.id, 'a browser')
  const account = pairOf(await writeAccountToken(again, false))
  const both = `${account}; ${ana}`
  const { id: accountId } = running.by
  for (const [address, cookie] of [
    ['/boards/socket', both],
    ['/boards/socket?place', both],
    ['/boards/socket?place', ana],
    ['/boards/socket?place', account],
    ['/boards/socket?place', ''],
  ] as const)
    await knock(address, cookie).ended
  expect(came).toEqual([
    { accountId, participantId: null },
    { accountId: null, participantId: anaId },
    { accountId: null, participantId: anaId },
    { accountId, participantId: null },
  ])
  accept.mockRestore()
})
