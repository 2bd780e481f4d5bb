import { setImmediate } from 'node:timers/promises'
import { jest } from '@jest/globals'
import { MemoryStore } from 'tests/fixtures/memory-store'
import { clock, door, facilitator, plan } from 'tests/fixtures/rehearsed'
import type { StreamMessage } from '~/contracts/live'
import type { Recorded } from '~/core/live/topics'
import { LiveSession, type SessionPorts } from './live-session.server'
import type { AsJson } from './sections.server'
import { type Entry, LogRaceError } from './session-store'

const MINUTE = 60_000

/** One session on a store in memory, a clock one can set, and a count of writes. */
class Ports implements SessionPorts {
  constructor(readonly store = new MemoryStore()) {}
  time = 0
  rate = 1
  speed = () => this.rate
  hello = () => ({ kind: 'hello' as const, now: this.time })
  writes = 0
  failNext: Error | null = null
  unreadable: Error | null = null
  /** Done once, right before the next write: another server on the same log. */
  beforeNext: (() => void) | null = null
  failures: unknown[] = []
  get log(): Recorded[] {
    return this.store.log('one')
  }
  readLog = async (after: number) => {
    if (this.unreadable) throw this.unreadable
    return this.store.read('one', after)
  }
  append = async (entries: readonly Entry[]) => {
    this.writes++
    this.beforeNext?.()
    this.beforeNext = null
    const error = this.failNext
    this.failNext = null
    if (error) {
      await Promise.resolve()
      throw error
    }
    await this.store.append('one', entries)
  }
  now = () => this.time
  changed = () => undefined
  failed = (error: unknown) => {
    this.failures.push(error)
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
  const outcomes = await Promise.all(Array.from({ length: 100 }, (_, index) => join(session, `P${index}`)))
  expect(outcomes.every(outcome => outcome.ok)).toBe(true)
  expect(ports.writes - before).toBeLessThanOrEqual(2)
  expect(ports.log.map(recorded => recorded.seq)).toEqual(ports.log.map((_, index) => index + 1))
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
  ports.failNext = new Error('disk full')
  await expect(join(session, 'Uma')).rejects.toThrow('disk full')
  expect(session.current().participants.size).toBe(0)
  expect(follower.messages).toHaveLength(told)
  expect(await join(session, 'Uma')).toMatchObject({ ok: true })
})

test('when neither writing nor reading works the command is said to have failed, and the next one works', async () => {
  const { session, ports } = await opened()
  const before = session.current()
  ports.failNext = new Error('disk full')
  ports.unreadable = new Error('disk gone')
  await expect(join(session, 'Uma')).rejects.toThrow('disk full')
  await expect(join(session, 'Uma')).rejects.toThrow('disk gone')
  expect(session.current()).toBe(before)
  ports.unreadable = null
  expect(await join(session, 'Uma')).toMatchObject({ ok: true })
  await session.stop()
})

test('what was written after all, though it was said to have failed, is known before the next command', async () => {
  const { session, ports } = await opened()
  const append = ports.append
  ports.append = async entries => {
    await append(entries)
    ports.append = append
    throw new Error('connection lost')
  }
  await expect(join(session, 'Uma')).rejects.toThrow('connection lost')
  expect(await join(session, 'Uma')).toMatchObject({ ok: false, problem: { code: 'name-taken' } })
})

test('a command that lost the race for the log is decided again on what was written, and readers hear of it', async () => {
  const { session, ports } = await opened()
  const follower = reader(session, { kind: 'facilitator' })
  const another = {
    type: 'joined',
    participantId: 'x',
    personId: null,
    shownName: 'Vic',
    admitted: true,
  } as const
  ports.beforeNext = () => ports.log.push({ seq: ports.log.length + 1, at: 0, event: another })
  expect(await join(session, 'Uma')).toMatchObject({ ok: true, value: { seq: 3 } })
  expect((follower.held.people as { shownName: string }[]).map(each => each.shownName)).toEqual([
    'Vic',
    'Uma',
  ])
  ports.beforeNext = () =>
    ports.log.push({
      seq: ports.log.length + 1,
      at: 0,
      event: { ...another, participantId: 'y', shownName: 'Wim' },
    })
  expect(await join(session, 'Wim')).toMatchObject({ ok: false, problem: { code: 'name-taken' } })
})

test('what another server wrote is taken in as soon as it is heard of, and one’s own writing is not read again', async () => {
  const { session, ports } = await opened()
  let reads = 0
  const readLog = ports.readLog
  ports.readLog = after => {
    reads++
    return readLog(after)
  }
  const stop = ports.store.onAppended((_sessionId, seq) => session.heard(seq))
  const follower = reader(session, { kind: 'facilitator' })
  await join(session, 'Uma')
  expect(reads).toBe(0)
  const other = await LiveSession.load(new Ports(ports.store))
  await join(other, 'Vic')
  await session.settled()
  expect(reads).toBe(1)
  expect((follower.held.people as { shownName: string }[]).map(each => each.shownName)).toEqual([
    'Uma',
    'Vic',
  ])
  expect(await join(session, 'Wim')).toMatchObject({ ok: true, value: { seq: 4 } })
  stop()
})

test('what is heard of while the log is read, too late for that, is read as well', async () => {
  const { session, ports } = await opened()
  const other = await LiveSession.load(new Ports(ports.store))
  await join(other, 'Vic')
  const { readLog } = ports
  ports.readLog = async after => {
    ports.readLog = readLog
    const read = await readLog(after)
    await join(other, 'Wim')
    session.heard(other.current().seq)
    return read
  }
  session.heard(other.current().seq)
  await session.settled()
  expect(session.current().seq).toBe(other.current().seq)
})

test('what another server wrote and could not be read is read a moment later, though nobody asks for anything', async () => {
  const { session, ports } = await opened()
  const follower = reader(session, { kind: 'facilitator' })
  const other = await LiveSession.load(new Ports(ports.store))
  await join(other, 'Vic')
  jest.useFakeTimers()
  try {
    ports.unreadable = new Error('disk gone')
    session.heard(other.current().seq)
    await session.settled()
    expect(ports.failures).toEqual([ports.unreadable])
    ports.unreadable = null
    await jest.advanceTimersByTimeAsync(1_000)
    expect((follower.held.people as unknown[]).length).toBe(1)
    await session.stop()
  } finally {
    jest.useRealTimers()
  }
})

test('a log that stays unreadable is tried less and less often, and soon again once it could be read', async () => {
  const { session, ports } = await opened()
  const other = await LiveSession.load(new Ports(ports.store))
  await join(other, 'Vic')
  jest.useFakeTimers()
  try {
    ports.unreadable = new Error('disk gone')
    session.heard(other.current().seq)
    await jest.advanceTimersByTimeAsync(60_000)
    // At 0, 1, 3, 7 and 15 s, then every 15.
    expect(ports.failures).toHaveLength(8)
    ports.unreadable = null
    await jest.advanceTimersByTimeAsync(15_000)
    expect(session.current().participants.size).toBe(1)
    ports.unreadable = new Error('disk gone')
    await join(other, 'Uma')
    session.heard(other.current().seq)
    await jest.advanceTimersByTimeAsync(1_000)
    expect(ports.failures).toHaveLength(10)
    ports.unreadable = null
    await session.stop()
  } finally {
    jest.useRealTimers()
  }
})

test('a log that is always written first by others is given up after a few tries', async () => {
  const { session, ports } = await opened()
  let tries = 0
  ports.append = async () => {
    tries++
    throw new LogRaceError('raced')
  }
  await expect(join(session, 'Uma')).rejects.toThrow('raced')
  expect(tries).toBe(5)
})

test('whoever connects while the log is read again sees the session as it was, never an empty one', async () => {
  const { session, ports } = await opened()
  await join(session, 'Uma')
  let seen: unknown
  const readLog = ports.readLog
  ports.readLog = async after => {
    seen = reader(session, { kind: 'facilitator' }).held.people
    return readLog(after)
  }
  ports.failNext = new Error('disk full')
  await expect(join(session, 'Vic')).rejects.toThrow('disk full')
  await session.settled()
  expect(seen).toMatchObject([{ shownName: 'Uma' }])
})

test('a reader who cannot be told keeps nobody else from hearing, nor the command from being done', async () => {
  const { session, ports } = await opened()
  session.subscribe({ kind: 'facilitator' }, null, (_message, seq) => {
    if (seq > 1) throw new Error('broken pipe')
  })
  const follower = reader(session, { kind: 'facilitator' })
  expect(await join(session, 'Uma')).toMatchObject({ ok: true })
  expect(follower.held.people).toMatchObject([{ shownName: 'Uma' }])
  expect(session.followers).toBe(1)
  expect(ports.failures).toHaveLength(1)
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

test('nothing is told before it is on disk, also to whoever comes meanwhile; what was not written is told to nobody', async () => {
  const { session, ports } = await opened()
  await join(session, 'Uma')
  const uma = reader(session, { kind: 'participant', participantId: 'Uma' })
  let release: () => void = () => undefined
  const held = new Promise<void>(resolve => {
    release = resolve
  })
  const { append } = ports
  ports.append = async entries => {
    await held
    await append(entries)
  }
  const done = session.command(facilitator, { type: 'broadcast', messageId: 'm', text: 'Now' })
  await new Promise(resolve => setTimeout(resolve, 20))
  const other = reader(session, { kind: 'participant', participantId: 'Uma' })
  expect(uma.messages.map(({ kind }) => kind)).toEqual(['view'])
  expect([uma.held.messages, other.held.messages]).toEqual([[], []])
  release()
  await done
  expect(uma.messages.map(({ kind }) => kind)).toEqual(['view', 'change'])
  for (const each of [uma, other]) expect(each.held.messages).toMatchObject([{ text: 'Now' }])
  ports.failNext = new Error('The disk is full.')
  const lost = session.command(facilitator, { type: 'broadcast', messageId: 'lost', text: 'Lost' })
  await expect(lost).rejects.toThrow('The disk is full.')
  await session.command(facilitator, { type: 'broadcast', messageId: 'third', text: 'Third' })
  for (const each of [uma, other])
    expect(each.held.messages).toMatchObject([{ text: 'Now' }, { text: 'Third' }])
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

test('after a drop a facilitator gets all marks of the round again: which they had is not known', async () => {
  const { session } = await opened()
  await session.command(door, { type: 'join', participantId: 'ana', personId: 'p-ana', shownName: 'Ana' })
  await session.command(facilitator, { type: 'send-out', seconds: 600 })
  const before = reader(session, { kind: 'facilitator' })
  before.stop()
  await session.command(facilitator, { type: 'broadcast', messageId: 'm', text: 'Missed.' })
  const after = reader(session, { kind: 'facilitator' }, session.current().seq - 1)
  expect(after.messages[0]).toMatchObject({ kind: 'change' })
  expect((after.held.marks as { kind: string }[]).map(mark => mark.kind)).toEqual(['joined', 'broadcast'])
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

test('of what comes thick and fast facilitators are told together, and in the end of all of it; quiet again, they hear at once', async () => {
  const { session } = await opened()
  const front = reader(session, { kind: 'facilitator' })
  for (let number = 0; number < 60; number++) await join(session, `Guest ${number}`)
  const { length } = front.messages
  expect(length).toBeGreaterThan(4)
  expect(length).toBeLessThan(20)
  await new Promise(resolve => setTimeout(resolve, 400))
  expect((front.held.people as unknown[]).length).toBe(60)
  await new Promise(resolve => setTimeout(resolve, 2_000))
  const before = front.messages.length
  await join(session, 'One more')
  expect(front.messages.length).toBeGreaterThan(before)
  expect((front.held.people as unknown[]).length).toBe(61)
})

test('after many were told what a facilitator does is told at once, and what else happens a moment later', async () => {
  const { session } = await opened()
  await join(session, 'Uma')
  for (let number = 0; number < 60; number++) {
    session.subscribe({ kind: 'participant', participantId: 'Uma' }, null, () => {
      const until = performance.now() + 1
      while (performance.now() < until);
    })
  }
  const uma = reader(session, { kind: 'participant', participantId: 'Uma' })
  const front = reader(session, { kind: 'facilitator' })
  const someTurns = async () => {
    for (let turn = 0; turn < 8; turn++) await setImmediate()
  }
  await session.command(facilitator, { type: 'broadcast', messageId: 'one', text: 'One' })
  await someTurns()
  const before = front.messages.length
  await join(session, 'Guest')
  await someTurns()
  expect(front.messages).toHaveLength(before)
  await session.command(facilitator, { type: 'broadcast', messageId: 'two', text: 'Two' })
  await someTurns()
  expect(uma.held.messages).toMatchObject([{ text: 'One' }, { text: 'Two' }])
  expect(front.held.people).toHaveLength(2)
})

test('at a faster pace what is due comes sooner, and everybody who follows is told', async () => {
  const ports = new Ports()
  const { session } = await opened(ports)
  await join(session, 'ana')
  await session.command(facilitator, { type: 'send-out', seconds: 600 })
  const told: string[] = []
  session.subscribe({ kind: 'projector' }, null, message => told.push(message.kind))
  ports.rate = 30
  ports.time = 600_000 - 3_000
  // Three seconds of the session are a tenth of one here.
  await session.speedChanged()
  expect(told.filter(kind => kind === 'hello')).toHaveLength(2)
  ports.time = 600_000
  await new Promise(resolve => setTimeout(resolve, 300))
  expect(session.current().round?.graceEndsAt).not.toBeNull()
})
