import { clock, door, facilitator, plan } from 'tests/fixtures/rehearsed'
import type { StreamMessage } from '~/contracts/live'
import type { Recorded } from '~/core/live/events'
import { type Entry, LogRaceError } from './event-log.server'
import { LiveSession, type SessionPorts } from './live-session.server'
import type { AsJson } from './sections.server'

const MINUTE = 60_000

/** A log in memory, a clock one can set, and a count of writes. */
class Ports implements SessionPorts {
  log: Recorded[] = []
  time = 0
  writes = 0
  failNext: Error | null = null
  readLog = async () => [...this.log]
  append = async (entries: readonly Entry[]) => {
    await Promise.resolve()
    this.writes++
    if (this.failNext) {
      const error = this.failNext
      this.failNext = null
      throw error
    }
    this.log.push(...entries.map(entry => entry.recorded))
  }
  now = () => this.time
  changed = () => undefined
  failed = (error: unknown) => {
    throw error
  }
}

async function opened(ports = new Ports()) {
  const session = await LiveSession.load(ports)
  await session.command(facilitator, { type: 'open', plan })
  return { session, ports }
}

const join = (session: LiveSession, name: string) =>
  session.command(door, { type: 'join', participantId: name, personId: null, shownName: name })

/** What a reader holds after all messages, and each message's sections. */
function reader(
  session: LiveSession,
  viewer: Parameters<LiveSession['subscribe']>[0],
  lastSeq: number | null = null,
) {
  const messages: { kind: string; sections: string[]; seq: number }[] = []
  const held: Record<string, unknown> = { messages: [] }
  const stop = session.subscribe(viewer, lastSeq, (message: StreamMessage, seq) => {
    if (message.kind !== 'view' && message.kind !== 'change') return
    const added = message.kind === 'change' ? message.added : {}
    messages.push({
      kind: message.kind,
      sections: [...Object.keys(message.sections), ...Object.keys(added)],
      seq,
    })
    for (const [name, section] of Object.entries(message.sections))
      held[name] = JSON.parse((section as AsJson).text)
    for (const [name, more] of Object.entries(added)) {
      held[name] = [...(held[name] as unknown[]), ...JSON.parse((more as AsJson).text)]
    }
  })
  return { messages, held, stop }
}

test('what arrives while the log is being written is written together next', async () => {
  const { session, ports } = await opened()
  const before = ports.writes
  const outcomes = await Promise.all(Array.from({ length: 100 }, (_, place) => join(session, `P${place}`)))
  expect(outcomes.every(outcome => outcome.ok)).toBe(true)
  expect(ports.writes - before).toBeLessThanOrEqual(2)
  expect(ports.log.map(recorded => recorded.seq)).toEqual(ports.log.map((_, place) => place + 1))
})

test('of two who take the same name at the same moment one gets it', async () => {
  const { session } = await opened()
  const take = (participantId: string) =>
    session.command(door, { type: 'join', participantId, personId: null, shownName: 'Zoë' })
  const outcomes = await Promise.all([take('one'), take('two')])
  expect(outcomes.map(outcome => outcome.ok)).toEqual([true, false])
})

test('what could not be written has not happened, and is said to have failed', async () => {
  const { session, ports } = await opened()
  const follower = reader(session, { kind: 'facilitator' })
  const told = follower.messages.length
  ports.failNext = new LogRaceError('raced')
  await expect(join(session, 'Uma')).rejects.toThrow('raced')
  expect(session.current().participants).toEqual({})
  expect(follower.messages).toHaveLength(told)
  expect(await join(session, 'Uma')).toMatchObject({ ok: true })
})

test('readers get the whole view first, then only the sections that changed for them', async () => {
  const { session } = await opened()
  await join(session, 'Uma')
  const ana = reader(session, { kind: 'participant', participantId: 'Uma' })
  expect(ana.messages[0]).toMatchObject({ kind: 'view' })
  await join(session, 'Vic')
  expect(ana.messages).toHaveLength(1)
  await session.command(facilitator, { type: 'broadcast', messageId: 'm', text: 'Look.' })
  expect(ana.messages[1]).toMatchObject({ kind: 'change', sections: ['messages'] })
  ana.stop()
  await session.command(facilitator, { type: 'broadcast', messageId: 'n', text: 'Listen.' })
  expect(ana.messages).toHaveLength(2)
})

test('after a drop a reader is told exactly what they missed', async () => {
  const { session } = await opened()
  await join(session, 'Uma')
  const before = reader(session, { kind: 'participant', participantId: 'Uma' })
  before.stop()
  const last = session.current().seq
  await session.command(facilitator, { type: 'broadcast', messageId: 'm', text: 'Missed.' })
  const after = reader(session, { kind: 'participant', participantId: 'Uma' }, last)
  expect(after.messages).toMatchObject([{ kind: 'change', sections: ['messages'], seq: last + 1 }])
  const unchanged = reader(session, { kind: 'participant', participantId: 'Uma' }, last + 1)
  expect(unchanged.messages).toEqual([])
  const unknown = reader(session, { kind: 'participant', participantId: 'Uma' }, 99_999)
  expect(unknown.messages).toMatchObject([{ kind: 'view' }])
  expect((unknown.held.messages as { text: string }[]).map(message => message.text)).toEqual(['Missed.'])
})

test('a session taken up again has done what fell due meanwhile', async () => {
  const { session, ports } = await opened()
  await session.command(door, { type: 'join', participantId: 'ana', personId: 'p-ana', shownName: 'Ana' })
  await session.command(facilitator, { type: 'send-out', seconds: 600 })
  await session.stop()
  ports.time = 30 * MINUTE
  const again = await LiveSession.load(ports)
  expect(again.current()).toMatchObject({ round: null, pastRounds: [{ number: 1 }] })
  expect(ports.log.slice(-2).map(recorded => recorded.event.type)).toEqual(['called-back', 'round-ended'])
})

test('the clock alone warns and calls back', async () => {
  const { session } = await opened()
  expect(await session.command(facilitator, { type: 'warn', secondsLeft: 60 })).toMatchObject({ ok: false })
  expect(await session.command(clock, { type: 'call-back' })).toMatchObject({
    ok: false,
    problem: { code: 'not-out' },
  })
})
