import { EventEmitter } from 'node:events'
import { jest } from '@jest/globals'
import type { Request, Response } from 'express'
import { AsJson } from './sections.server'
import { EventStream, lastSeqOf } from './stream.server'

class FakeResponse extends EventEmitter {
  head: Record<string, string> = {}
  written = ''
  writableLength = 0
  destroyed = false
  ended = false
  writeHead = (_status: number, head: Record<string, string>) => {
    this.head = head
  }
  cork() {}
  uncork() {}
  write = (text: string) => {
    this.written += text
    return true
  }
  end = () => {
    this.ended = true
  }
  destroy = () => {
    this.destroyed = true
  }
}

function opened() {
  const response = new FakeResponse()
  const request = { socket: { setNoDelay: () => undefined } } as unknown as Request
  const stream = new EventStream(request, response as unknown as Response)
  return { stream, response }
}

beforeEach(() => {
  jest.useFakeTimers()
})
afterEach(() => {
  jest.useRealTimers()
})

// WHATWG HTML, 9.2 "Server-sent events": fields end with a line feed, an event with an empty line.
test('an event is its id and one line of JSON, held back by nobody on the way', () => {
  const { stream, response } = opened()
  stream.send({ kind: 'hello', now: 5 }, 7)
  expect(response.head).toMatchObject({
    'Content-Type': 'text/event-stream',
    'Cache-Control': 'no-cache, no-transform',
  })
  expect(response.written).toBe('retry: 1000\n\nid: 7\ndata: {"kind":"hello","now":5}\n\n')
})

test('sections that are JSON already are written as they are, also those with line breaks in their texts', () => {
  const { stream, response } = opened()
  const sections = { me: new AsJson(JSON.stringify({ name: 'two\nlines' })) }
  stream.send({ kind: 'change', sections, added: { messages: new AsJson('[1]') } }, 8)
  const line = response.written.split('\n').find(each => each.startsWith('data: ')) ?? ''
  expect(JSON.parse(line.slice(6))).toEqual({
    kind: 'change',
    sections: { me: { name: 'two\nlines' } },
    added: { messages: [1] },
  })
})

test('a quiet stream says now and then that it is there, until it is closed', () => {
  const { response } = opened()
  jest.advanceTimersByTime(41_000)
  expect(response.written.match(/^: here$/gm)).toHaveLength(2)
  response.emit('close')
  jest.advanceTimersByTime(41_000)
  expect(response.written.match(/^: here$/gm)).toHaveLength(2)
})

test('a reader far behind is let go instead of filling the memory', () => {
  const { stream, response } = opened()
  response.writableLength = 2_000_000
  stream.send({ kind: 'hello', now: 1 }, 1)
  expect(response.destroyed).toBe(true)
})

test.each([
  ['12', 12],
  ['0', 0],
  ['', null],
  ['abc', null],
  ['-1', null],
  ['1.5', null],
  [undefined, null],
])('a browser that says it was at %p was at %p', (header, expected) => {
  expect(lastSeqOf({ headers: { 'last-event-id': header } } as unknown as Request)).toBe(expected)
})
