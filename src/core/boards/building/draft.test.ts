import type { Board } from '../board'
import { boardDraft, unfinishedIn } from './draft'

const messages = (value: unknown) =>
  boardDraft.safeParse(value).error?.issues.map(issue => [issue.path.join('.'), issue.message]) ?? []

const part = { id: 'two', title: ' Plan ', opens: 'after', steps: 'Look.\n\n Write. ', minutes: 8, after: 5 }
const prompts = [
  { id: 'c', kind: 'choice', text: ' Which? ', settings: { options: ' Reed \nPeat\n' }, part: 'two' },
  { id: 'l', kind: 'link', text: 'Where?', settings: { address: 'https://lowmarsh.example' } },
]
const form = (changes: object, prompt: object = {}) => ({
  title: 'T',
  steps: ['', ' Look. '],
  prompts: [{ ...prompts[0], ...prompt }, prompts[1]],
  parts: [{ ...part, ...changes }],
})

test('steps a line each, settings of prompts as forms send them, and nothing around a text', () => {
  expect(boardDraft.parse(form({}))).toMatchObject({
    steps: ['Look.'],
    parts: [{ id: 'two', title: 'Plan', opens: 'after', after: 5, minutes: 8, steps: ['Look.', 'Write.'] }],
    prompts: [{ text: 'Which?', part: 'two', settings: { options: ['Reed', 'Peat'], by: 'group' } }, {}],
  })
})

test('what cannot be kept is said where it stands', () => {
  expect(messages(form({ steps: '1\n2\n3\n4' }))).toEqual([['parts.0.steps', 'At most 3 steps.']])
  expect(messages(form({ minutes: 0 }))).toEqual([['parts.0.minutes', 'At least 1 minute.']])
  expect(messages({ ...form({}), title: ' ' })).toEqual([['title', 'Enter a title.']])
  expect(messages({ ...form({}), steps: ['1', '2', '3', '4'] })).toEqual([['steps', 'At most 3 steps.']])
  expect(messages(form({}, { settings: { options: 'Reed\nreed' } }))).toEqual([
    ['prompts.0.settings.options', 'Two answers are the same.'],
  ])
  for (const address of [
    'javascript:alert(1)',
    'lowmarsh.example',
    'ftp://lowmarsh.example',
    'data:text/html,x',
  ])
    expect(messages(form({}, { kind: 'link', settings: { address } }))).toEqual([
      ['prompts.0.settings.address', 'Write a whole address that begins with https:// or http://.'],
    ])
})

test('more than twice what one may ask is not taken at all', () => {
  const many = (count: number) => ({
    ...form({}),
    prompts: Array.from({ length: count }, (_, index) => ({ id: `p${index}`, kind: 'cards', text: '' })),
  })
  expect(messages(many(24))).toEqual([])
  expect(messages(many(25))).toHaveLength(1)
  // Whatever stands in it: of too many nothing is looked at.
  for (const name of ['prompts', 'parts'])
    expect(messages({ ...form({}), [name]: Array(50_000).fill({ kind: 'riddle' }) })).toHaveLength(1)
})

test('what is still missing is named part by part; nothing is with a board that is ready', () => {
  const ready = boardDraft.parse(form({}))
  expect(unfinishedIn(ready)).toEqual([])
  const [choice, link] = ready.prompts as [Board['prompts'][number], Board['prompts'][number]]
  const begun = boardDraft.parse({
    ...ready,
    prompts: [
      { ...link, settings: { address: '' } },
      { ...choice, text: '' },
    ],
    parts: [{ ...ready.parts?.[0], title: '', after: undefined }],
  })
  expect(unfinishedIn(begun)).toEqual([
    { id: 'l', what: 'Prompt 1: Write the address it leads to.' },
    { id: 'two', what: 'Part 2 has no name.' },
    { id: 'two', what: 'Say after how many minutes part 2 opens.' },
    { id: 'c', what: 'Prompt 2 asks nothing yet.' },
  ])
})

test('points need the cards or lines they go to before them', () => {
  const cards = { id: 'c', kind: 'cards', text: 'Reasons', settings: {} }
  const points = { id: 'p', kind: 'points', text: 'Which?', settings: { over: 'c' } }
  const missing = (prompts: object[]) => unfinishedIn(boardDraft.parse({ title: 'T', steps: [], prompts }))
  expect(missing([cards, points])).toEqual([])
  const late = [{ id: 'p', what: 'Prompt 1: The cards or lines that points go to have to come before it.' }]
  expect(missing([points, cards])).toEqual(late)
  expect(missing([points])).toEqual(late)
  const lines = { id: 'c', text: 'Which?', settings: { lines: 'A\nB' } }
  for (const kind of ['put-in-order', 'checklist']) expect(missing([{ ...lines, kind }, points])).toEqual([])
  const scale = { id: 'c', kind: 'scale', text: 'How ready?', settings: {} }
  expect(missing([scale, points])).toEqual([{ ...late[0], what: late[0]?.what.replace('1', '2') }])
})
