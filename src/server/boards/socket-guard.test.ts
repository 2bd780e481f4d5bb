import { EventEmitter } from 'node:events'
import { MessageType } from '@hocuspocus/server'
import { jest } from '@jest/globals'
import { createEncoder, toUint8Array, writeVarString } from 'lib0/encoding'
import type { WebSocket } from 'ws'
import { guardSocket } from './socket-guard.server'

class FakeSocket extends EventEmitter {
  bufferedAmount = 0
  closedWith: unknown[] = []
  close(...how: unknown[]) {
    this.closedWith.push(how)
  }
  terminate() {}
}

function message(board: string): Buffer {
  const encoder = createEncoder()
  writeVarString(encoder, board)
  return Buffer.from(toUint8Array(encoder))
}

function guarded(who: 'participant' | 'facilitator' = 'participant') {
  const socket = new FakeSocket()
  const why: string[] = []
  const guard = guardSocket(socket as unknown as WebSocket, who, reason => why.push(reason))
  const heard: unknown[] = []
  socket.on('message', each => heard.push(each))
  return { socket, guard, why, heard }
}

beforeEach(() => {
  jest.useFakeTimers()
})
afterEach(() => {
  jest.useRealTimers()
})

test('a socket on which no board is opened is closed, one on which one was stays', () => {
  const [silent, working] = [guarded(), guarded()]
  working.guard.opened()
  jest.advanceTimersByTime(15_001)
  expect([silent.why, working.why]).toEqual([['no board was opened'], []])
})

test('twenty boards may be named by a participant, and nothing that comes after the one too many is looked at', () => {
  const { socket, why, heard } = guarded()
  for (let board = 0; board < 20; board++) socket.emit('message', message(`board ${board}`))
  socket.emit('message', message('board 0'))
  expect([why, heard.length]).toEqual([[], 21])
  for (let board = 20; board < 1_000; board++) socket.emit('message', message(`board ${board}`))
  expect([why, heard.length]).toEqual([['too many boards'], 22])
})

test('a facilitator looks into all rooms of a large session', () => {
  const { socket, why } = guarded('facilitator')
  for (let room = 0; room < 250; room++) socket.emit('message', message(`room ${room}`))
  expect(why).toEqual([])
})

test('what comes faster than a whole room types is not listened to', () => {
  const { socket, why, heard } = guarded()
  for (let count = 0; count < 20_000; count++) socket.emit('message', message('board'))
  expect(why).toEqual(['too many messages'])
  expect(heard.length).toBeLessThan(4_500)
  const slow = guarded()
  for (let second = 0; second < 20; second++) {
    for (let count = 0; count < 900; count++) slow.socket.emit('message', message('board'))
    jest.advanceTimersByTime(1_000)
  }
  expect(slow.why).not.toContain('too many messages')
})

const KINDS = Object.values(MessageType).filter(kind => typeof kind === 'number' && kind >= 0) as number[]

test.each(KINDS)(
  'messages of kind %i count like all others, before it is looked at what they ask for',
  kind => {
    const { socket, why, heard } = guarded()
    const one = Buffer.concat([message('board'), Buffer.from([kind])])
    for (let count = 0; count < 4_000; count++) socket.emit('message', one)
    expect([why, heard.length]).toEqual([[], 4_000])
    socket.emit('message', one)
    expect([why, heard.length]).toEqual([['too many messages'], 4_001])
    socket.emit('message', one)
    expect(heard).toHaveLength(4_001)
  },
)

test('a few large boards come back at once; whoever sends on and on is not listened to', () => {
  const { socket, why } = guarded()
  const large = Buffer.concat([message('board'), Buffer.alloc(990_000)])
  for (let count = 0; count < 8; count++) socket.emit('message', large)
  expect(why).toEqual([])
  socket.emit('message', large)
  expect(why).toEqual(['too many messages'])
})

test('who makes the server work more than a tenth of its time is let go; what is refused ends the line once', () => {
  const busy = guarded()
  busy.guard.took(900)
  jest.advanceTimersByTime(1_000)
  busy.guard.took(150)
  expect([busy.why, busy.guard.isClosed]).toEqual([[], false])
  busy.guard.took(100)
  expect([busy.why, busy.guard.isClosed]).toEqual([['too much work'], true])
  const forger = guarded()
  forger.guard.refuse('no update of a board')
  forger.guard.refuse('no update of a board')
  expect([forger.why, forger.socket.closedWith.length]).toEqual([['no update of a board'], 1])
})

test('who asks and does not read is let go', () => {
  const { socket, why } = guarded()
  socket.bufferedAmount = 16_000_001
  socket.emit('message', message('board'))
  expect(why).toEqual(['what was sent is not read'])
})

test.each([Buffer.alloc(0), Buffer.from([200, 200, 200]), message('x'.repeat(129))])(
  'what names no board is none of ours (%#)',
  text => {
    const { socket, why } = guarded()
    socket.emit('message', text)
    expect(why).toEqual(['no message of a board'])
  },
)
