import type { Arrangement } from '../grouping'
import { repeatedPairs, whomOneMeets } from './meets'

const round = (...groups: string[]): Arrangement => ({
  groups: groups.map((people, index) => ({
    id: `g${index}`,
    name: `Group ${index + 1}`,
    personIds: [...people],
  })),
  unplacedIds: ['z'],
})
const rounds = [round('abc', 'def'), round('abd', 'cef'), round('ab', 'cdef')]

test('pairs who meet again, those who meet most often first', () => {
  expect(repeatedPairs(rounds)).toEqual([
    { pair: ['a', 'b'], rounds: [0, 1, 2] },
    { pair: ['e', 'f'], rounds: [0, 1, 2] },
    { pair: ['d', 'e'], rounds: [0, 2] },
    { pair: ['d', 'f'], rounds: [0, 2] },
    { pair: ['c', 'e'], rounds: [1, 2] },
    { pair: ['c', 'f'], rounds: [1, 2] },
  ])
})

test('whom one person is with in each round, and whom never', () => {
  expect(whomOneMeets(rounds, 'a')).toEqual({
    rounds: [
      { groupName: 'Group 1', withIds: ['b', 'c'] },
      { groupName: 'Group 1', withIds: ['b', 'd'] },
      { groupName: 'Group 1', withIds: ['b'] },
    ],
    never: ['e', 'f', 'z'],
  })
})
