import { fieldIn, numberIn, problemIn, problemWith } from './field'

test.each([
  ['Who you asked', { label: 'Who you asked', unit: null, least: null, most: null }],
  ['Depth | cm', { label: 'Depth', unit: 'cm', least: null, most: null }],
  ['Depth|cm|0 to 300', { label: 'Depth', unit: 'cm', least: 0, most: 300 }],
  ['Warmth | °C | -20,5 to', { label: 'Warmth', unit: '°C', least: -20.5, most: null }],
  ['Birds | | to 500', { label: 'Birds', unit: '', least: null, most: 500 }],
  ['pH | | 0..14', { label: 'pH', unit: '', least: 0, most: 14 }],
])('%s', (line, field) => {
  expect(fieldIn(line)).toEqual(field)
  expect(problemWith(line)).toBeNull()
})

test.each([
  ['| cm', 'A field needs a label before the first bar.'],
  ['Depth | cm | many', 'Write the limits of “Depth” like 0 to 300.'],
  ['Depth | cm | 9 to 3', 'The limits of “Depth” are the wrong way round.'],
  ['Depth | cm | 1 to 2 | 3', '“Depth” has more than two bars.'],
])('%s is told to its author', (line, problem) => {
  expect(problemWith(line)).toBe(problem)
})

test('numbers are read with a point or a comma, and nothing else is one', () => {
  expect(['41', ' 2,5 ', '-0.5'].map(numberIn)).toEqual([41, 2.5, -0.5])
  expect(['', '1e3', '0x10', '1.', '.5', '1,2,3', '∞', 'Infinity', '--1'].map(numberIn)).toEqual(
    Array(9).fill(null),
  )
})

test('what stands in a field is held against its limits; words and nothing are always right', () => {
  const depth = fieldIn('Depth | cm | 0 to 300')
  expect(['', '0', '300', '299,9'].map(text => problemIn(depth, text))).toEqual([null, null, null, null])
  expect(['-1', '301', 'deep'].map(text => problemIn(depth, text))).toEqual([
    'At least 0 cm.',
    'At most 300 cm.',
    'Write a number.',
  ])
  expect(problemIn(fieldIn('Who'), '-1')).toBeNull()
})
