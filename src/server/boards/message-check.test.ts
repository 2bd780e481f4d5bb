import { MessageType } from '@hocuspocus/server'
import { createEncoder, toUint8Array, writeVarString, writeVarUint, writeVarUint8Array } from 'lib0/encoding'
import {
  Awareness,
  applyAwarenessUpdate,
  encodeAwarenessUpdate,
  removeAwarenessStates,
} from 'y-protocols/awareness'
import * as Y from 'yjs'
import { type BoardMessage, judgeCursors, readMessage } from './message-check.server'

const known = new Awareness(new Y.Doc())
afterAll(() => known.destroy())

function message(kind: number, body: Uint8Array | string): Uint8Array {
  const encoder = createEncoder()
  writeVarString(encoder, 'copy')
  writeVarUint(encoder, kind)
  if (typeof body === 'string') writeVarString(encoder, body)
  else writeVarUint8Array(encoder, body)
  return toUint8Array(encoder)
}

/** Every kind of message of the sync server, and what becomes of it when a browser sends it; null: the line ends. */
const KINDS: Record<keyof typeof MessageType, BoardMessage['kind'] | null> = {
  Unknown: null,
  Sync: 'question',
  SyncReply: 'question',
  Awareness: 'cursors',
  Auth: 'other',
  QueryAwareness: 'other',
  CLOSE: 'other',
  Stateless: null,
  BroadcastStateless: null,
  SyncStatus: null,
}

test('every kind of message the sync server knows is told what becomes of it, and no other is handled', () => {
  const named = Object.keys(MessageType).filter(name => Number.isNaN(Number(name)))
  expect(Object.keys(KINDS).toSorted()).toEqual(named.toSorted())
  const becomes = new Map(
    Object.entries(KINDS).map(([name, kind]) => [MessageType[name as keyof typeof KINDS], kind]),
  )
  for (let kind = 0; kind < 1_000; kind++) {
    // Read as a question by a sync, and as an empty list by a presence message.
    const read = readMessage(new Uint8Array([...message(kind, new Uint8Array()), 0]))
    expect([kind, read?.kind ?? null]).toEqual([kind, becomes.get(kind) ?? null])
  }
})

function cursorOf(user: { id: string } | null): Uint8Array {
  const own = new Awareness(new Y.Doc())
  own.setLocalStateField('user', user)
  const update = encodeAwarenessUpdate(own, [own.clientID])
  own.destroy()
  return update
}

// The numbers of the message kinds are those of the hocuspocus protocol, version 3 of its server; of the steps of a sync, those
// of y-protocols.
test.each([
  ['a question for what is there', 0, [0, 1, 0], 'question'],
  ['an answer to a question', 0, [1, 2, 0, 0], 'update'],
  ['a change', 4, [2, 2, 0, 0], 'update'],
  ['a cursor', 1, [1, 0], 'cursors'],
  ['a farewell', 7, [], 'other'],
  ['a message for the server alone', 5, [1, 65], undefined],
  ['a message that would be passed on as the server’s', 6, [1, 65], undefined],
  ['a kind nobody knows', 99, [], undefined],
  ['a step nobody knows', 0, [3, 1, 0], undefined],
  ['a change that ends too early', 0, [2, 9, 0], undefined],
])('%s is read as what it is', (_, kind, rest, expected) => {
  const encoder = createEncoder()
  writeVarString(encoder, 'copy')
  writeVarUint(encoder, kind)
  expect(readMessage(new Uint8Array([...toUint8Array(encoder), ...rest]))?.kind).toBe(expected)
})

test('what is read of a change is the message itself: what is blanked there is not taken in', () => {
  const whole = message(0, new Uint8Array())
  const bytes = new Uint8Array([...whole.slice(0, -1), 2, 3, 7, 7, 7])
  const read = readMessage(bytes)
  if (read?.kind !== 'update') throw new Error('No change.')
  read.update.fill(0)
  expect([...bytes.slice(-4)]).toEqual([3, 0, 0, 0])
})

test('a cursor is one’s own, and nobody else’s', () => {
  expect(judgeCursors(cursorOf({ id: 'ana' }), known, 'ana')).toBe('take')
  expect(judgeCursors(cursorOf(null), known, 'ana')).toBe('take')
  expect(judgeCursors(cursorOf({ id: 'bo' }), known, 'ana')).toBe('refuse')
  expect(judgeCursors(cursorOf({ id: 'bo' }), known, null)).toBe('refuse')
})

test('the cursor of another may be repeated, as browsers do with what they hear; not changed, and not taken away', () => {
  const bo = new Awareness(new Y.Doc())
  bo.setLocalStateField('user', { id: 'bo' })
  const said = () => encodeAwarenessUpdate(bo, [bo.clientID])
  applyAwarenessUpdate(known, said(), null)
  expect(judgeCursors(said(), known, 'ana')).toBe('take')
  bo.setLocalStateField('cursor', 7)
  expect(judgeCursors(said(), known, 'ana')).toBe('drop')
  expect(judgeCursors(said(), known, 'bo')).toBe('take')
  // What a browser says of somebody it has not heard of for long: with the clock that everybody knows.
  const away = new Awareness(new Y.Doc())
  applyAwarenessUpdate(away, encodeAwarenessUpdate(known, [bo.clientID]), null)
  removeAwarenessStates(away, [bo.clientID], 'timeout')
  const gone = encodeAwarenessUpdate(away, [bo.clientID])
  expect(judgeCursors(gone, known, 'ana')).toBe('drop')
  expect(judgeCursors(gone, known, 'bo')).toBe('take')
  bo.destroy()
  away.destroy()
})

test('an echo of somebody who has just left is no news, and harmless; news in their name is not', () => {
  const bo = new Awareness(new Y.Doc())
  bo.setLocalStateField('user', { id: 'bo' })
  const said = encodeAwarenessUpdate(bo, [bo.clientID])
  applyAwarenessUpdate(known, said, null)
  removeAwarenessStates(known, [bo.clientID], null)
  expect(judgeCursors(said, known, 'ana')).toBe('take')
  applyAwarenessUpdate(known, said, null)
  expect(known.getStates().has(bo.clientID)).toBe(false)
  bo.setLocalStateField('cursor', 1)
  expect(judgeCursors(encodeAwarenessUpdate(bo, [bo.clientID]), known, 'ana')).toBe('refuse')
  bo.destroy()
})

test('what is more than a cursor, more than a room of them, or can not be read is refused', () => {
  const long = new Awareness(new Y.Doc())
  long.setLocalStateField('user', { id: 'ana', note: 'x'.repeat(4_000) })
  expect(judgeCursors(encodeAwarenessUpdate(long, [long.clientID]), known, 'ana')).toBe('refuse')
  long.destroy()
  const encoder = createEncoder()
  writeVarUint(encoder, 501)
  for (let number = 0; number < 501; number++) {
    writeVarUint(encoder, number)
    writeVarUint(encoder, 1)
    writeVarString(encoder, '{}')
  }
  expect(judgeCursors(toUint8Array(encoder), known, 'ana')).toBe('refuse')
  expect(judgeCursors(new Uint8Array([3, 1]), known, 'ana')).toBe('refuse')
  expect(readMessage(new Uint8Array())).toBeNull()
  expect(readMessage(new Uint8Array([255, 255, 255]))).toBeNull()
})
