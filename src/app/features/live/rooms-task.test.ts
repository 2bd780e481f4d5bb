import type { PairPast } from '~/core/history/pairs'
import type { LanePerson } from '~/core/live/door/shown'
import { columnWishes, movesSaid, repairTask, roomNames, roomsTask, saidOf } from './rooms-task'
import type { KnownHere } from './use-facts-here'

const person = (id: string): LanePerson => ({
  id,
  onList: false,
  shownName: id,
  typedName: id,
  connected: true,
  hasDevice: true,
  onPhone: false,
  admitted: true,
  roomId: null,
  inRoom: false,
  seenAt: 0,
})
const here = ['a', 'b', 'c', 'd'].map(person)
const met: PairPast = { times: 1, minutes: 5, lastAt: 0, lastDay: '', lastTitle: '', weight: 1 }
const known = (changes: Partial<KnownHere> = {}): KnownHere => ({
  people: here.map(({ id }) => ({ id, trainedToLead: id === 'a', columns: {} })),
  rules: [],
  columns: [{ name: 'First language', kind: 'text' }],
  history: new Map([['a b', met]]),
  asked: [],
  saved: [],
  ...changes,
})
const asked = { fresh: true, keepRules: true, column: '' }
const two = [
  { name: 'Reeds', people: here.slice(0, 2) },
  { name: 'Birds', people: here.slice(2) },
]
const task = (changes: Partial<Parameters<typeof roomsTask>[0]> = {}, sizes = [2, 2]) =>
  roomsTask({ here, groups: [], facts: null, held: new Set(), asked, ...changes }, sizes, 7)

test('where nothing is known and nothing held it is a fair draw that differs from what stands there', () => {
  expect(task({ groups: two })).toEqual({
    kind: 'draw',
    personIds: ['a', 'b', 'c', 'd'],
    sizes: [2, 2],
    seed: 7,
    previous: [
      ['a', 'b'],
      ['c', 'd'],
    ],
  })
  expect(task({ facts: known({ history: new Map() }) }).kind).toBe('draw')
  expect(task({ facts: known(), asked: { ...asked, fresh: false } }).kind).toBe('draw')
})

test('fresh pairs, rules and a column are asked of the engine, each only when it is wanted', () => {
  const rule = { id: 'r', reason: '', kind: 'apart' as const, personIds: ['a', 'b'] }
  const facts = known({ rules: [rule] })
  expect(task({ facts, asked: { ...asked, column: 'mixed First language' } })).toMatchObject({
    kind: 'arrange',
    question: {
      rules: [rule],
      aims: [
        { kind: 'fresh', strength: 2 },
        { kind: 'mixed', column: 'First language', strength: 2 },
      ],
      groups: [
        { name: 'Group 1', size: 2 },
        { name: 'Group 2', size: 2 },
      ],
    },
  })
  expect(task({ facts, asked: { ...asked, keepRules: false } })).toMatchObject({ question: { rules: [] } })
  expect(task({ facts, asked: { ...asked, fresh: false } })).toMatchObject({ question: { aims: [] } })
})

test('who is held stays, in a group made large enough; in a group there will not be any more nobody is held', () => {
  const held = new Set(['a', 'b', 'c'])
  expect(task({ groups: two, held }, [1, 3])).toMatchObject({
    kind: 'arrange',
    question: {
      held: new Set(['a', 'b', 'c']),
      groups: [
        { name: 'Reeds', size: 2 },
        { name: 'Birds', size: 2 },
      ],
    },
  })
  expect(task({ groups: two, held: new Set(['c']) }, [4]).kind).toBe('draw')
})

test('somebody who came after the facts were fetched is grouped like everybody', () => {
  const late = task({ here: [...here, person('late')], facts: known() }, [2, 3])
  expect(late.kind === 'arrange' && late.question.people.at(-1)).toEqual({
    id: 'late',
    trainedToLead: false,
    columns: {},
  })
})

test('groups that stand there keep their names, and no two are the same', () => {
  expect(roomNames([{ name: 'group 2', people: [] }], 3)).toEqual(['group 2', 'Group 1', 'Group 3'])
  expect(roomNames(two, 1)).toEqual(['Reeds'])
})

test('what could not be had is said', () => {
  const step = { kind: 'step' as const, id: 1, cost: 0, bound: 0, proved: true, steps: 1, done: true }
  const groups = [
    ['a', 'b'],
    ['c', 'd'],
  ]
  expect(saidOf({ ...step, groups, broken: 2, sameAsBefore: true }, known(), asked)).toBe(
    '2 rules could not be kept. No other groups that keep as many rules were found: these are the same as before. One pair has worked together before.',
  )
  expect(saidOf({ ...step, groups: [['a', 'c']], broken: 0, sameAsBefore: false }, known(), asked)).toBe(
    'Nobody is with anybody they have worked with.',
  )
  expect(saidOf({ kind: 'drawn', id: 1, groups, differs: null }, null, asked)).toBeNull()
})

test('a column can be asked for in two ways', () => {
  expect(columnWishes(known().columns).map(({ text }) => text)).toEqual([
    'mixed by First language',
    'alike in First language',
  ])
})

const saved = (...groups: [string, string[]][]) => ({
  id: 'k 1',
  name: 'Kept',
  groups: groups.map(([name, participantIds]) => ({ name, participantIds })),
})
const repaired = (round: ReturnType<typeof saved>, people = here) =>
  repairTask({ here: people, facts: known(), asked }, round, 7)

test('a kept grouping in which everybody is and nobody alone stands as it is', () => {
  expect(repaired(saved(['Reeds', ['a', 'b']], ['Birds', ['c', 'd']]))?.task.question).toMatchObject({
    groups: [
      { name: 'Reeds', size: 2 },
      { name: 'Birds', size: 2 },
    ],
    now: new Map([
      ['a', 0],
      ['b', 0],
      ['c', 1],
      ['d', 1],
    ]),
  })
})

test('of six groups with four people here there are two; the fullest stay, whoever is new is placed', () => {
  const six = saved(
    ['1', ['a']],
    ['2', ['x']],
    ['3', ['b', 'y']],
    ['4', []],
    ['5', ['c', 'd']],
    ['6', ['gone']],
  )
  expect(repaired(six)).toMatchObject({
    names: ['1', '5'],
    task: { question: { groups: [{ size: 2 }, { size: 2 }] } },
  })
  expect(repaired(six, [person('new')])).toMatchObject({
    names: ['1'],
    task: { question: { now: new Map() } },
  })
  expect(repaired(six, [])).toBeNull()
  const five = [...here, person('e')]
  expect(
    repaired(saved(['A', ['a', 'b']], ['B', ['c', 'd']]), five)?.task.question.groups.map(each => each.size),
  ).toEqual([3, 2])
})

test('what was changed is named, person by person, the first of many', () => {
  const task = { question: { now: new Map([['a', 0]]) } }
  const reply = { kind: 'repair-step' as const, id: 1, proved: true, steps: 1, done: true, broken: 1 }
  const moves = [{ personId: 'a', from: 0, to: 1 }]
  expect(
    movesSaid({ ...reply, groups: [['b'], ['a']], moves }, task, ['Reeds', 'Birds'], id => id.toUpperCase()),
  ).toBe('One rule could not be kept. A: Reeds → Birds; B: to Reeds.')
  expect(movesSaid({ ...reply, broken: 0, groups: [['a']], moves: [] }, task, ['Reeds'], id => id)).toBe(
    'As it was kept: nobody had to move.',
  )
  const many = Array.from({ length: 10 }, (_, number) => ({ personId: `p${number}`, from: 0, to: 1 }))
  expect(movesSaid({ ...reply, broken: 0, groups: [], moves: many }, task, ['A', 'B'], id => id)).toMatch(
    / and 2 more\.$/,
  )
})
