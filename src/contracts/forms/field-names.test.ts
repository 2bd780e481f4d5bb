import { isFieldName, isIntent } from './field-names'

test.each(['title', 'steps[2]', 'values[0].value', 'prompts[499].settings.most', 'personId'])(
  '%s is a name of a field',
  name => {
    expect(isFieldName(name)).toBe(true)
  },
)

test.each([
  '',
  'email[100000000]',
  'email[500]',
  'steps[-1]',
  'steps[1e9]',
  'steps[0][0]',
  'steps[',
  'a.b.c.d.e',
  'a..b',
  '.a',
  '__proto__',
  'values[0].__proto__',
  'constructor.prototype',
  'toString',
  'ä',
  'a b',
  `a${'b'.repeat(100)}`,
  `${'a['.repeat(50)}`,
])('%j is none', name => {
  expect(isFieldName(name)).toBe(false)
})

const intent = (type: string, payload?: object) => JSON.stringify({ type, payload })

test.each([
  '',
  intent('validate', { name: 'title' }),
  intent('reset'),
  intent('insert', { name: 'prompts', index: 3, defaultValue: { kind: 'cards' } }),
  intent('remove', { name: 'steps', index: 0 }),
  intent('reorder', { name: 'steps', from: 0, to: 1 }),
])('%s is what a button of ours asks for', text => {
  expect(isIntent(text)).toBe(true)
})

test.each([
  'x',
  'null',
  '[]',
  intent('update', { name: 'title', value: 'x' }),
  intent('update', { name: 'prompts[100000000]' }),
  intent('insert', { name: 'prompts[100000000]' }),
  intent('insert', { name: 'prompts', index: 1e9 }),
  intent('reorder', { name: 'prompts', from: 0.5, to: 1 }),
  intent('remove', { name: '__proto__', index: 0 }),
  intent('remove', { name: 7, index: 0 }),
  `{"type":"validate","payload":{"name":"${'a'.repeat(10_000)}"}}`,
])('%j is not', text => {
  expect(isIntent(text)).toBe(false)
})
