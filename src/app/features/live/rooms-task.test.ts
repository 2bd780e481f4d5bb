import type { PairPast } from '~/core/history/pairs'
import type { LanePerson } from '~/core/live/door/shown'
import { columnWishes, roomNames, roomsTask, saidOf } from './rooms-task'
import type { KnownHere } from './use-facts-here'

const person = (id: string): LanePerson => ({
  id,
  onList: false,
  shownName: id,
  typedName: id,
  connected: true,
  hasDevice: true,
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
