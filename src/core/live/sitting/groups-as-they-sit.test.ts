import fc from 'fast-check'
import { groupsAsTheySit } from './groups-as-they-sit'

const sit = (picks: Record<string, string>, ids = 'abcdefg') =>
  groupsAsTheySit([...ids], new Map(Object.entries(picks).map(([id, named]) => [id, [...named]]))).map(
    group => group.join(''),
  )

test('two who name each other are a group; a row is one group though its ends did not name each other', () => {
  expect(sit({ a: 'b', b: 'a' })).toEqual(['ab'])
  expect(sit({ a: 'b', b: 'ac', c: 'b', d: 'e', e: 'd' })).toEqual(['abc', 'de'])
})

test('who is named without naming back, or names somebody who is not here or themselves, is in no group', () => {
  expect(sit({ a: 'b' })).toEqual([])
  expect(sit({ a: 'az', z: 'a' })).toEqual([])
  expect(sit({}, '')).toEqual([])
})

test('groups are the connected parts of the mutual picks, by a search of every path on small classes', () => {
  const ids = [...'abcdef']
  fc.assert(
    fc.property(fc.array(fc.subarray(ids), { minLength: 6, maxLength: 6 }), all => {
      const picks = new Map(ids.map((id, at) => [id, all[at] ?? []]))
      const both = (one: string, other: string) =>
        one !== other && picks.get(one)?.includes(other) && picks.get(other)?.includes(one)
      // Warshall, 1962: the closure of the relation.
      const joined = new Set(
        ids.flatMap(one => ids.flatMap(other => (both(one, other) ? [one + other] : []))),
      )
      for (const via of ids)
        for (const one of ids)
          for (const other of ids)
            if (joined.has(one + via) && joined.has(via + other)) joined.add(one + other)
      const groups = groupsAsTheySit(ids, picks)
      const groupOf = (id: string) => groups.findIndex(group => group.includes(id))
      for (const one of ids)
        for (const other of ids)
          if (one !== other)
            expect(groupOf(one) >= 0 && groupOf(one) === groupOf(other)).toBe(joined.has(one + other))
    }),
  )
})
