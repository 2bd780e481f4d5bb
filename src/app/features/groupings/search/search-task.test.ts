import { arrange } from '~/core/grouping/arrange'
import { drawGrouping } from '~/core/grouping/grouping'
import type { GroupingQuestion } from '~/core/grouping/pose'
import { groupNames, named } from './group-names'
import { noteOf, outcomeOf, taskFor } from './search-task'

const person = (id: string) => ({ id, shownName: id, trainedToLead: false, columns: {} })
const question = (more: Partial<GroupingQuestion> = {}): GroupingQuestion => ({
  people: ['a', 'b', 'c', 'd'].map(person),
  groups: [
    { name: 'Reeds', size: 2 },
    { name: 'Birds', size: 2 },
  ],
  rules: [],
  aims: [],
  columns: [],
  history: new Map(),
  now: new Map(),
  held: new Set(),
  ...more,
})
const round = (...groups: string[][]) => ({
  groups: groups.map((personIds, index) => ({ id: `g${index}`, name: `Group ${index + 1}`, personIds })),
  unplacedIds: [],
})

test('where only sizes are asked groups are drawn, and the same ones must not come back', () => {
  expect(taskFor({ kind: 'groups' }, question(), 7, [round(['a', 'b'], ['c', 'd', 'gone'])])).toEqual({
    kind: 'draw',
    personIds: ['a', 'b', 'c', 'd'],
    sizes: [2, 2],
    seed: 7,
    previous: [
      ['a', 'b'],
      ['c', 'd'],
    ],
  })
})

test('with nobody in groups yet nothing has to be other than before', () => {
  expect(taskFor({ kind: 'groups' }, question(), 7, [round([], [])])).toMatchObject({ previous: undefined })
  expect(taskFor({ kind: 'groups' }, question(), 7, [])).toMatchObject({ previous: undefined })
})

test.each([
  ['a rule', { rules: [{ id: 'r', kind: 'apart' as const, personIds: ['a', 'b'], reason: '' }] }],
  ['an aim', { aims: [{ kind: 'fresh' as const, strength: 2 as const }] }],
  ['somebody held', { held: new Set(['a']) }],
])('with %s they are searched for', (_, more) => {
  expect(taskFor({ kind: 'groups' }, question(more), 7, [])).toMatchObject({ kind: 'arrange', seed: 7 })
})

test('several rounds are told where those who are held sit in each', () => {
  const rounds = [round(['a', 'b'], ['c', 'd']), round(['c', 'd'], ['a', 'b'])]
  const task = taskFor({ kind: 'rounds', rounds: 3 }, question({ held: new Set(['a', 'd']) }), 7, rounds)
  expect(task).toMatchObject({ kind: 'rounds', rounds: 3 })
  expect(task.kind === 'rounds' && task.seats.map(seats => [...seats].sort())).toEqual([
    [
      ['a', 0],
      ['d', 1],
    ],
    [
      ['a', 1],
      ['d', 0],
    ],
  ])
})

test('moves of a repair are said with the names of the groups', () => {
  const moves = [{ personId: 'a', from: 0, to: 1 }]
  const reply = { kind: 'repair-step' as const, groups: [], moves, steps: 1, proved: true, done: true }
  expect(outcomeOf(reply as never, question())).toEqual({
    kind: 'repair',
    proved: true,
    moves: [{ personId: 'a', from: 'Reeds', to: 'Birds' }],
  })
})

test('groups keep their names, and new ones get numbers that are free', () => {
  const present = round(['a'], ['b'])
  expect(groupNames(present, 1)).toEqual(['Group 1'])
  expect(groupNames({ ...present, groups: present.groups.slice(1) }, 3)).toEqual([
    'Group 2',
    'Group 1',
    'Group 3',
  ])
  expect(groupNames(round(), 0)).toEqual([])
})

test('an answer stands under the ids and names it was asked for', () => {
  expect(
    named(
      question(),
      ['x', 'y'],
      [
        ['a', 'c'],
        ['b', 'd'],
      ],
      ['e'],
    ),
  ).toEqual({
    groups: [
      { id: 'x', name: 'Reeds', personIds: ['a', 'c'] },
      { id: 'y', name: 'Birds', personIds: ['b', 'd'] },
    ],
    unplacedIds: ['e'],
  })
})

test('it is said when there are no other groups; otherwise nothing is', () => {
  const searched = (rules: GroupingQuestion['rules'], before: string[][]) => {
    const task = taskFor({ kind: 'groups' }, question({ rules }), 7, [round(...before)])
    if (task.kind !== 'arrange') throw new Error('Not searched for.')
    const search = arrange(task.question, { seed: 7, steps: 10_000 }, task.before)
    let step = search.next()
    while (!step.done) step = search.next()
    return noteOf({ kind: 'step', id: 1, ...step.value, done: true })
  }
  const together = { id: 'r', kind: 'together' as const, personIds: ['a', 'b'], reason: '' }
  const pairs = [
    ['a', 'b'],
    ['c', 'd'],
  ]
  expect(searched([together], pairs)).toBe(
    'No other groups that keep as many rules were found: these are the same as before.',
  )
  expect(
    searched(
      [{ ...together, kind: 'apart' }],
      [
        ['a', 'c'],
        ['b', 'd'],
      ],
    ),
  ).toBeNull()
  const drawn = (sizes: number[], previous?: string[][]) =>
    noteOf({
      kind: 'drawn',
      id: 1,
      ...drawGrouping({ personIds: ['a', 'b', 'c', 'd'], sizes, seed: 1, previous }),
    })
  expect(drawn([4], [['a', 'b', 'c', 'd']])).toBe(
    'There is no other way to group these people in these sizes.',
  )
  expect([drawn([2, 2], pairs), drawn([4])]).toEqual([null, null])
})
