import { sharedOut } from './shared-out'
import { standingOf } from './standing'

const topics = ['Reeds', 'Birds'].map(name => ({ id: name, name, min: 1, max: 500 }))
const answersOf = (...wishes: string[][]) =>
  wishes.map((each, at) => ({ personId: `p${at}`, wishes: each, at }))
const standing = (kind: 'wishes' | 'first-come', people: number, wishes: string[][], asked = topics) => {
  const ids = Array.from({ length: people }, (_, index) => `p${index}`)
  const answers = answersOf(...wishes)
  const shared = sharedOut(kind, asked, ids, answers)
  if (!shared.ok) throw new Error(shared.problem.code)
  return standingOf(asked, shared.allotment, answers)
}

test('what came of who chose is counted; a name taken without a wish is no choice', () => {
  const one = topics.map(topic => ({ ...topic, max: 2 }))
  const now = standing('wishes', 4, [['Reeds'], ['Reeds'], ['Reeds', 'Birds'], []], one)
  expect(now.ranks).toEqual([
    { rank: 1, count: 2 },
    { rank: 2, count: 1 },
  ])
  expect(now.groups.map(group => [group.topicId, group.count])).toEqual([
    ['Reeds', 2],
    ['Birds', 2],
  ])
  expect(now.groups[1]?.first.find(({ personId }) => personId === 'p3')).toMatchObject({ chose: false })
})

test('a topic that was not wished for comes last; those in no group are counted', () => {
  const one = topics.map(topic => ({ ...topic, max: 1 }))
  const now = standing('wishes', 2, [['Reeds'], ['Reeds']], one)
  expect(now.ranks.map(({ rank }) => rank)).toEqual([1, null])
  const none = standing('first-come', 3, [['Reeds']])
  expect(none.unplaced).toEqual({ count: 2, firstIds: ['p1', 'p2'] })
  expect(standing('first-come', 0, [])).toMatchObject({ ranks: [], unplaced: { count: 0 } })
})

test('of thousands only as many are named as one can read', () => {
  const now = standing(
    'first-come',
    5000,
    Array.from({ length: 800 }, (_, index) => [index % 2 ? 'Reeds' : 'Birds']),
  )
  expect(now.groups.map(group => [group.count, group.first.length])).toEqual([
    [400, 120],
    [400, 120],
  ])
  expect([now.unplaced.count, now.unplaced.firstIds.length]).toEqual([4200, 60])
  const many = Array.from({ length: 200 }, (_, index) => ({
    id: `t${index}`,
    name: `${index}`,
    min: 1,
    max: 40,
  }))
  const each = standing('wishes', 2000, [], many)
  expect(Math.max(...each.groups.map(group => group.first.length))).toBe(5)
})
