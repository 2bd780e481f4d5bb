import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { setImmediate, setTimeout } from 'node:timers/promises'
import express, { type RequestHandler } from 'express'
import { comesIn, fewAtATime, inTwoLines, restsForAClass } from './pacing.server'

/** Longer than any of these tests takes, in milliseconds. */
const LONG = 60_000

const servers: Server[] = []
afterEach(() => {
  for (const server of servers.splice(0)) {
    server.closeAllConnections()
    server.close()
  }
})

/** A server that answers when it is told to, and remembers what has begun. */
async function paced(pace: RequestHandler) {
  const begun: string[] = []
  const answers = new Map<string, () => void>()
  const app = express()
  app.use(pace)
  app.get('/stream/:name', (request, response) => {
    begun.push(request.params.name)
    response.write('begins')
  })
  const held: express.RequestHandler = ({ params: { name } }, response) => {
    begun.push(String(name))
    answers.set(String(name), () => response.send('done'))
  }
  app.get('/:name', held)
  app.get('/join/:name', held)
  const server = createServer(app).listen(0)
  servers.push(server)
  const address = `http://localhost:${(server.address() as AddressInfo).port}`
  const abort = new AbortController()
  const ask = (path: string) => {
    const asked = fetch(`${address}/${path}`, { signal: abort.signal })
    asked.catch(() => {})
    return asked
  }
  return { begun, answers, ask, abort, address }
}

const until = async (holds: () => boolean) => {
  for (let turn = 0; turn < 2_000 && !holds(); turn++) await setTimeout(1)
}

test('three are under way at a time, and each answer lets the next one begin', async () => {
  const { begun, answers, ask } = await paced(fewAtATime({ makesRoomAfterMs: LONG }))
  const all = ['a', 'b', 'c', 'd', 'e'].map(ask)
  await until(() => begun.length === 3)
  for (let turn = 0; turn < 5; turn++) await setImmediate()
  expect(begun).toHaveLength(3)
  answers.get(begun[0] as string)?.()
  await until(() => begun.length === 4)
  for (let turn = 0; turn < 5; turn++) await setImmediate()
  expect(begun).toHaveLength(4)
  answers.get(begun[1] as string)?.()
  await until(() => begun.length === 5)
  for (const name of begun.slice(2)) answers.get(name)?.()
  await Promise.all(all)
  expect(begun.toSorted()).toEqual(['a', 'b', 'c', 'd', 'e'])
})

test('streams that have begun keep nobody waiting', async () => {
  const { begun, ask } = await paced(fewAtATime({ makesRoomAfterMs: LONG }))
  for (const name of ['1', '2', '3', '4', '5']) ask(`stream/${name}`)
  await until(() => begun.length === 5)
  expect(begun).toHaveLength(5)
})

test('an answer that takes long lets others begin meanwhile, once', async () => {
  const tooLong: (() => void)[] = []
  const after = (_ms: number, act: () => void) => {
    tooLong.push(act)
    return () => undefined
  }
  const { begun, answers, ask } = await paced(fewAtATime({ after }))
  for (const name of ['a', 'b', 'c', 'd', 'e', 'f', 'g']) ask(name)
  await until(() => begun.length === 3)
  for (const takesLong of tooLong.slice(0, 3)) takesLong()
  await until(() => begun.length === 6)
  // Answered after they made room: nobody else begins for that.
  for (const name of begun.slice(0, 3)) answers.get(name)?.()
  for (let turn = 0; turn < 5; turn++) await setImmediate()
  expect(begun).toHaveLength(6)
  tooLong[3]?.()
  await until(() => begun.length === 7)
  expect(begun).toHaveLength(7)
})

test('whoever leaves without an answer makes room', async () => {
  const { begun, ask, abort, address } = await paced(fewAtATime({ makesRoomAfterMs: LONG }))
  const left = ['a', 'b', 'c'].map(ask)
  await until(() => begun.length === 3)
  abort.abort()
  await Promise.allSettled(left)
  fetch(`${address}/d`).catch(() => {})
  await until(() => begun.length === 4)
  expect(begun.at(-1)).toBe('d')
})

test('a class that comes in leaves the thread free for six times as long as it was busy; a few come in at once', () => {
  const used = { active: 1.5, idle: 0 }
  const rest = restsForAClass(() => used)
  expect(rest(7)).toBe(0)
  expect(rest(8)).toBe(9)
  used.idle = 4
  expect(rest(200)).toBe(5)
  used.idle = 20
  expect(rest(200)).toBe(0)
  Object.assign(used, { active: 80, idle: 0 })
  expect(rest(500)).toBe(9)
})

test.each([
  ['GET', '/join/ABCD/names', true],
  ['POST', '/join/ABCD', true],
  ['GET', '/s/one', true],
  ['GET', '/events/one/participant', true],
  ['POST', '/s/one/commands', false],
  ['GET', '/sessions/one/live', false],
  ['GET', '/assets/entry.js', false],
])('%s %s: %s', (method, path, is) => {
  expect(comesIn({ method, path })).toBe(is)
})

test('whoever is in waits for nobody at the door', async () => {
  const { begun, answers, ask } = await paced(inTwoLines())
  const coming = Array.from({ length: 40 }, (_, number) => ask(`join/${number}`))
  await until(() => begun.length === 3)
  const within = ask('within')
  await until(() => begun.includes('within'))
  expect(begun).toHaveLength(4)
  answers.get('within')?.()
  await within
  answers.delete('within')
  for (let done = 0; done < 40; done++) {
    await until(() => answers.size > 0)
    const [name, answer] = [...answers][0] as [string, () => void]
    answers.delete(name)
    answer()
  }
  await Promise.all(coming)
  expect(begun).toHaveLength(41)
})
