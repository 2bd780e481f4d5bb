import { Parser } from 'commonmark'
import fc from 'fast-check'
import { door, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { type Answer, textsOf } from '../boards/prompts/kinds'
import { allMarks } from '../live/marks'
import { attendance, roomsOfEverybody, stays } from './attendance'
import { addToPulse, pulseStart } from './pulse'
import { peopleRows, reportMarkdown, type SessionReport, workRows } from './report'

const MINUTE = 60_000

/** Ana stays; Bo drops for two minutes and is moved; Chi comes late. */
function evening(): Rehearsed {
  const session = new Rehearsed()
  session.join(1 * MINUTE, 'ana', 'bo')
  session.sendOut(2 * MINUTE)
  session.tell(3 * MINUTE, door, { type: 'disconnect', participantId: 'bo' })
  session.tell(5 * MINUTE, door, { type: 'connect', participantId: 'bo' })
  session.tell(6 * MINUTE, facilitator, { type: 'broadcast', messageId: 'm', text: 'Look up.' })
  session.join(6 * MINUTE, 'chi')
  session.tell(7 * MINUTE, facilitator, { type: 'place', participantId: 'bo', roomId: 'birds' })
  session.tell(8 * MINUTE, participant('ana'), { type: 'call-help', helpId: 'h' })
  session.tell(9 * MINUTE, facilitator, { type: 'visit', roomId: 'reeds' })
  session.tell(10 * MINUTE, facilitator, { type: 'end' })
  return session
}

test('presence is the time somebody was connected, by place', () => {
  const rows = attendance(evening().log, 99 * MINUTE).map(row => [
    row.shownName,
    row.presentMs / MINUTE,
    row.inRoomsMs / MINUTE,
    row.roomIds,
  ])
  expect(rows).toEqual([
    ['Ana', 9, 8, ['reeds']],
    ['Bo', 7, 6, ['reeds', 'birds']],
    ['Chi', 4, 0, []],
  ])
})

test('stays of a session that still runs are counted up to now', () => {
  const session = new Rehearsed()
  session.join(1 * MINUTE, 'ana')
  expect(stays(session.log, 4 * MINUTE)).toEqual([
    { participantId: 'ana', roomId: null, from: MINUTE, to: 4 * MINUTE },
  ])
})

test('a room counts once somebody was in it, from when they first were to when they last left', () => {
  const session = evening()
  const rooms = (log = session.log) =>
    [...roomsOfEverybody(log)].flatMap(([id, own]) =>
      [...own].map(([roomId, { firstAt, leftAt }]) => [
        id,
        roomId,
        firstAt / MINUTE,
        leftAt && leftAt / MINUTE,
      ]),
    )
  expect(rooms()).toEqual([
    ['ana', 'reeds', 2, 10],
    ['bo', 'reeds', 2, 7],
    ['bo', 'birds', 7, 10],
  ])
  expect(rooms(session.log.filter(({ at }) => at < 10 * MINUTE)).filter(([id]) => id === 'bo')).toEqual([
    ['bo', 'reeds', 2, 7],
    ['bo', 'birds', 7, null],
  ])
})

test('who comes back to a room keeps when they first were there', () => {
  const session = new Rehearsed()
  session.join(1, 'ana')
  session.sendOut(2)
  session.tell(3, facilitator, { type: 'place', participantId: 'ana', roomId: 'birds' })
  session.tell(4, facilitator, { type: 'place', participantId: 'ana', roomId: 'reeds' })
  session.tell(5, facilitator, { type: 'end' })
  expect([...(roomsOfEverybody(session.log).get('ana') ?? [])]).toEqual([
    ['reeds', { firstAt: 2, leftAt: 5, rounds: { 1: 5 } }],
    ['birds', { firstAt: 3, leftAt: 4, rounds: { 1: 4 } }],
  ])
})

test('marks stand in the lane and at the time where things happened', () => {
  expect(allMarks(evening().log).map(mark => [mark.at / MINUTE, mark.roomId, mark.kind, mark.what])).toEqual([
    [2, 'reeds', 'joined', 'Ana'],
    [2, 'reeds', 'joined', 'Bo'],
    [3, 'reeds', 'dropped', 'Bo'],
    [5, 'reeds', 'back', 'Bo'],
    [6, 'reeds', 'broadcast', 'Look up.'],
    [7, 'reeds', 'left', 'Bo'],
    [7, 'birds', 'joined', 'Bo'],
    [8, 'reeds', 'help', 'Ana'],
    [9, 'reeds', 'visit', 'Marit'],
    [9, 'reeds', 'helped', 'visit'],
  ])
})

test('the pulse adds up work by half minutes, in order', () => {
  expect(pulseStart(61_000)).toBe(60_000)
  const bars = [
    [61_000, 2],
    [10_000, 1],
    [89_999, 3],
  ].reduce<{ at: number; edits: number }[]>((list, [at = 0, edits = 0]) => addToPulse(list, at, edits), [])
  expect(bars).toEqual([
    { at: 0, edits: 1 },
    { at: 60_000, edits: 5 },
  ])
})

const report: SessionReport = {
  title: 'Evening *1*',
  date: 'Tuesday 3 November 2026, 19:00 (Europe/London)',
  board: {
    title: 'Notes',
    steps: [],
    prompts: [
      { id: 'c', kind: 'cards', text: 'What?', settings: {} },
      { id: 's', kind: 'sheet', text: 'How?', settings: {} },
      { id: 'y', kind: 'yes-no', text: 'Again?', settings: {} },
    ],
  },
  rooms: [
    {
      roomId: 'reeds',
      name: 'Reeds',
      members: ['Ana', 'Bo'],
      answers: [
        {
          promptId: 'c',
          kind: 'cards',
          cards: [
            { id: '1', text: '# one_two' },
            { id: '2', text: ' ' },
          ],
        },
        { promptId: 's', kind: 'sheet', text: 'Roll it.\n- feel\n- look' },
        { promptId: 'y', kind: 'yes-no', answer: 'yes', reason: 'mud' },
      ],
      late: [],
    },
    { roomId: 'birds', name: 'Birds', members: [], answers: [], late: [] },
  ],
  people: [
    { shownName: 'Ana | Bo', rooms: ['Reeds'], presentMinutes: 9, inRoomsMinutes: 8, contributions: 3 },
  ],
}

// CommonMark 0.31.2, 2.4: a backslash before punctuation keeps it text; GFM 4.10: a bar in a cell is escaped.
test('Markdown keeps what people wrote as text', () => {
  const text = reportMarkdown(report)
  expect(text).toContain('# Evening \\*1\\*\n')
  expect(text).toContain('## What?\n\n### Reeds\n\nAna, Bo\n\n- \\# one_two\n')
  expect(text).toContain('Roll it.\n\n- feel\n- look\n')
  expect(text).toContain('### Birds\n\n_Nobody was in this room._\n\n_Nothing written._\n')
  expect(text).toContain('| Ana \\| Bo | Reeds | 9 | 8 | 3 |')
})

test('what came late stands after what the room made, said to be late, under its own prompt', () => {
  const [room] = report.rooms
  const late = [{ promptId: 'c', text: '# from the bus', by: 'Bo' }]
  const text = reportMarkdown({ ...report, rooms: room ? [{ ...room, late }] : [] })
  expect(text).toContain(
    '- \\# one_two\n\n_Came late, and is not on the board:_\n\n- \\# from the bus (Bo)\n\n## How?',
  )
  expect(text.match(/Came late/g)).toHaveLength(1)
})

// Every line ending of CommonMark 0.31 (section 2.1) ends a line, and what stands after it is text there too.
test.each(['\n', '\r', '\r\n'])('what stands after %j makes no ruler, heading or list', ending => {
  const said = `one${ending}---${ending}# two${ending}- three`
  const [room] = report.rooms
  const answers: Answer[] = [{ promptId: 'c', kind: 'cards', cards: [{ id: 'x', text: said }] }]
  const text = reportMarkdown({
    ...report,
    title: `A${ending}# B`,
    board: { ...report.board, prompts: report.board.prompts.slice(0, 1) },
    rooms: room ? [{ ...room, answers }] : [],
    people: [],
  })
  expect(blocksOf(text)).toEqual([
    'A # B',
    report.date,
    'What?',
    'Reeds',
    'Ana, Bo',
    tidy('one\n---\n# two\n- three'),
  ])
})

// Read back by the reference implementation of CommonMark (the package `commonmark`).
test('whatever people write on cards and sheets, a reader of Markdown shows just that', () => {
  const sign = fc.constantFrom(...'aB1 -+=*_#>`~<&;[]()!|.:\\/"'.split(''))
  const line = fc.string({ unit: sign, maxLength: 12 })
  const lines = fc.array(line, { minLength: 1, maxLength: 4 }).map(list => list.join('\n'))
  fc.assert(
    fc.property(fc.array(lines, { maxLength: 4 }), lines, (cards, sheet) => {
      const answers: Answer[] = [
        { promptId: 'c', kind: 'cards', cards: cards.map((text, id) => ({ id: String(id), text })) },
        { promptId: 's', kind: 'sheet', text: sheet },
      ]
      const [room] = report.rooms
      const prompts = report.board.prompts.slice(0, 2)
      const text = reportMarkdown({
        ...report,
        board: { ...report.board, prompts },
        rooms: room ? [{ ...room, answers }] : [],
        people: [],
      })
      const read = blocksOf(text)
      const cardTexts = cards.filter(card => card.trim()).map(tidy)
      const sheetTexts = sheet
        .split('\n')
        .filter(each => each.trim())
        .map(each => tidy(/^[-#] +\S/.test(each) ? each.slice(2) : each))
      expect(read).toEqual([
        ...[
          'Evening *1*',
          report.date,
          'What?',
          'Reeds',
          'Ana, Bo',
          ...(cardTexts.length > 0 ? cardTexts : ['Nothing written.']),
        ],
        ...['How?', 'Reeds', 'Ana, Bo', ...(sheetTexts.length > 0 ? sheetTexts : ['Nothing written.'])],
      ])
    }),
    { numRuns: 2000 },
  )
})

/** A text as it is shown: blanks around a line do not count. */
const tidy = (text: string): string =>
  text
    .trim()
    .split('\n')
    .map(each => each.trim())
    .join('\n')

/** The texts of headings and paragraphs, in order, as a reader of CommonMark finds them. */
function blocksOf(markdown: string): string[] {
  const blocks: string[] = []
  const walker = new Parser().parse(markdown).walker()
  for (let event = walker.next(); event; event = walker.next()) {
    const { type, literal } = event.node
    if (!event.entering) continue
    if (type === 'heading' || type === 'paragraph') blocks.push('')
    else if (type === 'text') blocks.push((blocks.pop() ?? '') + literal)
    else if (type === 'softbreak' || type === 'linebreak') blocks.push(`${blocks.pop() ?? ''}\n`)
    else if (!['document', 'list', 'item', 'emph'].includes(type)) blocks.push(type)
  }
  return blocks
}

test('tables have a row for each piece of work, and for each person', () => {
  expect(workRows(report)).toEqual([
    ['prompt', 'room', 'answer'],
    ['What?', 'Reeds', '# one_two'],
    ['How?', 'Reeds', 'Roll it.\n- feel\n- look'],
    ['Again?', 'Reeds', 'Yes: mud'],
  ])
  expect(peopleRows(report)[1]).toEqual(['Ana | Bo', 'Reeds', 9, 8, 3])
})

test('an answer without words has no texts', () => {
  expect(textsOf({ promptId: 's', kind: 'sheet', text: ' ' })).toEqual([])
})
