import fc from 'fast-check'
import type { Column } from '../people/columns'
import { readCsv, writeCsv } from './csv'
import { peopleTable } from './people-export'
import { likelyMatching, type Matching } from './people-headers'
import {
  type ImportedPerson,
  type ListedForImport,
  MOST_IMPORT_ROWS,
  planImport,
  splitName,
} from './people-import'

const person = (changes: Partial<ListedForImport> = {}): ListedForImport => ({
  id: 'p1',
  firstName: 'Inês',
  familyName: 'Dias',
  shownAs: '',
  email: '',
  trainedToLead: false,
  columns: {},
  ...changes,
})

const plan = (text: string, listed: ListedForImport[] = [], columns: Column[] = [], matching?: Matching) =>
  planImport(readCsv(text), listed, columns, matching)

const rows = (text: string, listed: ListedForImport[] = [], columns: Column[] = [], matching?: Matching) => {
  const result = plan(text, listed, columns, matching)
  if (!result.ok) throw new Error(result.problem.code)
  return result.rows
}

/** The outcome of each row, or why it is refused. */
const outcomes = (...asked: Parameters<typeof rows>) =>
  rows(...asked).map(row => (row.outcome === 'refused' ? row.problem : row.outcome))

test('knows likely headers, and gives new free columns the kind their values fit', () => {
  const result = plan(
    'Surname;Given Name;E-Mail;Trained to lead;Home parish;Years;Swims\nTew;Rosalind;R@T.example;x;Saltby;3,5;no\nOr;Bo;;;Fen;12;yes',
  )
  expect(result.ok && result.columns).toEqual([
    { name: 'Home parish', kind: 'text' },
    { name: 'Years', kind: 'number' },
    { name: 'Swims', kind: 'yes-no' },
  ])
  expect(result.ok && result.rows[0]).toEqual({
    row: 2,
    outcome: 'added',
    person: {
      firstName: 'Rosalind',
      familyName: 'Tew',
      shownAs: '',
      email: 'r@t.example',
      trainedToLead: true,
      columns: { 'Home parish': 'Saltby', Years: '3.5', Swims: 'no' },
    },
  })
})

test('each bad row is named with its reason, and the good ones stay', () => {
  const text = [
    'name,email,Years',
    'Ana Costa,ana@x.example,1',
    ',nobody@x.example,',
    'Bo,not-an-address,',
    'ANA COSTA,,',
    'Cy Em,ana@x.example,',
    'Di Fo,,many',
    `${'x'.repeat(201)},,`,
    `${'x'.repeat(90)},,`,
  ].join('\n')
  expect(outcomes(text, [], [{ name: 'Years', kind: 'number' }])).toEqual([
    'added',
    { code: 'no-name' },
    { code: 'bad-email', email: 'not-an-address' },
    { code: 'repeated-in-file', firstRow: 2 },
    { code: 'repeated-in-file', firstRow: 2 },
    { code: 'not-of-kind', column: 'Years', kind: 'number', value: 'many' },
    { code: 'too-long', column: 'name', most: 200 },
    { code: 'too-long', column: 'name', most: 80 },
  ])
})

test('says what changes, keeps what the file leaves empty, and leaves alone who stays as they are', () => {
  const listed = [
    person({ email: 'ines@x.example', columns: { Parish: 'Fen', Years: '2' } }),
    person({ id: 'p2', firstName: 'Bo', familyName: 'Or', trainedToLead: true }),
  ]
  const found = rows('name,email,trained to lead,Years\nINES DIAS,,,3\nBo Or,,yes,', listed)
  expect(found).toMatchObject([
    {
      outcome: 'changed',
      personId: 'p1',
      changes: [
        { what: 'name', from: 'Inês Dias', to: 'INES DIAS' },
        { what: 'Years', from: '2', to: '3' },
      ],
      person: { email: 'ines@x.example', columns: { Parish: 'Fen', Years: '3' } },
    },
    { outcome: 'same', personId: 'p2' },
  ])
})

test('finds people by email, then by name; of the same name, those with emails of their own are others', () => {
  const listed = [
    person({ email: 'a@x.example' }),
    person({ id: 'p2', firstName: 'Bo', familyName: 'Or' }),
    person({ id: 'p3', firstName: 'Cy', familyName: 'Em' }),
    person({ id: 'p4', firstName: 'Cy', familyName: 'Em' }),
  ]
  const text =
    'name,email\nInes Diaz,a@x.example\nInês Dias,b@x.example\nBo Or,bo@x.example\nCy Em,\nInês Dias,c@x.example\nBo Or,'
  expect(rows(text, listed).map(row => ('personId' in row ? row.personId : row.outcome))).toEqual([
    'p1',
    'added',
    'p2',
    'refused',
    'added',
    'refused',
  ])
})

test('a matching made by hand is followed, and one that can not be used is explained', () => {
  const text = 'who,contact\nAna Costa,ana@x.example'
  expect(likelyMatching(['who', 'contact'])).toEqual(['column', 'column'])
  expect(rows(text, [], [], ['name', 'email'])[0]).toMatchObject({ person: { email: 'ana@x.example' } })
  expect(rows(text, [], [], ['name', 'ignore'])[0]).toMatchObject({ person: { email: '', columns: {} } })
  expect(plan(text, [], [], ['name', 'name'])).toMatchObject({
    problem: { code: 'matched-twice', field: 'name' },
  })
  expect(plan('a,a,name\n1,2,Bo', [], [], ['column', 'column', 'name'])).toMatchObject({
    problem: { code: 'column-twice', header: 'a' },
  })
  expect(likelyMatching(['Name', 'name', 'a', 'A', ' '])).toEqual([
    'name',
    'column',
    'column',
    'ignore',
    'ignore',
  ])
})

test('a column is taken for one the cohort has, by its name or by hand', () => {
  const columns: Column[] = [{ name: 'Experience (years)', kind: 'number' }]
  const text = 'name,experience years,Since\nBo,3,4'
  expect(likelyMatching(['name', 'experience years', 'Since'], columns)).toEqual([
    'name',
    'as:Experience (years)',
    'column',
  ])
  expect(rows(text, [], columns)[0]).toMatchObject({ person: { columns: { 'Experience (years)': '3' } } })
  const byHand = rows(text, [], columns, ['name', 'ignore', 'as:Experience (years)'])
  expect(byHand[0]).toMatchObject({ person: { columns: { 'Experience (years)': '4' } } })
})

test('rows are counted as a spreadsheet counts them, empty ones too', () => {
  expect(rows('name\n\n ,\nAna\n\nBo').map(each => each.row)).toEqual([4, 6])
})

test.each([
  ['', { code: 'empty' }],
  ['name\n', { code: 'empty' }],
  ['mail,parish\na@b.c,Saltby', { code: 'no-name-column', headers: ['mail', 'parish'] }],
  [
    `name,${Array.from({ length: 31 }, (_, index) => `c${index}`)}\nBo${',x'.repeat(31)}`,
    { code: 'too-many-columns', columns: 31, most: 30 },
  ],
])('%j can not be imported', (text, problem) => {
  expect(plan(text)).toMatchObject({ ok: false, problem })
})

test('more rows than can be imported at once are refused, with both numbers', () => {
  const text = `name\n${Array.from({ length: MOST_IMPORT_ROWS + 1 }, (_, index) => `N${index}`).join('\n')}`
  expect(plan(text)).toMatchObject({
    ok: false,
    problem: { code: 'too-many-rows', rows: MOST_IMPORT_ROWS + 1, most: MOST_IMPORT_ROWS },
  })
})

test('a quote that never closes spoils its row alone, as far as it can be told', () => {
  expect(outcomes('name,email\nAna,a@x.example\n"Bo,b@x.example').at(-1)).toEqual({ code: 'broken-quotes' })
})

test.each([
  ['Maria do Carmo Silva', ['Maria do Carmo', 'Silva']],
  ['Silva, Maria do Carmo', ['Maria do Carmo', 'Silva']],
  ['  Chi  ', ['Chi', '']],
])('%j is taken apart', (name, parts) => {
  expect(splitName(name)).toEqual(parts)
})

test('an export gives back what came in: importing it into an empty list makes the same people', () => {
  const word = fc.stringMatching(/^[\p{L}=+@-][\p{L}\p{N} ="';,-]{0,12}[\p{L}\p{N}]$/u)
  const people = fc.uniqueArray(
    fc.record({
      firstName: word,
      familyName: word,
      shownAs: fc.oneof(fc.constant(''), word),
      email: fc.constant(''),
      trainedToLead: fc.boolean(),
      columns: fc.record({ Parish: fc.oneof(fc.constant(''), word), Years: fc.integer().map(String) }),
    }),
    {
      minLength: 1,
      maxLength: 8,
      selector: each =>
        `${each.firstName} ${each.familyName}`.normalize('NFKD').toLowerCase().replace(/\p{M}/gu, ''),
    },
  )
  const columns: Column[] = [
    { name: 'Parish', kind: 'text' },
    { name: 'Years', kind: 'number' },
  ]
  fc.assert(
    fc.property(people, list => {
      const found = rows(writeCsv(peopleTable(list, columns)), [], columns)
      const back = found.map(row => (row.outcome === 'added' ? row.person : null))
      expect(back).toEqual(list.map(withoutEmptyColumns))
    }),
  )
})

const withoutEmptyColumns = (each: ImportedPerson): ImportedPerson => ({
  ...each,
  columns: Object.fromEntries(Object.entries(each.columns).filter(([, value]) => value !== '')),
})

test('cells that stand under no header are not lost without a word: the row is left out', () => {
  const plan = planImport(readCsv('name,email\nMarsh, Ana,ana@x.example\nBo,,,\n"Fen, Chi",\n'), [], [])
  expect(plan.ok && plan.rows.map(row => [row.outcome, row.outcome === 'refused' && row.problem])).toEqual([
    ['refused', { code: 'too-many-cells', cells: 3, headers: 2 }],
    ['added', false],
    ['added', false],
  ])
})

test('a column in which no row says anything does not come along unless it is asked for', () => {
  const table = readCsv('name,parish,remark\nAna,Saltby,\nBo,, \n')
  const plan = planImport(table, [], [])
  expect(plan.matching).toEqual(['name', 'column', 'ignore'])
  expect(plan.ok && plan.columns.map(column => column.name)).toEqual(['parish'])
  const asked = planImport(table, [], [], ['name', 'column', 'column'])
  expect(asked.ok && asked.columns.map(column => column.name)).toEqual(['parish', 'remark'])
})

test('what cannot be seen does not come in, and does not make two of one person', () => {
  const plan = planImport(readCsv('name,parish\nAna\u200b Marsh,Salt\u202eby\nAna Marsh,\n'), [], [])
  expect(plan.ok && plan.rows).toMatchObject([
    { outcome: 'added', person: { firstName: 'Ana', familyName: 'Marsh', columns: { parish: 'Saltby' } } },
    { outcome: 'refused', problem: { code: 'repeated-in-file', firstRow: 2 } },
  ])
})

test('a row of a million cells is too many columns, and nothing is compared with it', () => {
  const plan = planImport(readCsv(`${'a,'.repeat(1_000_000)}b\nx,y`), [], [])
  expect(plan).toEqual({
    ok: false,
    headers: [],
    matching: [],
    problem: { code: 'too-many-columns', columns: 1_000_001, most: 30 },
  })
})
