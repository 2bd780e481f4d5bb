import { weaknessOf } from './weak-passwords.server'

const marit = { email: 'marit.solheim@lowmarsh.example', displayName: 'Marit Solheim' }

// The first five stand on every published list of the most used ones (common practice, no source).
test.each([
  ['1234567890', 'used'],
  ['qwertyuiop', 'used'],
  ['Password123', 'used'],
  ['password12!', 'used'],
  ['1qaz2wsx3edc', 'used'],
  ['!!football2026', 'used'],
  ['aaaaaaaaaaaa', 'repeated'],
  ['xyz?xyz?xyz?', 'repeated'],
  ['roundtable1', 'name'],
  ['Round-Table-2026', 'name'],
  ['marit.solheim', 'name'],
  ['SolheimMarit99', 'name'],
  ['lowmarsh2026', 'name'],
])('%s is one that others would try: %s', (password, why) => {
  expect(weaknessOf(password, marit)).toBe(why)
})

test.each([
  'correct horse battery staple',
  'long enough for anybody',
  'Solheim went to the jetty',
  'ein Satz, den niemand kennt',
  '八月の朝の市場へ行く',
  '7f9-2kd-88x-q1z',
])('%s is not', password => {
  expect(weaknessOf(password, marit)).toBeNull()
})

test('an owner without a name to speak of does not make every password weak', () => {
  expect(weaknessOf('morning mist on water', { email: 'a@b.c', displayName: ' ' })).toBeNull()
})
