import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { setImmediate, setTimeout } from 'node:timers/promises'
import express, { type RequestHandler } from 'express'
import { fewAtATime, inThreeLines, lineOf, restsForAClass } from './pacing.server'

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
  app.post('/s/:name', held)
  const server = createServer(app).listen(0)
  servers.push(server)
  const address = `http://localhost:${(server.address() as AddressInfo).port}`
  const abort = new AbortController()
  const askBy = (method: string) => (path: string) => {
    const asked = fetch(`${address}/${path}`, { method, signal: abort.signal })
    asked.catch(() => {})
    return asked
  }
  return { begun, answers, ask: askBy('GET'), post: askBy('POST'), abort, address }
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
  ['GET', '/join/ABCD/names', 'comes-in'],
  ['POST', '/join/ABCD', 'comes-in'],
  ['GET', '/s/one', 'comes-in'],
  ['GET', '/events/one/participant', 'comes-in'],
  ['POST', '/s/one/commands', 'is-in'],
  ['GET', '/sessions/one/live', 'leads'],
  ['POST', '/sessions/one/commands', 'leads'],
  ['GET', '/assets/entry.js', 'leads'],
])('%s %s: %s', (method, path, line) => {
  expect(lineOf({ method, path })).toBe(line)
})

test('more may begin in a turn, up to as many as may be under way', async () => {
  const { begun, answers, ask } = await paced(fewAtATime({ atATime: 5, inATurn: 3, makesRoomAfterMs: LONG }))
  const all = Array.from({ length: 9 }, (_, number) => ask(String(number)))
  await until(() => begun.length === 5)
  for (let turn = 0; turn < 5; turn++) await setImmediate()
  expect(begun).toHaveLength(5)
  for (const name of begun.slice(0, 4)) answers.get(name)?.()
  await until(() => begun.length === 9)
  for (const name of begun.slice(4)) answers.get(name)?.()
  await Promise.all(all)
})

test('whoever leads waits for nobody in a class that answers, nor either for those at the door', async () => {
  const { begun, answers, ask, post } = await paced(inThreeLines({ makesRoomAfterMs: LONG }))
  const coming = Array.from({ length: 40 }, (_, number) => ask(`join/at-the-door-${number}`))
  const within = Array.from({ length: 60 }, (_, number) => post(`s/within-${number}`))
  const numberOf = (who: string) => begun.filter(name => name.startsWith(who)).length
  await until(() => numberOf('at-the-door') === 3 && numberOf('within') === 12)
  const leading = ask('leading')
  await until(() => begun.includes('leading'))
  expect(numberOf('at-the-door')).toBe(3)
  expect(numberOf('within')).toBe(12)
  answers.get('leading')?.()
  await leading
  answers.delete('leading')
  for (let done = 0; done < 100; done++) {
    await until(() => answers.size > 0)
    const [name, answer] = [...answers][0] as [string, () => void]
    answers.delete(name)
    answer()
  }
  await Promise.all([...coming, ...within])
  expect(begun).toHaveLength(101)
})
