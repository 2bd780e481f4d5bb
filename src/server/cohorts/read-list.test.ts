import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import writeSpreadsheet from 'write-excel-file/node'
import { MOST_ROWS, readCsv } from '~/core/formats/csv'
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

/** A spreadsheet with one name, and its sheet changed. */
async function changedSheet(change: (sheet: string) => string): Promise<Uint8Array> {
  const bytes = await writeSpreadsheet([[{ value: 'name' }], [{ value: 'Inês Dias' }]]).toBuffer()
  const parts = unzipSync(new Uint8Array(bytes))
  const name = Object.keys(parts).find(each => each.startsWith('xl/worksheets/sheet')) ?? ''
  return zipSync({ ...parts, [name]: strToU8(change(strFromU8(parts[name] ?? new Uint8Array()))) })
}

test.each([
  ['in the last cell there is', 'A2', 'XFD1048576'],
  ['far to the right', 'A2', 'ZZ2'],
  ['far down', 'A2', 'A20001'],
])('a sheet with a value %s is refused before room is made for it', async (_, from, to) => {
  const bytes = await changedSheet(sheet => sheet.replace(`r="${from}"`, `r="${to}"`))
  expect(bytes.length).toBeLessThan(10_000)
  expect(await rows(file('x.xlsx', bytes))).toBe('too-large-inside')
  expect(await rows(file('x.xlsx', await changedSheet(sheet => sheet)))).toEqual([['name'], ['Inês Dias']])
})

test('a packed file that says it is smaller than it is is read no further than it says', async () => {
  const zip = zipSync({ 'users.csv': strToU8(`${users}\n${'u3,student,Chi,Lee\n'.repeat(2_000_000)}`) })
  const view = new DataView(zip.buffer)
  // The uncompressed size in the central directory (PKWARE APPNOTE 6.3.10, section 4.3.12).
  const directory = Array.from({ length: zip.length - 4 }, (_, at) => at).find(
    at => view.getUint32(at, true) === 0x02014b50,
  )
  view.setUint32((directory ?? 0) + 24, users.length + 1, true)
  const read = await rows(file('roster.zip', zip))
  expect(read === 'broken-file' || (Array.isArray(read) && read.length <= 4)).toBe(true)
})

test('thousands of files in one are more than a list has', async () => {
  const many = Object.fromEntries(
    Array.from({ length: 2_001 }, (_, index) => [`f${index}`, new Uint8Array()]),
  )
  expect(await rows(file('x.zip', zipSync(many)))).toBe('too-large-inside')
})

// What took the first versions 25 s, and the like of it.
test.each(['",', '"', ',"a', ',', '\n', 'x\n', '"\n'])(
  'five megabytes of %j are read as what little they are',
  piece => {
    const table = readCsv(piece.repeat(Math.floor(4_900_000 / piece.length)))
    expect(table.rows.length).toBeLessThanOrEqual(MOST_ROWS)
  },
)
