import { createEncoder, toUint8Array, writeVarString, writeVarUint, writeVarUint8Array } from 'lib0/encoding'
import {
  Awareness,
  applyAwarenessUpdate,
  encodeAwarenessUpdate,
  removeAwarenessStates,
} from 'y-protocols/awareness'
import * as Y from 'yjs'
import { isHarmless } from './message-check.server'

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

function cursorOf(user: { id: string } | null): Uint8Array {
  const own = new Awareness(new Y.Doc())
  own.setLocalStateField('user', user)
  const update = encodeAwarenessUpdate(own, [own.clientID])
  own.destroy()
  return message(1, update)
}

// The numbers of the message kinds are those of the hocuspocus protocol, version 3 of its server.
test.each([
  ['a change', 0, true],
  ['an answer to a sync', 4, true],
  ['a message for the server alone', 5, false],
  ['a message that would be passed on as the server’s', 6, false],
  ['a kind nobody knows', 99, false],
])('%s (%i): %p', (_, kind, expected) => {
  expect(isHarmless(message(kind, 'x'), known, 'ana')).toBe(expected)
})

test('a cursor is one’s own, and nobody else’s', () => {
  expect(isHarmless(cursorOf({ id: 'ana' }), known, 'ana')).toBe(true)
  expect(isHarmless(cursorOf(null), known, 'ana')).toBe(true)
  expect(isHarmless(cursorOf({ id: 'bo' }), known, 'ana')).toBe(false)
  expect(isHarmless(cursorOf({ id: 'bo' }), known, null)).toBe(false)
})

test('the cursor of another that is already known may be repeated: browsers echo what they hear', () => {
  const bo = new Awareness(new Y.Doc())
  bo.setLocalStateField('user', { id: 'bo' })
  known.states.set(bo.clientID, { user: { id: 'bo' } })
  expect(isHarmless(message(1, encodeAwarenessUpdate(bo, [bo.clientID])), known, 'ana')).toBe(true)
  bo.destroy()
})

test('an echo of somebody who has just left is no news, and harmless; news in their name is not', () => {
  const bo = new Awareness(new Y.Doc())
  bo.setLocalStateField('user', { id: 'bo' })
  const said = encodeAwarenessUpdate(bo, [bo.clientID])
  applyAwarenessUpdate(known, said, null)
  removeAwarenessStates(known, [bo.clientID], null)
  expect(isHarmless(message(1, said), known, 'ana')).toBe(true)
  applyAwarenessUpdate(known, said, null)
  expect(known.getStates().has(bo.clientID)).toBe(false)
  bo.setLocalStateField('cursor', 1)
  expect(isHarmless(message(1, encodeAwarenessUpdate(bo, [bo.clientID])), known, 'ana')).toBe(false)
  bo.destroy()
})

test.each([[new Uint8Array()], [new Uint8Array([255, 255, 255])], [message(1, new Uint8Array([3, 1]))]])(
  'what can not be read is refused: %p',
  bytes => {
    expect(isHarmless(bytes, known, 'ana')).toBe(false)
  },
)
