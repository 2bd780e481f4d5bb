import { strToU8, zipSync } from 'fflate'
import writeSpreadsheet from 'write-excel-file/node'
import { readCsv } from '~/core/formats/csv'
import { onlyClass, readList } from './read-list.server'

const users = 'sourcedId,role,givenName,familyName\nu1,student,Inês,Dias\nu2,student,Bo,Or'
const classes = 'sourcedId,title\nc1,Pond life\nc2,Birds'
const enrollments = 'classSourcedId,userSourcedId,role\nc1,u1,student\nc2,u1,student\nc2,u2,student'

const file = (name: string, content: string | Uint8Array) => ({
  name,
  bytes: typeof content === 'string' ? strToU8(content) : content,
})

/** The rows read, or the code of what is wrong. */
async function rows(...files: { name: string; bytes: Uint8Array }[]) {
  const read = await readList(files)
  return read.ok ? readCsv(read.value.text).rows : read.problem.code
}

test('a spreadsheet is read cell by cell: numbers, yes and no, dates, empty cells', async () => {
  const bytes = await writeSpreadsheet([
    [{ value: 'name' }, { value: 'Years' }, { value: 'Swims' }, { value: 'Since' }, { value: 'Note' }],
    [
      { value: 'Inês Dias' },
      { value: 2.5, type: Number },
      { value: true, type: Boolean },
      { value: new Date(Date.UTC(2026, 2, 1)), type: Date, format: 'yyyy-mm-dd' },
      null,
    ],
  ]).toBuffer()
  expect(await rows(file('list.xlsx', bytes))).toEqual([
    ['name', 'Years', 'Swims', 'Since', 'Note'],
    ['Inês Dias', '2.5', 'yes', '2026-03-01', ''],
  ])
})

test('a OneRoster list comes as a ZIP, in a folder or not, or as its files', async () => {
  const zip = zipSync({
    'roster/users.csv': strToU8(users),
    'roster/classes.csv': strToU8(classes),
    'roster/enrollments.csv': strToU8(enrollments),
    'roster/readme.txt': strToU8('x'),
  })
  const fromZip = await rows(file('roster.zip', zip))
  expect(fromZip).toHaveLength(4)
  expect(
    await rows(file('users.csv', users), file('classes.csv', classes), file('enrollments.csv', enrollments)),
  ).toEqual(fromZip)
  expect(await rows(file('users.csv', users))).toHaveLength(3)
})

test('of several classes one is chosen', async () => {
  const read = await readList([
    file('users.csv', users),
    file('classes.csv', classes),
    file('enrollments.csv', enrollments),
  ])
  if (!read.ok) throw new Error(read.problem.code)
  expect(read.value.classes).toEqual(['Pond life', 'Birds'])
  expect(readCsv(onlyClass(read.value.text, 'Birds')).rows.map(row => row[0])).toEqual([
    'First name',
    'Inês',
    'Bo',
  ])
  expect(onlyClass(read.value.text, '')).toBe(read.value.text)
})

test.each<[string, { name: string; bytes: Uint8Array }[], string]>([
  ['a picture', [file('x.png', Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 1]))], 'not-text'],
  ['some other ZIP', [file('x.zip', zipSync({ 'a.txt': strToU8('a') }))], 'unknown-zip'],
  ['half a ZIP', [file('x.zip', zipSync({ 'users.csv': strToU8(users) }).slice(0, 60))], 'broken-file'],
  ['two lists at once', [file('a.csv', 'name\nBo'), file('b.csv', 'name\nChi')], 'several-files'],
  ['nothing', [], 'not-text'],
])('%s is refused with the reason', async (_, files, code) => {
  expect(await rows(...files)).toBe(code)
})

test('a small file with a huge content is refused before it is unpacked', async () => {
  const bomb = zipSync({ 'xl/workbook.xml': new Uint8Array(41_000_000) }, { level: 9 })
  expect(bomb.length).toBeLessThan(200_000)
  expect(await rows(file('x.xlsx', bomb))).toBe('too-large-inside')
})
