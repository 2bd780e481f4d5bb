import { readFileSync } from 'node:fs'
import Ajv from 'ajv/dist/2020'
import { Parser } from 'commonmark'
import type { Board } from '../board'
import { boardDraft } from '../building/draft'
import { withReferences } from '../building/edits'
import { STARTERS } from '../starters'
import { boardFileSchema, boardJson, LONGEST_BOARD_FILE, readBoardJson } from './board-json'
import { boardMarkdown } from './board-markdown'
import { LONGEST_OUTLINE, readOutline } from './outline'

const ids = () => {
  let count = 0
  return () => `id${++count}`
}

/** A board with its ids as their places, to compare two that differ only in these. */
function withPlaces(board: Board): Board {
  const { parts = [], prompts, ...rest } = boardDraft.parse(board)
  const place = (list: { id: string }[], id: string | undefined) =>
    `${list.findIndex(each => each.id === id)}`
  return {
    ...rest,
    parts: parts.map(part => ({ ...part, id: place(parts, part.id) })),
    prompts: prompts.map(prompt =>
      withReferences(
        {
          ...prompt,
          id: place(prompts, prompt.id),
          part: prompt.part === undefined ? prompt.part : place(parts, prompt.part),
        },
        new Map(prompts.map(({ id }) => [id, place(prompts, id)])),
      ),
    ),
  }
}

/** A board with something of everything, and with texts that look like Markdown. */
const worksheet: Board = {
  title: 'A *walk* [out] _there_',
  steps: ['# Look', '1. Listen', '> Write'],
  parts: [
    { id: 'l', title: 'Later (and last)', steps: ['Agree.'], minutes: 8, opens: 'after', after: 12 },
    { id: 'd', title: 'Done', steps: [], opens: 'done' },
    { id: 'r', title: 'With it', steps: [], minutes: 1, opens: 'round' },
  ],
  prompts: [
    {
      id: 'a',
      kind: 'cards',
      text: 'For | against (both)',
      settings: { columns: ['For', 'Against'], mostEach: 3 },
    },
    { id: 'b', kind: 'points', text: 'Which?', settings: { over: 'a', by: 'group', points: 10 } },
    {
      id: 'c',
      kind: 'short-answers',
      text: '- How deep?',
      settings: { fields: ['Depth | cm | 0 to 300', 'Who'] },
      part: 'l',
    },
    {
      id: 'e',
      kind: 'choice',
      text: 'Go?',
      settings: { options: ['Yes', 'No', '1. Later'], by: 'each', reasons: true },
      part: 'd',
    },
    {
      id: 'f',
      kind: 'scale',
      text: 'How sure?',
      settings: { low: 'Not', high: '100', steps: 7, reasons: false },
      part: 'r',
    },
  ],
}

/** What stands on it comes from the library, or is read later. */
const looking: Board = {
  title: 'Look',
  steps: [],
  prompts: [
    {
      id: 'p',
      kind: 'pictures',
      text: 'Where?',
      settings: {
        pictures: [
          { file: 'a'.repeat(64), title: 'The | old *map*', width: 1200, height: 800 },
          { file: 'b'.repeat(64), title: '', width: 3, height: 4 },
        ],
      },
    },
    {
      id: 'f',
      kind: 'file',
      text: 'Read',
      settings: { show: { file: 'c'.repeat(64), is: 'pdf', title: 'Rules' } },
    },
    {
      id: 'h',
      kind: 'hidden-text',
      text: 'Hint',
      settings: { hidden: 'Look up.\n- twice', opens: 'facilitator' },
    },
    { id: 'o', kind: 'hidden-text', text: 'Number', settings: { hidden: '42', opens: 'group' } },
    {
      id: 's',
      kind: 'sheet',
      text: 'Write',
      settings: {
        begin: '# What we saw\n- first',
        pictures: [{ file: 'c'.repeat(64), title: 'The jetty', width: 1200, height: 800 }],
      },
    },
    { id: 'k', kind: 'sketch', text: 'Draw', settings: {} },
  ],
}

const ALL: [string, Board][] = [
  ['a worksheet', worksheet],
  ['pictures, files and what is hidden', looking],
  ...STARTERS.map(({ key, board }): [string, Board] => [key, board]),
]

test.each(ALL)('%s is the same board again from JSON and from Markdown', (_key, board) => {
  expect(readBoardJson(boardJson(board))).toEqual({ board: boardDraft.parse({ parts: [], ...board }) })
  const read = readOutline(boardMarkdown(board), ids())
  expect(read.notes).toEqual([])
  expect(withPlaces(read.board)).toEqual(withPlaces(board))
})

// JSON Schema 2020-12, by ajv; CommonMark 0.31 by its reference implementation.
test.each(ALL)(
  '%s as a file is what the published schema says, and its Markdown has its headings',
  (_key, board) => {
    const check = new Ajv({ strict: false }).compile(published)
    expect(check(JSON.parse(boardJson(board)))).toBe(true)
    const headings: string[] = []
    const walker = new Parser().parse(boardMarkdown(board)).walker()
    for (let step = walker.next(); step; step = walker.next()) {
      const isIn = step.node.parent?.type === 'heading'
      if (step.entering && step.node.type === 'heading') headings.push('')
      if (step.entering && isIn) headings.push(`${headings.pop()}${step.node.literal ?? ''}`)
    }
    expect(headings[0]).toBe(board.title)
    expect(headings).toHaveLength(1 + (board.parts?.length ?? 0))
  },
)

const published = JSON.parse(readFileSync('docs/formats/board.schema.json', 'utf8')) as object

test('the published schema is that of the program, and refuses what is no board', () => {
  expect(published).toEqual(JSON.parse(JSON.stringify(boardFileSchema())))
  const check = new Ajv({ strict: false }).compile(published)
  expect(
    check({ ...JSON.parse(boardJson(worksheet)), prompts: [{ id: 'a', kind: 'riddle', text: 'x' }] }),
  ).toBe(false)
  expect(check({})).toBe(false)
})

test('a file that is no board is refused in words', () => {
  const problem = (text: string) => {
    const read = readBoardJson(text)
    return 'problem' in read ? read.problem : null
  }
  expect(problem('no json')).toMatch(/not a board/)
  expect(problem('[]')).toMatch(/not a board/)
  expect(problem(JSON.stringify({ ...JSON.parse(boardJson(worksheet)), version: 2 }))).toMatch(
    /later version/,
  )
  expect(problem(' '.repeat(LONGEST_BOARD_FILE + 1))).toMatch(/more than/)
  const long = { ...worksheet, title: 'x'.repeat(81) }
  expect(problem(boardJson(long))).toBe(
    'Something in the file is not as it must be: title: Use at most 80 characters.',
  )
})

test('an outline in plain words becomes a board: a title, parts, prompts, and answers to choose from', () => {
  const read = readOutline(
    `An evening at the pond

1. Walk round once.
2. Keep your voices down.

- What do you hear?
- Who is it?
  - A heron
  - A bittern
  - Somebody else

## Back in the hut

What will you tell the others?
And what not?
`,
    ids(),
  )
  expect(read.notes).toEqual([])
  expect(read.board).toMatchObject({
    title: 'An evening at the pond',
    steps: ['Walk round once.', 'Keep your voices down.'],
    prompts: [
      { kind: 'cards', text: 'What do you hear?' },
      {
        kind: 'choice',
        text: 'Who is it?',
        settings: { options: ['A heron', 'A bittern', 'Somebody else'] },
      },
      { kind: 'cards', text: 'What will you tell the others?', part: 'id3' },
      { kind: 'cards', text: 'And what not?', part: 'id3' },
    ],
    parts: [{ id: 'id3', title: 'Back in the hut', opens: 'hand' }],
  })
})

test('what does not fit is named, and the rest is there', () => {
  const many = Array.from({ length: 14 }, (_, index) => `- Question ${index + 1}`).join('\n')
  const read = readOutline(`# Long\n\n1. a\n2. b\n3. c\n4. d\n\n${many}`, ids())
  expect(read.board.steps).toEqual(['a', 'b', 'c'])
  expect(read.board.prompts).toHaveLength(12)
  expect(read.notes).toHaveLength(3)
  const wrong = readOutline('# B\n\n- How far? (scale)\n  - steps: 40\n', ids())
  expect(wrong.board.prompts).toMatchObject([{ kind: 'scale', settings: { steps: 5 } }])
  expect(wrong.notes).toEqual(['“How far?”: At most 11 steps. What is set about it was left out.'])
  expect(readOutline('# B\n\n- Write\n  - one\n', ids()).notes).toEqual([
    '“Write”: what stands below it (one) was left out.',
  ])
})

test.each([
  ['nothing', ''],
  ['quotations in each other', '>'.repeat(3_000)],
  ['lists in each other', Array.from({ length: 200 }, (_, depth) => `${'  '.repeat(depth)}- x`).join('\n')],
  ['lists in each other on one line', '- '.repeat(5_000)],
  ['brackets', '['.repeat(LONGEST_OUTLINE + 1)],
  ['markup', '<script>alert(1)</script>'],
])('%s pasted gives a board that can be kept', (_what, text) => {
  const { board } = readOutline(text, ids())
  expect(boardDraft.safeParse(board).success).toBe(true)
})
