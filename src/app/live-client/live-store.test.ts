import { jest } from '@jest/globals'
import type { StreamMessage } from '~/contracts/live'
import { LiveStore } from './live-store'

interface View {
  session: { title: string }
  clock: null | { endsAt: number }
}

class Stream {
  readyState = 1
  onmessage: ((event: MessageEvent<string>) => void) | null = null
  onerror: ((event: Event) => void) | null = null
  onopen: ((event: Event) => void) | null = null
  closed = false
  close() {
    this.closed = true
  }
  say(message: StreamMessage) {
    this.onmessage?.({ data: JSON.stringify(message) } as MessageEvent<string>)
  }
  breakOff(readyState: number) {
    this.readyState = readyState
    this.onerror?.({} as Event)
  }
}

function followed() {
  const streams: Stream[] = []
  const store = new LiveStore<View>('/events', { session: { title: 'Evening' }, clock: null }, () => {
    const stream = new Stream()
    streams.push(stream)
    return stream
  })
  let told = 0
  const stop = store.subscribe(() => told++)
  return { store, streams, stop, told: () => told }
}

beforeEach(() => {
  jest.useFakeTimers()
})
afterEach(() => {
  jest.useRealTimers()
})

test('sections replace those held, and the others stay', () => {
  const { store, streams, told } = followed()
  streams[0]?.say({ kind: 'change', sections: { clock: { endsAt: 7 } }, added: {} })
  expect(store.getSnapshot().view).toEqual({ session: { title: 'Evening' }, clock: { endsAt: 7 } })
  expect(told()).toBe(1)
})

test('what is added goes to the end of its list', () => {
  const { store, streams } = followed()
  streams[0]?.say({ kind: 'view', sections: { messages: ['a'] } })
  streams[0]?.say({ kind: 'change', sections: {}, added: { messages: ['b', 'c'] } })
  expect(store.getSnapshot().view).toMatchObject({ messages: ['a', 'b', 'c'] })
})

test('work of some rooms leaves that of others', () => {
  const { store, streams } = followed()
  const room = (answeredPrompts: number) => ({ pulse: [], latest: null, answeredPrompts })
  streams[0]?.say({ kind: 'work', rooms: { reeds: room(1), birds: room(0) } })
  streams[0]?.say({ kind: 'work', rooms: { birds: room(2) } })
  expect(store.getSnapshot().work).toMatchObject({
    reeds: { answeredPrompts: 1 },
    birds: { answeredPrompts: 2 },
  })
})

test('a line that breaks is said to be lost; the browser takes it up again', () => {
  const { store, streams } = followed()
  streams[0]?.breakOff(0)
  expect(store.getSnapshot().line).toBe('lost')
  streams[0]?.onopen?.({} as Event)
  expect(store.getSnapshot().line).toBe('live')
  expect(streams).toHaveLength(1)
})

test('a stream the browser gave up on is opened anew, with growing patience', () => {
  const { streams } = followed()
  streams[0]?.breakOff(2)
  jest.advanceTimersByTime(1000)
  expect(streams).toHaveLength(2)
  streams[1]?.breakOff(2)
  jest.advanceTimersByTime(1000)
  expect(streams).toHaveLength(2)
  jest.advanceTimersByTime(1000)
  expect(streams).toHaveLength(3)
})

test('nobody listening, nothing is open', () => {
  const { streams, stop } = followed()
  streams[0]?.breakOff(2)
  stop()
  jest.advanceTimersByTime(60_000)
  expect(streams).toHaveLength(1)
  expect(streams[0]?.closed).toBe(true)
})
