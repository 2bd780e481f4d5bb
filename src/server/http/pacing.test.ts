import { setImmediate } from 'node:timers/promises'
import type { Request, Response } from 'express'
import { oneATurn } from './pacing.server'

const pacedBy = (pace: ReturnType<typeof oneATurn>, begun: string[]) => (name: string) =>
  pace({} as Request, {} as Response, () => begun.push(name))

test('what comes at once is begun in order, one a turn of the event loop', async () => {
  const begun: string[] = []
  const ask = pacedBy(oneATurn(), begun)
  for (const name of ['a', 'b', 'c']) ask(name)
  const seen: number[] = []
  for (let turn = 0; turn < 4; turn++) {
    await setImmediate()
    seen.push(begun.length)
  }
  expect(begun).toEqual(['a', 'b', 'c'])
  for (const [turn, count] of seen.entries()) expect(count).toBeLessThanOrEqual(turn + 1)
})

test('after a pause the next one is begun again', async () => {
  const begun: string[] = []
  const ask = pacedBy(oneATurn(), begun)
  ask('a')
  await setImmediate()
  await setImmediate()
  ask('b')
  await setImmediate()
  await setImmediate()
  expect(begun).toEqual(['a', 'b'])
})
