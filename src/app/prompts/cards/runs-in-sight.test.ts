import { jest } from '@jest/globals'
import { RunsInSight } from './runs-in-sight'

type Told = (entries: Pick<IntersectionObserverEntry, 'target' | 'isIntersecting'>[]) => void

/** Stands in for the browser's, which says when an element comes near what is seen. */
class FakeObserver {
  static told: Told
  static observed = new Set<Element>()
  constructor(told: Told) {
    FakeObserver.told = told
  }
  observe = (element: Element) => FakeObserver.observed.add(element)
  unobserve = (element: Element) => FakeObserver.observed.delete(element)
}

beforeAll(() => {
  globalThis.IntersectionObserver = FakeObserver as unknown as typeof IntersectionObserver
})

const element = () => ({}) as Element
const isWhole = (runs: RunsInSight) => (place: number) => runs.drawn(place) === 'whole'

test('a run is seen with the one before it, once its first card comes near, and is then not asked about any more', () => {
  const runs = new RunsInSight()
  let told = 0
  runs.subscribe(() => told++)
  const [third, fifth] = [element(), element()]
  runs.watch(third, 16)
  runs.watch(fifth, 32)
  FakeObserver.told([{ target: third, isIntersecting: false }])
  expect([runs.drawn(16), told]).toEqual(['frame', 0])
  FakeObserver.told([{ target: fifth, isIntersecting: true }])
  expect([16, 23, 24, 31, 32, 39, 40].filter(isWhole(runs))).toEqual([24, 31, 32, 39])
  expect(told).toBe(1)
  expect(FakeObserver.observed).toEqual(new Set([third]))
})

test('what is watched no more wakes nothing', () => {
  const runs = new RunsInSight()
  const third = element()
  const stop = runs.watch(third, 16)
  stop()
  FakeObserver.told([{ target: third, isIntersecting: true }])
  expect(runs.drawn(16)).toBe('frame')
})

test('the first sixteen are seen from the beginning', () => {
  expect([0, 15, 16].map(isWhole(new RunsInSight()))).toEqual([true, true, false])
})

test('the others say what they say a second later, forty at a time, up to the last of the list, and those that come after', () => {
  jest.useFakeTimers()
  const runs = new RunsInSight()
  let told = 0
  runs.subscribe(() => told++)
  runs.spellOut(90)
  const wordsAfter = (ms: number) => {
    jest.advanceTimersByTime(ms)
    return [15, 16, 39, 40, 79, 80, 119, 120].filter(place => runs.drawn(place) === 'words')
  }
  expect(wordsAfter(999)).toEqual([])
  expect(wordsAfter(1)).toEqual([16, 39])
  expect(wordsAfter(200)).toEqual([16, 39, 40, 79])
  expect(wordsAfter(200)).toEqual([16, 39, 40, 79, 80, 119])
  expect([wordsAfter(10_000).length, told, jest.getTimerCount()]).toEqual([6, 3, 0])
  runs.spellOut(121)
  expect(wordsAfter(200)).toEqual([16, 39, 40, 79, 80, 119, 120])
  runs.spellOut(500)
  runs.stop()
  expect(jest.getTimerCount()).toBe(0)
  jest.useRealTimers()
})
