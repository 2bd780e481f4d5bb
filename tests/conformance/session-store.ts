/** What every store of session logs has to hold, wherever it keeps them. */
import { clock, plan } from 'tests/fixtures/rehearsed'
import type { LiveEvent } from '~/core/live/topics'
import { type Entry, LogRaceError, type SessionStore } from '~/server/live/session-store'

/** A store with two planned sessions that have no log yet. */
export interface StoreToTry {
  store: SessionStore
  sessionIds: [string, string]
  close(): Promise<void>
}

const entry = (seq: number, event: LiveEvent): Entry => ({
  recorded: { seq, at: 1_700_000_000_000 + seq, event },
  actor: clock,
})
const joined = (seq: number, shownName: string): Entry =>
  entry(seq, { type: 'joined', participantId: shownName, personId: null, shownName, admitted: true })
const names = async (store: SessionStore, sessionId: string) =>
  (await store.read(sessionId)).map(({ event }) => ('shownName' in event ? event.shownName : event.type))

export function sessionStoreConforms(make: () => Promise<StoreToTry>): void {
  let made: StoreToTry
  beforeEach(async () => {
    made = await make()
  })
  afterEach(() => made.close())

  test('a session of which nothing was written, or that nobody knows, has an empty log', async () => {
    expect(await made.store.read(made.sessionIds[0])).toEqual([])
    expect(await made.store.read('nobody-knows')).toEqual([])
  })

  test('what was appended is read in order, as it was, from any place on; sessions are apart', async () => {
    const { store, sessionIds } = made
    const [one, other] = sessionIds
    const entries = [
      entry(1, { type: 'broadcast', messageId: 'm', text: 'Ä "quoted"\n👋', from: 'Marit' }),
      joined(2, 'Ana'),
      entry(3, { type: 'placed', participantId: 'Ana', roomId: null, intoRoom: false }),
    ]
    await store.append(one, entries.slice(0, 1))
    await store.append(one, entries.slice(1))
    await store.append(other, [joined(1, 'Bo')])
    expect(await store.read(one)).toEqual(entries.map(each => each.recorded))
    expect(await store.read(one, 2)).toEqual([entries[2]?.recorded])
    expect(await store.read(one, 3)).toEqual([])
    expect(await names(store, other)).toEqual(['Bo'])
  })

  test('what starts at a place that is taken is refused whole', async () => {
    const { store, sessionIds } = made
    const [one] = sessionIds
    await store.append(one, [joined(1, 'Ana'), joined(2, 'Bo')])
    await expect(store.append(one, [joined(2, 'Chi'), joined(3, 'Dai')])).rejects.toThrow(LogRaceError)
    expect(await names(store, one)).toEqual(['Ana', 'Bo'])
  })

  test('of many who append at the same moment one is first, and the others are told so', async () => {
    const { store, sessionIds } = made
    const [one] = sessionIds
    const outcomes = await Promise.allSettled(
      ['Ana', 'Bo', 'Chi'].map(name => store.append(one, [joined(1, name)])),
    )
    const lost = outcomes.filter(outcome => outcome.status === 'rejected')
    expect(lost).toHaveLength(2)
    for (const each of lost) expect(each.status === 'rejected' && each.reason).toBeInstanceOf(LogRaceError)
    expect(await store.read(one)).toHaveLength(1)
  })

  test('opening makes the session open and ending it ended, with the log or not at all', async () => {
    const { store, sessionIds } = made
    const [one] = sessionIds
    const rooms = plan.rooms.map(room => ({ ...room, copyId: `${room.copyId}-${one}`.slice(0, 40) }))
    await store.append(one, [entry(1, { type: 'opened', plan: { ...plan, rooms } })])
    await expect(store.append(one, [entry(1, { type: 'ended' })])).rejects.toThrow(LogRaceError)
    await store.append(one, [entry(2, { type: 'ended' })])
    expect(await names(store, one)).toEqual(['opened', 'ended'])
  })

  test('whoever listens is told of what was appended once it can be read, and of nothing that was not', async () => {
    const { store, sessionIds } = made
    const [one, other] = sessionIds
    const told: [string, number, number][] = []
    const reading: Promise<unknown>[] = []
    const stop = store.onAppended((sessionId, seq) => {
      reading.push(store.read(sessionId).then(log => told.push([sessionId, seq, log.length])))
    })
    await store.append(one, [joined(1, 'Ana'), joined(2, 'Bo')])
    await store.append(one, [joined(2, 'Chi')]).catch(() => undefined)
    await store.append(other, [joined(1, 'Dai')])
    await Promise.all(reading)
    expect(told).toEqual([
      [one, 2, 2],
      [other, 1, 1],
    ])
    stop()
    await store.append(other, [joined(2, 'Eli')])
    await Promise.all(reading)
    expect(told).toHaveLength(2)
  })
}
