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

test('a run is seen with the one before it, once its first card comes near, and is then not asked about any more', () => {
  const runs = new RunsInSight()
  let told = 0
  runs.subscribe(() => told++)
  const [third, fifth] = [element(), element()]
  runs.watch(third, 16)
  runs.watch(fifth, 32)
  FakeObserver.told([{ target: third, isIntersecting: false }])
  expect([runs.has(16), told]).toEqual([false, 0])
  FakeObserver.told([{ target: fifth, isIntersecting: true }])
  expect([16, 23, 24, 31, 32, 39, 40].filter(runs.has)).toEqual([24, 31, 32, 39])
  expect(told).toBe(1)
  expect(FakeObserver.observed).toEqual(new Set([third]))
})

test('what is watched no more wakes nothing', () => {
  const runs = new RunsInSight()
  const third = element()
  const stop = runs.watch(third, 16)
  stop()
  FakeObserver.told([{ target: third, isIntersecting: true }])
  expect(runs.has(16)).toBe(false)
})

test('the first sixteen are seen from the beginning', () => {
  expect([0, 15, 16].map(new RunsInSight().has)).toEqual([true, true, false])
})
