import { canNameColumn, columnNameOf, columnsOf, columnValue, guessKind } from './columns'

test.each([
  [['3', '2,5', '', '-1'], 'number'],
  [['1', '0'], 'number'],
  [['yes', 'NO', 'x', ''], 'yes-no'],
  [['yes', 'maybe'], 'text'],
  [['3', 'three'], 'text'],
  [['', ' '], 'text'],
] as const)('values %j make a column of kind %s', (values, kind) => {
  expect(guessKind(values)).toBe(kind)
})

test.each([
  ['number', ' 1 234,50 ', '1234.5'],
  ['number', '+7', '7'],
  ['number', '1.2.3', undefined],
  ['number', '1e5', undefined],
  ['yes-no', 'Ja', 'yes'],
  ['yes-no', '0', 'no'],
  ['yes-no', 'perhaps', undefined],
  ['yes-no', '', ''],
  ['text', ' Fen ', 'Fen'],
] as const)('in a %s column %j is kept as %j', (kind, text, value) => {
  expect(columnValue(kind, text)).toBe(value)
})

test('columns are those that were named, then those that are met', () => {
  expect(
    columnsOf(
      [{ name: 'Years', kind: 'text' }],
      [{ columns: { Years: '3', Parish: 'Fen' } }, { columns: { Swims: 'yes' } }],
    ),
  ).toEqual([
    { name: 'Years', kind: 'text' },
    { name: 'Parish', kind: 'text' },
    { name: 'Swims', kind: 'yes-no' },
  ])
})

test.each(['__proto__', 'constructor', 'toString', 'hasOwnProperty'])(
  'what every object answers to is no column’s name: %s',
  name => {
    expect(canNameColumn(name)).toBe(false)
    expect(columnNameOf(` ${name} `)).toBe(`${name} (column)`)
    const said = JSON.parse(`{ "Years": "3", "${name}": "x" }`) as Record<string, string>
    expect(columnsOf([{ name, kind: 'text' }], [{ columns: said }])).toEqual([
      { name: 'Years', kind: 'number' },
    ])
  },
)
