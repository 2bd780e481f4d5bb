/** Plans of whole days, played from their beginning to their end by simulated participants. */
import { EXAMPLES } from 'tests/conformance/prompt-kind-examples'
import { account, person, value } from 'tests/fixtures/class'
import { rehearsing } from 'tests/fixtures/rehearsing'
import { type Board, boardSchema } from '~/core/boards/board'
import type { PromptKind } from '~/core/boards/prompts/kinds'
import { answersTo } from '~/core/live/questions/state'
import { usualScript } from '~/core/rehearsal/script'
import { newSegment, type Segment } from '~/core/schedule/running-order'
import { createBoard } from '../boards/boards.server'
import { addPerson, createCohort } from '../cohorts/cohorts.server'
import { createGrouping } from '../groupings/groupings.server'
import { createSession, saveRunningOrder } from '../sessions/plans.server'

const NAMES = ['Ana', 'Bo', 'Chi', 'Dai', 'Edda', 'Finn', 'Greta', 'Hal', 'Ines', 'Jun', 'Kim', 'Lea']

/** A server, and a plan on it: a cohort of twelve in groups of so many, boards, and the segments that are made of both. */
async function planned(
  inGroup: number,
  boards: readonly Board[],
  order: (groups: Segment['groups'], boardIds: string[]) => Segment[],
) {
  const server = await rehearsing()
  const { db } = server
  const by = await account(db)
  const cohortId = await createCohort(db, 'Evening')
  const personIds: string[] = []
  for (const name of NAMES) personIds.push(value(await addPerson(db, cohortId, person(name))))
  const groups = Array.from({ length: NAMES.length / inGroup }, (_, place) => ({
    id: `g${place}`,
    name: `Group ${place + 1}`,
    personIds: personIds.slice(place * inGroup, (place + 1) * inGroup),
  }))
  const groupingId = value(await createGrouping(db, by, cohortId, { name: 'Groups', groups, version: null }))
  const boardIds: string[] = []
  for (const board of boards) boardIds.push(await createBoard(db, board))
  const form = {
    title: 'A day',
    date: '2026-11-03',
    time: '19:00',
    timeZone: 'Europe/London',
    groupingId,
    boardId: boardIds[0] ?? '',
    roomMinutes: 10,
    graceSeconds: 60,
    waitingList: true,
    rooms: [],
  }
  const sessionId = value(await createSession(db, form))
  const segments = order({ from: 'grouping', groupingId, round: 0 }, boardIds)
  value(await saveRunningOrder(db, sessionId, { segments: segments, minutes: 60 }))
  return {
    ...server,
    sessionId,
    script: { ...usualScript(NAMES.length), absent: 0, late: 0, silent: 0, drop: 0 },
  }
}

const rooms = (id: string, minutes: number, more: Partial<Segment>): Segment => ({
  ...newSegment(id, 'rooms'),
  minutes,
  warnings: [60],
  ...more,
})
const whole = (id: string, minutes: number, more: Partial<Segment> = {}): Segment => ({
  ...newSegment(id, 'whole'),
  minutes,
  ...more,
})

const cards = (title: string): Board => ({
  title,
  steps: ['Write.'],
  prompts: [{ id: 'c', kind: 'cards', text: 'What?', settings: {} }],
})

test('rooms made ready: each with an exercise of its own, and teams move on one room until each has done every exercise', async () => {
  const exercises = ['Clarity', 'Reeds', 'Birds'].map(cards)
  const day = await planned(4, exercises, (groups, stations) => [
    rooms('first', 5, { groups, stations, boardId: stations[0] ?? null }),
    rooms('second', 5, { groups: { from: 'next-step', segmentId: 'first' }, stations }),
    rooms('third', 5, { groups: { from: 'next-step', segmentId: 'second' }, stations }),
  ])
  try {
    const { state, written } = await day.played(day.sessionId, day.script)
    expect(state.phase).toBe('ended')
    const titleOf = new Map(
      state.rooms.map(({ copyId, board = 0 }) => [copyId, state.boards[board]?.title ?? '']),
    )
    const { pastRounds } = state
    expect(pastRounds).toHaveLength(3)
    // Whoever writes does so on another exercise in each round, and all three by the end.
    const seen = new Map<string, string[]>()
    for (const { startedAt, endedAt } of pastRounds) {
      const here = written.filter(({ at }) => at >= startedAt && at <= endedAt)
      expect(new Set(here.map(({ copyId }) => titleOf.get(copyId))).size).toBe(3)
      for (const participantId of new Set(here.map(one => one.participantId))) {
        const on = new Set(
          here.flatMap(one => (one.participantId === participantId ? (titleOf.get(one.copyId) ?? []) : [])),
        )
        expect(on.size).toBe(1)
        seen.set(participantId, [...(seen.get(participantId) ?? []), ...on])
      }
    }
    expect(seen.size).toBeGreaterThan(8)
    for (const titles of seen.values()) expect(new Set(titles).size).toBe(titles.length)
    expect([...seen.values()].filter(titles => titles.length === 3).length).toBeGreaterThan(3)
    expect(day.faults).toEqual([])
  } finally {
    await day.stop()
  }
}, 120_000)

test('a worksheet: part one, stop, back together, then part two on the same boards', async () => {
  const worksheet: Board = {
    title: 'Worksheet',
    steps: ['Look.'],
    prompts: [
      {
        id: 'seen',
        kind: 'short-answers',
        text: 'What is it?',
        settings: { fields: ['Its name', 'Its colour'] },
      },
      { id: 'odd', kind: 'cards', text: 'Which does not belong, and why?', settings: {}, part: 'two' },
    ],
    parts: [{ id: 'two', title: 'Part two', steps: ['Compare.'], minutes: 5, opens: 'round' }],
  }
  const day = await planned(2, [worksheet], (groups, [boardId = '']) => [
    rooms('one', 5, { groups, boardId, parts: ['seen'] }),
    whole('between', 2),
    rooms('two', 5, { groups: { from: 'earlier', segmentId: 'one' }, boardId }),
  ])
  try {
    const { state, written } = await day.played(day.sessionId, day.script)
    const [first, second] = state.pastRounds.map(({ startedAt, endedAt }) =>
      written.filter(({ at }) => at >= startedAt && at <= endedAt),
    )
    expect(state.rooms).toHaveLength(6)
    expect(new Set(first?.map(({ promptId }) => promptId))).toEqual(new Set(['seen']))
    expect(new Set(second?.map(({ promptId }) => promptId))).toContain('odd')
    // A pair whom the machine has left no time for may write nothing: the others do, where they wrote before.
    const copiesOf = (all: typeof written = []) => new Set(all.map(({ copyId }) => copyId))
    expect([...copiesOf(second)].filter(copyId => copiesOf(first).has(copyId)).length).toBeGreaterThan(3)
    expect(day.faults).toEqual([])
  } finally {
    await day.stop()
  }
}, 120_000)

test('a question, then talk: everybody answers what is planned, then groups of three; a second question after it', async () => {
  const asked = (text: string) => [
    { text, asks: { is: 'choice' as const, answers: ['Reeds', 'Birds', 'Soil'] } },
  ]
  const day = await planned(3, [cards('For and against')], (groups, [boardId = '']) => [
    // Long enough that a machine with much else to do leaves most of them time to answer.
    whole('alone', 12, { questions: asked('Which would you keep?') }),
    rooms('talk', 5, { groups, boardId }),
    whole('after', 12, { questions: asked('And now?') }),
  ])
  try {
    const { state, written } = await day.played(day.sessionId, day.script)
    expect(state.questions.map(({ text }) => text)).toEqual(['Which would you keep?', 'And now?'])
    for (const question of state.questions) expect(answersTo(state, question).size).toBeGreaterThan(3)
    expect(new Set(written.map(({ copyId }) => copyId)).size).toBe(4)
    expect(day.faults).toEqual([])
  } finally {
    await day.stop()
  }
}, 120_000)

test('ask each other: in pairs each writes down the other’s answers, and nobody their own', async () => {
  const board: Board = {
    title: 'Ask each other',
    steps: ['Ask.', 'Write down what they say.'],
    prompts: [
      {
        id: 't',
        kind: 'table',
        text: 'What did they say?',
        settings: { rows: 'people', lines: [], columns: ['Most', 'Least'] },
      },
    ],
  }
  const day = await planned(2, [board], (groups, [boardId = '']) => [rooms('pairs', 6, { groups, boardId })])
  try {
    const { written } = await day.played(day.sessionId, day.script)
    expect(new Set(written.map(({ participantId }) => participantId)).size).toBeGreaterThan(8)
    for (const { entryId, participantId } of written) expect(entryId).not.toContain(participantId)
    expect(day.faults).toEqual([])
  } finally {
    await day.stop()
  }
}, 120_000)

test('from above: boards of many kinds; under every kind of prompt there is something to write under, something is written', async () => {
  const kinds = Object.keys(EXAMPLES) as PromptKind[]
  const board = boardSchema.parse({
    title: 'Of every kind',
    steps: ['Write.'],
    // Points are given to cards, which stand before them.
    prompts: [...kinds.filter(kind => kind !== 'points'), 'points'].map(kind => ({
      id: kind,
      kind,
      text: kind,
      settings:
        kind === 'points'
          ? { over: 'cards', by: 'each', points: 3 }
          : Object.values(EXAMPLES[kind as PromptKind])[0]?.settings,
    })),
  })
  const day = await planned(4, [board], (groups, [boardId = '']) => [rooms('all', 90, { groups, boardId })])
  try {
    const { written } = await day.played(day.sessionId, { ...day.script, busy: 0, asks: 0 })
    const under = new Set(written.map(({ promptId }) => promptId))
    expect(kinds.filter(kind => kind !== 'hidden-text' && !under.has(kind))).toEqual([])
    expect(day.faults).toEqual([])
  } finally {
    await day.stop()
  }
}, 120_000)
