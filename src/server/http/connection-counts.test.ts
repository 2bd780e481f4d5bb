import { ConnectionCounts } from './connection-counts.server'

test('one person has a dozen connections, one address many more; who goes makes room', () => {
  const counts = new ConnectionCounts()
  const open = Array.from({ length: 12 }, () => counts.admit('ana', 'school'))
  expect(open.every(letGo => letGo !== null)).toBe(true)
  expect(counts.admit('ana', 'home')).toBeNull()
  expect(counts.admit('bo', 'school')).not.toBeNull()
  open[0]?.()
  expect(counts.admit('ana', 'home')).not.toBeNull()
  const rest = Array.from({ length: 2_000 }, (_, index) => counts.admit(`p${index}`, 'school'))
  expect(rest.filter(letGo => letGo !== null)).toHaveLength(1_500 - 12)
})
