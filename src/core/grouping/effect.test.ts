import { pairHistory } from '../history/pairs'
import { effectOfMove } from './effect'
import type { Rule } from './rules'

const people = new Map(
  ['a', 'b', 'c', 'd'].map(id => [id, { id, trainedToLead: id === 'a', columns: {} }] as const),
)
const groups = [
  { id: 'g1', name: 'Reeds', personIds: ['a', 'b'] },
  { id: 'g2', name: 'Birds', personIds: ['c', 'd'] },
]
const rules: Rule[] = [
  { id: 'r1', reason: '', kind: 'apart', personIds: ['a', 'd'] },
  { id: 'r2', reason: '', kind: 'together', personIds: ['a', 'c'] },
]
const history = pairHistory([
  { id: 's', title: 'Evening 1', at: 5, day: '2026-11-03', meetings: [{ pair: ['a', 'c'], minutes: 9 }] },
])

test('a move says what it breaks and mends, who meets again, and which group it leaves without a lead', () => {
  const effect = effectOfMove(groups, 'a', 'g2', { rules, people, history })
  expect(effect.breaks.map(rule => rule.id)).toEqual(['r1'])
  expect(effect.mends.map(rule => rule.id)).toEqual(['r2'])
  expect(effect.meetsAgain).toEqual([
    { personId: 'c', past: expect.objectContaining({ lastTitle: 'Evening 1' }) },
  ])
  expect(effect.leavesWithoutLead).toBe(true)
})

test('somebody in no group leaves nobody behind', () => {
  const effect = effectOfMove([{ id: 'g2', name: 'Birds', personIds: ['b'] }], 'a', 'g2', {
    rules,
    people,
    history,
  })
  expect(effect).toEqual({ breaks: [], mends: [], meetsAgain: [], leavesWithoutLead: false })
})
