import fc from 'fast-check'
import { asCsvFile, readCsv, writeCsv, writePlainCsv } from './csv'

// The examples of RFC 4180, section 2, "Definition of the CSV Format", rule by rule.
describe('RFC 4180', () => {
  test.each([
    [
      '1: records end with CRLF',
      'aaa,bbb,ccc\r\nzzz,yyy,xxx\r\n',
      [
        ['aaa', 'bbb', 'ccc'],
        ['zzz', 'yyy', 'xxx'],
      ],
    ],
    [
      '2: the last one need not',
      'aaa,bbb,ccc\r\nzzz,yyy,xxx',
      [
        ['aaa', 'bbb', 'ccc'],
        ['zzz', 'yyy', 'xxx'],
      ],
    ],
    [
      '3: a header line',
      'field_name,field_name2\r\naaa,bbb\r\n',
      [
        ['field_name', 'field_name2'],
        ['aaa', 'bbb'],
      ],
    ],
    ['4: blanks are part of a field', 'aaa, bbb ,ccc', [['aaa', ' bbb ', 'ccc']]],
    [
      '5: fields may be quoted',
      '"aaa","bbb","ccc"\r\nzzz,yyy,xxx',
      [
        ['aaa', 'bbb', 'ccc'],
        ['zzz', 'yyy', 'xxx'],
      ],
    ],
    [
      '6: line breaks inside quotes',
      '"aaa","b\r\nbb","ccc"\r\nzzz,yyy,xxx',
      [
        ['aaa', 'b\r\nbb', 'ccc'],
        ['zzz', 'yyy', 'xxx'],
      ],
    ],
    ['7: a doubled quote is a quote', '"aaa","b""bb","ccc"', [['aaa', 'b"bb', 'ccc']]],
  ])('%s', (_, text, rows) => {
    expect(readCsv(text)).toMatchObject({ rows, faults: [] })
  })
})

test.each([';', '\t'])('finds out the separator %j, and takes a byte order mark away', separator => {
  expect(readCsv(`\uFEFFname${separator}email\nAna${separator}a@b.c`).rows[1]).toEqual(['Ana', 'a@b.c'])
})

test('blank lines are no people', () => {
  expect(readCsv('name\n\nAna\n , \n\nBo\n').rows).toEqual([['name'], ['Ana'], ['Bo']])
})

test('a quote that never closes is reported with its row', () => {
  expect(readCsv('name\n"Ana\nBo').faults).toHaveLength(1)
})

test('separators within quotes do not decide which separator it is', () => {
  expect(readCsv('!,";; "\r\n').rows).toEqual([['!', ';; ']])
  expect(readCsv('a;"b,c,d,e"\n"f,""g"";";h\n').rows).toEqual([
    ['a', 'b,c,d,e'],
    ['f,"g";', 'h'],
  ])
})

test('what was written is read again', () => {
  // Texts that begin like a formula are changed on purpose, and blank rows are left out on reading.
  const cell = fc
    .string({ minLength: 1 })
    .filter(text => !/^[=+\-@\t\r]/.test(text) && text.trim() !== '' && !text.startsWith('\uFEFF'))
  fc.assert(
    fc.property(fc.array(fc.tuple(cell, cell), { minLength: 1 }), rows => {
      expect(readCsv(writeCsv(rows)).rows).toEqual(rows)
    }),
  )
})

// OWASP, "CSV Injection": cells that begin with = + - @ or a tab are run by spreadsheets.
test.each(['=1+1', '+1', '-1', '@SUM(A1)', '\tx'])('%j is made harmless', formula => {
  expect(writeCsv([[formula]])).toContain(`'${formula}`)
})

test('a table that only this program reads again stays as it is', () => {
  const rows = [
    ['=1+1', "'x"],
    ['a,"b"', ''],
  ]
  expect(readCsv(writePlainCsv(rows)).rows).toEqual(rows)
})

test.each([
  ['a\tb', '"a\tb"\r\n'],
  ['a;b', '"a;b"\r\n'],
  ['a,b', '"a,b"\r\n'],
  ['a b', 'a b\r\n'],
])('what some reader takes for a separator is quoted, in both ways of writing: %j', (cell, written) => {
  expect(writeCsv([[cell]])).toBe(written)
  expect(writePlainCsv([[cell]])).toBe(written)
})

test('a file that people open begins with what spreadsheets tell UTF-8 by, and reads as it was written', () => {
  const file = asCsvFile(writeCsv([['Žofia', 'Søren']]))
  expect([...new TextEncoder().encode(file).slice(0, 3)]).toEqual([0xef, 0xbb, 0xbf])
  expect(readCsv(file).rows).toEqual([['Žofia', 'Søren']])
})
