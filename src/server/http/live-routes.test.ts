import { once } from 'node:events'
import { createServer, get } from 'node:http'
import type { AddressInfo } from 'node:net'
import { setTimeout as pause } from 'node:timers/promises'
import express from 'express'
import { runningServer } from 'tests/fixtures/running'
import { newToken, tokenHash } from '~/server/tokens.server'
import { writePlaceToken } from '../auth/cookies.server'
import { participants } from '../db/schema.server'
import type { Services } from '../services.server'
import { isPhone, liveRoutes } from './live-routes.server'

test('a browser that leaves while it is found out who it is leaves nobody behind', async () => {
  const running = await runningServer()
  const { db, hub, boards, sessionId } = running
  const id = await running.join(0)
  await hub.command(sessionId, { kind: 'door' }, { type: 'disconnect', participantId: id })
  const token = newToken()
  await db.update(participants).set({ tokenHash: tokenHash(token) })
  const cookie = (await writePlaceToken(token, sessionId, false)).split(';')[0] ?? ''
  let entered: () => void = () => undefined
  const asked = new Promise<void>(resolve => {
    entered = resolve
  })
  let answer: () => void = () => undefined
  const answered = new Promise<void>(resolve => {
    answer = resolve
  })
  const slow = Object.create(hub) as typeof hub
  slow.state = async wanted => {
    entered()
    await answered
    return hub.state(wanted)
  }
  const app = express().use(liveRoutes({ db, hub: slow, boards } as unknown as Services))
  const server = createServer(app).listen(0, '127.0.0.1')
  await once(server, 'listening')
  const { port } = server.address() as AddressInfo
  const request = get(`http://127.0.0.1:${port}/events/${sessionId}/participant`, { headers: { cookie } })
  request.on('error', () => undefined)
  await asked
  request.destroy()
  await pause(50)
  answer()
  await pause(100)
  expect((await hub.state(sessionId)).participants.get(id)?.connected).toBe(false)
  server.closeAllConnections()
  server.close()
  await running.stop()
})

test('one person follows a session on a dozen screens; on a further one they are told so', async () => {
  const running = await runningServer()
  const { db, hub, boards, sessionId } = running
  await running.join(0)
  const token = newToken()
  await db.update(participants).set({ tokenHash: tokenHash(token) })
  const cookie = (await writePlaceToken(token, sessionId, false)).split(';')[0] ?? ''
  const server = createServer(express().use(liveRoutes({ db, hub, boards } as unknown as Services)))
  await once(server.listen(0, '127.0.0.1'), 'listening')
  const { port } = server.address() as AddressInfo
  const open = async () => {
    const leaving = new AbortController()
    const address = `http://127.0.0.1:${port}/events/${sessionId}/participant`
    const { status } = await fetch(address, { headers: { cookie }, signal: leaving.signal })
    return { status, leave: () => leaving.abort() }
  }
  const streams = []
  for (let count = 0; count < 13; count++) streams.push(await open())
  expect(streams.map(({ status }) => status)).toEqual([...Array(12).fill(200), 429])
  streams[0]?.leave()
  await pause(100)
  expect((await open()).status).toBe(200)
  server.closeAllConnections()
  server.close()
  await running.stop()
})

test('a phone is known by the hint a browser gives, or without one by its name', () => {
  // The hint: W3C, User-Agent Client Hints, 3.1. Names as such browsers send them, from memory.
  const android =
    'Mozilla/5.0 (Linux; Android 10; K) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Mobile Safari/537.36'
  const iphone =
    'Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.0 Mobile/15E148 Safari/604.1'
  const desk = 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0'
  expect([android, iphone, desk].map(name => isPhone({ 'user-agent': name }))).toEqual([true, true, false])
  expect(isPhone({ 'sec-ch-ua-mobile': '?1', 'user-agent': desk })).toBe(true)
  expect(isPhone({ 'sec-ch-ua-mobile': '?0', 'user-agent': android })).toBe(false)
  expect(isPhone({})).toBe(false)
})
