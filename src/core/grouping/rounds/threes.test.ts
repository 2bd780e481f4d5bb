import { threesApart } from './threes'

const round = (...groups: string[]) => groups.map(group => [...group])

test('nobody is in the group of three twice in a row, where an order allows it', () => {
  const rounds = [round('abc', 'de', 'fg'), round('abd', 'ce', 'fg'), round('efg', 'ab', 'cd')]
  expect(threesApart(rounds)).toEqual([0, 2, 1])
})

test('where none does, rounds stay in order', () => {
  const rounds = [round('abc', 'de'), round('abd', 'ce'), round('abe', 'cd')]
  expect(threesApart(rounds)).toEqual([0, 1, 2])
})
