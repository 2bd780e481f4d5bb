import { groupingRound, type PlanBoard, type PlanFacts, readiness } from './readiness'
import { newSegment, type Segment } from './running-order'

const board = (id: string, title: string, steps: number, prompts: number): PlanBoard => ({
  id,
  title,
  steps,
  prompts: Array.from({ length: prompts }, (_, index) => ({ id: `${id}${index}`, text: '' })),
  unfinished: [],
  minutes: 0,
})
const facts = (changes: Partial<PlanFacts> = {}): PlanFacts => ({
  minutes: 60,
  people: 7,
  rounds: new Map([
    [
      groupingRound('g', 0),
      {
        groups: [
          { name: 'Reeds', people: 3, leads: 0 },
          { name: 'Birds', people: 4, leads: 0 },
        ],
        unplaced: 0,
        brokenRules: [],
      },
    ],
    [
      groupingRound('g', 1),
      {
        groups: [
          { name: 'One', people: 1, leads: 0 },
          { name: 'Six', people: 6, leads: 0 },
          { name: 'None', people: 0, leads: 0 },
        ],
        unplaced: 2,
        brokenRules: ['Ana and Bo apart'],
      },
    ],
  ]),
  boards: new Map([
    ['b', board('b', 'Notes', 2, 2)],
    ['long', board('long', 'Too long', 4, 1)],
    ['mute', board('mute', 'Mute', 0, 1)],
    ['rich', board('rich', 'Rich', 1, 7)],
    ['begun', { ...board('begun', 'Begun', 1, 1), unfinished: ['Prompt 1 asks nothing yet.'] }],
    ['whole', { ...board('whole', 'Whole', 1, 1), minutes: 12 }],
    ['slow', { ...board('slow', 'Slow', 1, 1), minutes: 13 }],
  ]),
  atTheSameTime: [],
  ...changes,
})
const round = (changes: Partial<Segment> = {}): Segment => ({
  ...newSegment('r', 'rooms'),
  groups: { from: 'grouping', groupingId: 'g', round: 0 },
  boardId: 'b',
  ...changes,
})
const codes = (order: Segment[], changes?: Partial<PlanFacts>) =>
  readiness(order, facts(changes)).map(({ code }) => code)

test('a plan in which all fits raises nothing, and neither does an empty one', () => {
  expect(readiness([newSegment('w', 'whole'), round()], facts())).toEqual([])
  expect(readiness([], facts())).toEqual([])
})

test.each<[string, Partial<Segment>, string[]]>([
  [
    'a round of four minutes, with a warning at five',
    { minutes: 4, warnings: [300, 60] },
    ['short-round', 'late-warning'],
  ],
  ['a warning at the very beginning', { minutes: 5, warnings: [300] }, ['late-warning']],
  ['a broadcast after the end', { says: [{ when: 'after-start', minutes: 12, text: 'Look' }] }, ['late-say']],
  [
    'groups of nobody, one and six, two in none, and a rule that they break',
    { groups: { from: 'grouping', groupingId: 'g', round: 1 } },
    ['unplaced', 'rule-broken', 'group-of-one', 'large-group', 'empty-group'],
  ],
  ['a grouping that is gone', { groups: { from: 'grouping', groupingId: 'x', round: 0 } }, ['grouping-gone']],
  [
    'a round the grouping has not',
    { groups: { from: 'grouping', groupingId: 'g', round: 7 } },
    ['grouping-gone'],
  ],
  ['no board', { boardId: null }, ['no-board']],
  ['a board that is gone', { boardId: 'gone' }, ['no-board']],
  ['four steps', { boardId: 'long' }, ['many-steps']],
  ['no instructions', { boardId: 'mute' }, ['no-instructions']],
  ['seven prompts in twelve minutes', { boardId: 'rich' }, ['many-prompts']],
  ['a board that is not finished', { boardId: 'begun' }, ['unfinished-board']],
  ['parts of as many minutes as the round', { boardId: 'whole' }, []],
  ['parts of a minute more than the round', { boardId: 'slow' }, ['long-parts']],
  [
    'six of the seven open',
    { boardId: 'rich', parts: ['rich0', 'rich1', 'rich2', 'rich3', 'rich4', 'rich5'] },
    [],
  ],
  ['a station without a board', { stations: ['b', 'gone'] }, ['station-without-board']],
  ['one board for two rooms', { stations: ['b'] }, ['few-stations']],
  ['a board for each room, of which one is mute', { stations: ['b', 'mute'] }, ['no-instructions']],
  [
    'six places for seven people',
    { groups: { from: 'choice', rooms: ['A', 'B'], least: 1, most: 3 } },
    ['few-places'],
  ],
  ['places for everybody', { groups: { from: 'choice', rooms: ['A', 'B'], least: 1, most: 0 } }, []],
])('%s', (_what, changes, expected) => {
  expect(codes([round(changes)])).toEqual(expected)
})

test('a lead is missed only where roles are asked and others are trained', () => {
  const led = new Map([
    [
      groupingRound('g', 0),
      {
        groups: [
          { name: 'Reeds', people: 3, leads: 1 },
          { name: 'Birds', people: 4, leads: 0 },
        ],
        unplaced: 0,
        brokenRules: [],
      },
    ],
  ])
  const roles = { rule: 'alphabet' as const, mayPass: true }
  expect(readiness([round({ roles })], facts({ rounds: led }))).toMatchObject([
    { code: 'no-lead', text: expect.stringContaining('Birds') },
  ])
  expect(codes([round()], { rounds: led })).toEqual([])
  expect(codes([round({ roles })])).toEqual([])
})

test('half time always falls into the round, however short', () => {
  expect(
    codes([round({ minutes: 5, warnings: [], says: [{ when: 'half', minutes: 99, text: 'Half' }] })]),
  ).toEqual([])
})

test('groups as in an earlier segment must come from a round before it', () => {
  const again = (segmentId: string) => ({ ...round({ groups: { from: 'earlier', segmentId } }), id: 'again' })
  const whole = { ...newSegment('w', 'whole') }
  expect(codes([round(), whole, again('r')])).toEqual([])
  for (const segmentId of ['w', 'again', 'gone'])
    expect(codes([round(), whole, again(segmentId)])).toEqual(['no-earlier-rooms'])
  const on = { ...round({ groups: { from: 'next-step', segmentId: 'r' } }), id: 'on' }
  expect([codes([round(), on]), codes([on])]).toEqual([[], ['no-earlier-rooms']])
})

test('what is longer than the session says by how much, and only when the session has an end', () => {
  const long = [round({ minutes: 70 })]
  expect(readiness(long, facts())).toMatchObject([
    { segmentId: null, text: expect.stringContaining('10 min more') },
  ])
  expect(codes(long, { minutes: null })).toEqual([])
  expect(codes([], { atTheSameTime: ['Evening 2'] })).toEqual(['same-time'])
})

test('what stands in a segment without rooms is no concern of a round', () => {
  expect(codes([{ ...round({ minutes: 2, boardId: null }), kind: 'whole' }])).toEqual([])
})
