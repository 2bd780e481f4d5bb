import { MOST_IMPORT_ROWS, previewPeople, splitName } from './people-csv'

const rows = (text: string, listed: string[] = []) => {
  const preview = previewPeople(text, listed)
  if (!preview.ok) throw new Error(preview.problem.code)
  return preview.rows
}

test('knows likely headers, keeps the others as columns', () => {
  const preview = previewPeople(
    'Surname;Given Name;E-Mail;Trained to lead;Home parish\nTew;Rosalind;r@t.example;x;Saltby',
    [],
  )
  expect(preview).toEqual({
    ok: true,
    columns: ['Home parish'],
    rows: [
      {
        row: 2,
        ok: true,
        person: {
          firstName: 'Rosalind',
          familyName: 'Tew',
          shownAs: '',
          email: 'r@t.example',
          trainedToLead: true,
          columns: { 'Home parish': 'Saltby' },
        },
      },
    ],
  })
})

test('each bad row is named with its reason, and the good ones stay', () => {
  const problems = rows(
    `name,email\nAna Costa,ana@x.example\n,nobody@x.example\nBo,not-an-address\nANA COSTA,\nInês Dias,\n${'x'.repeat(201)},\n`,
    ['Ines Dias'],
  ).map(row => (row.ok ? 'ok' : row.problem))
  expect(problems).toEqual([
    'ok',
    { code: 'no-name' },
    { code: 'bad-email', email: 'not-an-address' },
    { code: 'repeated-in-file', firstRow: 2 },
    { code: 'already-listed', name: 'Inês Dias' },
    { code: 'too-long', column: 'name', most: 200 },
  ])
})

test.each([
  ['', { code: 'empty' }],
  ['name\n', { code: 'empty' }],
  ['mail,parish\na@b.c,Saltby', { code: 'no-name-column', headers: ['mail', 'parish'] }],
])('%j can not be imported', (text, problem) => {
  expect(previewPeople(text, [])).toEqual({ ok: false, problem })
})

test('more rows than can be imported at once are refused, with both numbers', () => {
  const text = `name\n${Array.from({ length: MOST_IMPORT_ROWS + 1 }, (_, place) => `N${place}`).join('\n')}`
  expect(previewPeople(text, [])).toEqual({
    ok: false,
    problem: { code: 'too-many-rows', rows: MOST_IMPORT_ROWS + 1, most: MOST_IMPORT_ROWS },
  })
})

test.each([
  ['Ana Costa', 'Ana', 'Costa'],
  ['Costa, Ana', 'Ana', 'Costa'],
  ['Edda', 'Edda', ''],
  ['  Ana   Maria  Costa ', 'Ana Maria', 'Costa'],
])('%j is first name %j and family name %j', (name, first, family) => {
  expect(splitName(name)).toEqual([first, family])
})
