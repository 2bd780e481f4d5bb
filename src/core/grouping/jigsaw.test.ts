import fc from 'fast-check'
import { homeGroups } from './jigsaw'

const experts = (sizes: number[]) =>
  sizes.map((size, group) => Array.from({ length: size }, (_, at) => `${group}-${at}`))

test('every home has one of every expert group at least, everybody has a home, and homes are of like size', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 2, maxLength: 6 }),
      fc.integer(),
      (sizes, seed) => {
        const groups = experts(sizes)
        const made = homeGroups(groups, seed)
        if (!made.ok) throw new Error(made.problem.code)
        const { homes } = made
        expect(homes).toHaveLength(Math.min(...sizes))
        expect(homes.flat().toSorted()).toEqual(groups.flat().toSorted())
        for (const home of homes) expect(new Set(home.map(id => id.split('-')[0])).size).toBe(sizes.length)
        const lengths = homes.map(home => home.length)
        expect(Math.max(...lengths) - Math.min(...lengths)).toBeLessThanOrEqual(1)
      },
    ),
  )
})

test('the same seed gives the same homes, another one others', () => {
  const groups = experts([6, 6, 6])
  expect(homeGroups(groups, 3)).toEqual(homeGroups(groups, 3))
  expect(homeGroups(groups, 3)).not.toEqual(homeGroups(groups, 4))
})

test('without experts of every topic there are no homes, and it is said why', () => {
  expect(homeGroups(experts([3, 0]), 1)).toEqual({ ok: false, problem: { code: 'empty-expert-group' } })
  expect(homeGroups(experts([3]), 1)).toEqual({ ok: false, problem: { code: 'one-expert-group' } })
})
