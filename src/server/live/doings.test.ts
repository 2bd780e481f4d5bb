import { pino } from 'pino'
import { runningServer } from 'tests/fixtures/running'
import type { StreamMessage } from '~/contracts/live'
import { Doings } from './doings.server'

let running: Awaited<ReturnType<typeof runningServer>>
beforeAll(async () => {
  running = await runningServer()
})
afterAll(() => running.stop())

test('those who lead are told what each other is at, while they are there; nobody else hears of it', async () => {
  const { hub, sessionId, by } = running
  const participantId = await running.join(0)
  const doings = new Doings(hub, pino({ enabled: false }))
  const looks = { roomId: 'reeds', says: false, makes: false }
  const heard: StreamMessage[] = []
  const stray: StreamMessage[] = []
  const listen = (all: StreamMessage[]) => (message: StreamMessage) => {
    if (message.kind === 'doing') all.push(message)
  }
  const stops = await Promise.all([
    hub.follow(sessionId, { kind: 'participant', participantId }, null, listen(stray)),
    hub.follow(sessionId, { kind: 'projector' }, null, listen(stray)),
  ])
  // Before their page is open nothing is kept of them.
  await doings.set(sessionId, by.id, looks)
  expect(doings.now(sessionId)).toEqual({ kind: 'doing', doing: {} })

  const stop = await hub.follow(sessionId, { kind: 'facilitator' }, null, listen(heard), by)
  while (!(await hub.state(sessionId)).facilitators.some(one => one.here))
    await new Promise(resolve => setImmediate(resolve))
  await doings.set(sessionId, by.id, looks)
  await doings.set(sessionId, by.id, looks)
  await doings.set(sessionId, by.id, { ...looks, says: true })
  await doings.set(sessionId, 'another', looks)
  expect(heard).toEqual([
    { kind: 'doing', doing: { [by.id]: looks } },
    { kind: 'doing', doing: { [by.id]: { ...looks, says: true } } },
  ])
  expect(stray).toEqual([])

  await hub.command(sessionId, running.facilitator, { type: 'facilitator-goes' })
  expect(doings.now(sessionId)).toEqual({ kind: 'doing', doing: {} })
  await expect(doings.set('nowhere', by.id, looks)).rejects.toThrow()
  for (const each of [stop, ...stops]) each()
})
