import * as Y from 'yjs'
import { LastMoment, takeLastMoment } from './last-moment'

/** What a browser has for it, with room for so many characters. */
function storage(room: number): Storage {
  const kept = new Map<string, string>()
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => {
      if (value.length > room) throw new DOMException('full', 'QuotaExceededError')
      kept.set(key, value)
    },
    removeItem: (key: string) => kept.delete(key),
  } as unknown as Storage
}

const before = globalThis.localStorage
const withStorage = (is: Storage | undefined) =>
  Object.defineProperty(globalThis, 'localStorage', { value: is, configurable: true, writable: true })
afterAll(() => withStorage(before))
beforeEach(() => withStorage(storage(1_000_000)))

/** A page that writes these words, each at its time. */
function page(name: string, words: [string, number][]): { updates: Uint8Array[]; last: LastMoment } {
  const [doc, last] = [new Y.Doc(), new LastMoment(name)]
  const updates: Uint8Array[] = []
  let now = 0
  doc.on('update', (update: Uint8Array) => {
    updates.push(update)
    last.add(update, now)
  })
  for (const [word, at] of words) {
    now = at
    doc.getArray('words').push([word])
  }
  return { updates, last }
}

/** What the next page reads, whose disk has this. */
function read(onDisk: Uint8Array[], name: string): unknown[] {
  const doc = new Y.Doc()
  const last = takeLastMoment(name)
  for (const update of last ? [...onDisk, last] : onDisk) Y.applyUpdate(doc, update)
  return doc.getArray('words').toArray()
}

test('what was written in the last two seconds is taken up once by the next page', () => {
  const { updates, last } = page('board', [
    ['long ago', 0],
    ['a moment ago', 9_000],
    ['just now', 9_900],
  ])
  last.keep(10_000)
  const onDisk = updates.slice(0, 1)
  expect(read(onDisk, 'another')).toEqual(['long ago'])
  expect(read(onDisk, 'board')).toEqual(['long ago', 'a moment ago', 'just now'])
  expect(read(onDisk, 'board')).toEqual(['long ago'])
})

test('nothing is kept when all of it is on the disk', () => {
  page('board', [['long ago', 0]]).last.keep(5_000)
  expect(takeLastMoment('board')).toBeNull()
})

test('two pages of one board that go one after the other lose nothing of each other', () => {
  const [one, two] = [page('board', [['one', 0]]), page('board', [['two', 0]])]
  one.last.keep(10)
  two.last.keep(20)
  expect(read([], 'board').toSorted()).toEqual(['one', 'two'])
})

test.each([
  ['there is no such store', undefined],
  ['it is full', storage(10)],
])('when %s nothing fails, and nothing is kept', (_when, is) => {
  withStorage(is)
  page('board', [['just now', 0]]).last.keep(10)
  expect(takeLastMoment('board')).toBeNull()
})

test('more than a person types in that time is not kept', () => {
  page('board', [['x'.repeat(300_000), 0]]).last.keep(10)
  expect(takeLastMoment('board')).toBeNull()
})
