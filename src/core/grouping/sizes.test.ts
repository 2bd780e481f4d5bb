import fc from 'fast-check'
import { groupSizes, sizesAround } from './sizes'

const sizes = (people: number, wish: Parameters<typeof groupSizes>[1]) => {
  const result = groupSizes(people, wish)
  return result.ok ? result.sizes : result.problem
}

// Common practice, no source: never a group of one, three is the usual size; ten people make two to five groups.
test.each([
  [2, [5, 5]],
  [3, [4, 3, 3]],
  [4, [3, 3, 2, 2]],
  [5, [2, 2, 2, 2, 2]],
])('ten people in %i groups', (groups, expected) => {
  expect(sizes(10, { by: 'groups', groups })).toEqual(expected)
})

test('ten people can not make six groups, and the most there can be is said', () => {
  expect(sizes(10, { by: 'groups', groups: 6 })).toEqual({ code: 'group-of-one', people: 10, mostGroups: 5 })
})

test.each([
  [24, 3, 8],
  [10, 3, 3],
  [11, 3, 4],
  [9, 4, 2],
  [3, 2, 1],
  [5, 2, 2],
  [2, 3, 1],
])('%i people, about %i each, make %i groups', (people, each, groups) => {
  expect(sizes(people, { by: 'people', people: each })).toHaveLength(groups)
})

test.each([0, -1, 2.5, Number.NaN, Number.POSITIVE_INFINITY])('%p is no number of groups', groups => {
  expect(sizes(10, { by: 'groups', groups })).toMatchObject({ code: 'not-a-count' })
})

test.each([0, 1])('%i people make no groups', people => {
  expect(sizes(people, { by: 'groups', groups: 1 })).toEqual({ code: 'too-few-people', people })
})

test('one each is refused as groups of one', () => {
  expect(sizes(8, { by: 'people', people: 1 })).toMatchObject({ code: 'group-of-one' })
})

test('whatever is asked, everybody has a place, nobody is alone, and sizes differ by at most one', () => {
  const wish = fc.oneof(
    fc.record({ by: fc.constant('groups' as const), groups: fc.integer({ min: 1, max: 300 }) }),
    fc.record({ by: fc.constant('people' as const), people: fc.integer({ min: 2, max: 50 }) }),
  )
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 500 }), wish, (people, asked) => {
      const result = groupSizes(people, asked)
      if (!result.ok) return asked.by === 'groups' && asked.groups > people / 2
      const total = result.sizes.reduce((sum, size) => sum + size, 0)
      const spread = Math.max(...result.sizes) - Math.min(...result.sizes)
      return total === people && spread <= 1 && Math.min(...result.sizes) >= 2
    }),
  )
})

test.each([
  ['nobody is held', [4, 4, 3], [0, 0, 0], [4, 4, 3]],
  ['as many as planned', [4, 4, 3], [4, 0, 3], [4, 4, 3]],
  ['a group made larger by hand', [4, 4, 4], [6, 0, 0], [6, 3, 3]],
  ['two made larger', [4, 4, 4, 4], [5, 6, 0, 0], [5, 6, 2, 3]],
  ['what cannot fit stays as planned', [2, 2, 2], [4, 2, 0], [2, 2, 2]],
])('sizes around people who stay: %s', (_, planned, held, expected) => {
  const sizes = sizesAround(planned, held)
  expect(sizes).toEqual(expected)
  expect(sizes.reduce((sum, size) => sum + size, 0)).toBe(planned.reduce((sum, size) => sum + size, 0))
})
