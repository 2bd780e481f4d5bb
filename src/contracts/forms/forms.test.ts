import { boardDraft } from '~/core/boards/building/draft'
import { accountForm, firstRunForm, oneTimeForm, signInForm } from './accounts'
import { newBoardForm } from './boards'
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

test('a board is begun under a title, from a starter, or from one that was read', () => {
  expect(newBoardForm.parse({ title: ' Reeds ' })).toMatchObject({ title: 'Reeds' })
  expect(newBoardForm.parse({ starter: 'peer-questions' })).toMatchObject({ starter: 'peer-questions' })
  const read = { title: 'Read', steps: [], prompts: [], parts: [] }
  expect(newBoardForm.parse({ board: JSON.stringify(read) })).toMatchObject({ board: read })
  for (const wrong of [{}, { title: '' }, { board: 'no json' }, { board: '{}' }])
    expect(newBoardForm.safeParse(wrong).success).toBe(false)
  expect(messages(newBoardForm.safeParse({}))).toEqual([['title', 'Enter a title.']])
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
    [boardDraft, { ...board, title: text, steps: [text] }],
    [boardDraft, { ...board, prompts: [{ ...board.prompts[0], id: text, text }] }],
    [choiceForm, { title: text, kind: text, wishes: text, topics: [{ name: text, min: text, max: text }] }],
    [groupingForm, { name: text }],
    [
      sessionForm,
      { title: text, date: text, time: text, timeZone: text, rooms: [{ groupId: text, name: text }] },
    ],
  ]
  for (const [schema, form] of forms) expect(schema.safeParse(form).success).toBe(false)
})
