import { accountForm, firstRunForm, oneTimeForm, signInForm } from './accounts'
import { boardForm } from './boards'
import { choiceForm } from './choices'
import { cohortForm, personForm } from './cohorts'
import { groupingForm } from './groupings'
import { takePlaceForm } from './join'
import { sessionForm } from './sessions'

const messages = (result: {
  success: boolean
  error?: { issues: { path: PropertyKey[]; message: string }[] }
}) => result.error?.issues.map(issue => [issue.path.join('.'), issue.message]) ?? []

test('a password has 10 to 200 characters, and an address is kept in small letters', () => {
  const account = { displayName: 'Zoë', email: ' ZOE@School.Example ', startWord: 'x' }
  for (const [length, message] of [
    [201, 'Use at most 200 characters.'],
    [9, 'Use at least 10 characters.'],
  ] as const) {
    const password = 'ä'.repeat(length)
    expect(messages(firstRunForm.safeParse({ ...account, password }))).toEqual([['password', message]])
    expect(messages(oneTimeForm.safeParse({ newPassword: password }))).toEqual([['newPassword', message]])
  }
  expect(oneTimeForm.safeParse({ newPassword: 'ä'.repeat(200) }).success).toBe(true)
  expect(accountForm.parse(account).email).toBe('zoe@school.example')
})

test('parts of a board: steps a line each, and what opens by itself says when; settings of prompts as forms send them', () => {
  const part = { id: 'two', title: ' Plan ', opens: 'after', steps: 'Look.\n\n Write. ', minutes: 8 }
  const prompts = [
    { id: 'c', kind: 'choice', text: 'Which?', settings: { options: ' Reed \nPeat\n' }, part: 'two' },
    { id: 'l', kind: 'link', text: 'Where?', settings: { address: 'https://lowmarsh.example' } },
  ]
  const form = (changes: object, prompt: object = {}) => ({
    title: 'T',
    steps: [],
    prompts: [{ ...prompts[0], ...prompt }, prompts[1]],
    parts: [{ ...part, ...changes }],
  })
  expect(boardForm.parse(form({ after: 5 }))).toMatchObject({
    parts: [{ id: 'two', title: 'Plan', opens: 'after', after: 5, minutes: 8, steps: ['Look.', 'Write.'] }],
    prompts: [{ part: 'two', settings: { options: ['Reed', 'Peat'], by: 'group', reasons: false } }, {}],
  })
  const problems = (value: object) => messages(boardForm.safeParse(value))
  expect(problems(form({}))).toEqual([['parts.0.after', 'Say after how many minutes it opens.']])
  expect(problems(form({ after: 5, steps: '1\n2\n3\n4' }))).toEqual([['parts.0.steps', 'At most 3 steps.']])
  expect(problems(form({ after: 5 }, { settings: { options: 'Reed\nreed' } }))).toEqual([
    ['prompts.0.settings.options', 'Two answers are the same.'],
  ])
  for (const address of [
    'javascript:alert(1)',
    'lowmarsh.example',
    'ftp://lowmarsh.example',
    'data:text/html,x',
  ])
    expect(problems(form({ after: 5 }, { kind: 'link', settings: { address } }))).toEqual([
      ['prompts.0.settings.address', 'Write a whole address that begins with https:// or http://.'],
    ])
  expect(problems(form({ after: 5 }, { kind: 'link', settings: {} }))).toEqual([
    ['prompts.0.settings', 'Write the address it leads to.'],
  ])
})

test('empty steps of a board are left out; a board without a prompt is none', () => {
  const prompts = [{ id: 'c', kind: 'cards', text: ' What? ', settings: {} }]
  expect(boardForm.parse({ title: 'T', steps: ['', ' Look. ', undefined], prompts })).toEqual({
    title: 'T',
    steps: ['Look.'],
    prompts: [{ id: 'c', kind: 'cards', text: 'What?', settings: {} }],
    parts: [],
  })
  expect(messages(boardForm.safeParse({ title: 'T', steps: [], prompts: [] }))).toEqual([
    ['prompts', 'A board needs at least one prompt.'],
  ])
  expect(messages(boardForm.safeParse({ title: 'T', steps: ['1', '2', '3', '4'], prompts }))[0]?.[1]).toMatch(
    /^At most 3 steps/,
  )
})

test('what is wrong with a plan is said field by field', () => {
  const wrong = {
    title: ' ',
    date: 'soon',
    time: '7',
    timeZone: 'Mars/Base',
    groupingId: '',
    boardId: 'b',
    roomMinutes: 1.5,
    graceSeconds: 601,
  }
  expect(messages(sessionForm.safeParse(wrong)).map(([field]) => field)).toEqual([
    'title',
    'date',
    'time',
    'timeZone',
    'groupingId',
    'roomMinutes',
    'graceSeconds',
  ])
})

test('a place needs a name from the list or a typed one', () => {
  expect(takePlaceForm.safeParse({ shownName: '  ' }).success).toBe(false)
  expect(takePlaceForm.safeParse({ personId: 'p' }).success).toBe(true)
})

test('limits hold for groupings and people', () => {
  const group = { id: 'g', name: 'Reeds', personIds: ['p'] }
  expect(groupingForm.safeParse({ name: 'x', groups: [], version: null }).success).toBe(false)
  expect(groupingForm.safeParse({ name: 'x', groups: Array(251).fill(group), version: null }).success).toBe(
    false,
  )
  expect(messages(personForm.safeParse({ firstName: '', email: 'no' })).map(([field]) => field)).toEqual([
    'firstName',
    'email',
  ])
})

test.each([
  ['a name alone', 'marit@school', false],
  ['nobody', '@school.example', false],
  ['two words', 'two words@school.example', false],
  ['two signs', 'marit@@school.example', false],
  ['a name that is too long', `${'a'.repeat(65)}@school.example`, false],
  ['40,000 dots', `a@${'.'.repeat(40_000)}@`, false],
  ['letters of other tongues', 'zoë.o’neill+list@école.example', true],
])('%s in an email address', (_, email, fits) => {
  expect(accountForm.safeParse({ displayName: 'Zoë', email }).success).toBe(fits)
})

/** Texts that make a careless pattern try over and over; each is read at once, or the test runs out of its time. */
const HOSTILE = [
  `a@${'.'.repeat(40_000)}@`,
  `a@${'a.'.repeat(40_000)}`,
  'a'.repeat(100_000),
  ' '.repeat(100_000),
  `x${' '.repeat(100_000)}x`,
  '\u200b'.repeat(100_000),
  `${'1-'.repeat(50_000)}x`,
  `${'0'.repeat(100_000)}:00`,
  '\n'.repeat(100_000),
]

test.each(HOSTILE)('a hostile text is refused in every field of every form, at once (%#)', text => {
  const board = { title: 'T', steps: [], prompts: [{ id: 'c', kind: 'cards', text: 'What?', settings: {} }] }
  const forms: [{ safeParse: (form: object) => { success: boolean } }, object][] = [
    [accountForm, { displayName: text, email: text }],
    [oneTimeForm, { newPassword: text }],
    [signInForm, { email: text, password: text }],
    [cohortForm, { name: text }],
    [personForm, { firstName: text, familyName: text, email: text, shownAs: text }],
    [takePlaceForm, { personId: text, shownName: text }],
    [boardForm, { ...board, title: text, steps: [text] }],
    [boardForm, { ...board, prompts: [{ ...board.prompts[0], id: text, text }] }],
    [choiceForm, { title: text, kind: text, wishes: text, topics: [{ name: text, min: text, max: text }] }],
    [groupingForm, { name: text }],
    [
      sessionForm,
      { title: text, date: text, time: text, timeZone: text, rooms: [{ groupId: text, name: text }] },
    ],
  ]
  for (const [schema, form] of forms) expect(schema.safeParse(form).success).toBe(false)
})
