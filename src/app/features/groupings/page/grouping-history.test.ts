import { groupedPerson } from 'tests/fixtures/class'
import { NO_ROTATION } from '~/core/grouping/rotation'
import type { PastSession } from '~/core/history/pairs'
import { firstHistory, type GroupingPageProps } from './grouping-history'

const past: PastSession = { id: 's', title: 'Evening 1', at: 0, day: '2026-11-03', meetings: [] }
const page = (changes: Partial<GroupingPageProps>): GroupingPageProps => ({
  cohort: {
    id: 'c',
    name: 'Evening',
    people: ['ana', 'bo'].map(groupedPerson),
    columns: [],
    presence: null,
    rules: [],
  },
  past: [],
  rolesHeld: {},
  kept: null,
  like: null,
  choices: [],
  others: [],
  ...changes,
})
const aimsOf = (changes: Partial<GroupingPageProps>) => firstHistory(page(changes)).settings.aims

test('new groups aim at fresh pairs as soon as there is a session to count from, and not before', () => {
  expect(aimsOf({})).toEqual([])
  expect(aimsOf({ past: [past] })).toEqual([{ kind: 'fresh', strength: 2 }])
})

test('groups made like others keep the aims of those, also that there are none', () => {
  const like = { groupNames: ['A'], rounds: 1, aims: [], rotation: NO_ROTATION }
  expect(aimsOf({ past: [past], like })).toEqual([])
})

test('what people chose begins with the groups they chose', () => {
  const chosen = [{ id: 'g', name: 'Birds', personIds: ['bo'] }]
  const { present } = firstHistory(page({ chosen }))
  expect(present[0]?.groups).toEqual(chosen)
  expect(present[0]?.unplacedIds).toEqual(['ana'])
})
