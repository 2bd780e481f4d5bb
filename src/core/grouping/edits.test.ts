import { applyEdit, type Edit, editHistory, startHistory } from './edits'
import type { Arrangement } from './grouping'

const start: Arrangement = {
  groups: [
    { id: 'g1', name: 'Reeds', personIds: ['a', 'b'] },
    { id: 'g2', name: 'Birds', personIds: ['c'] },
  ],
  unplacedIds: ['d'],
}

test('moves several people into a group, in the order they were chosen', () => {
  const moved = applyEdit(start, { type: 'move', personIds: ['d', 'a'], groupId: 'g2' })
  expect(moved.groups.map(group => group.personIds)).toEqual([['b'], ['c', 'd', 'a']])
  expect(moved.unplacedIds).toEqual([])
})

test('moves somebody out of all groups', () => {
  const moved = applyEdit(start, { type: 'move', personIds: ['c'], groupId: null })
  expect(moved.unplacedIds).toEqual(['d', 'c'])
  expect(moved.groups[1]?.personIds).toEqual([])
})

test.each<[string, Edit]>([
  ['somebody where they are', { type: 'move', personIds: ['a'], groupId: 'g1' }],
  ['somebody unknown', { type: 'move', personIds: ['x'], groupId: 'g1' }],
  ['into a group that is gone', { type: 'move', personIds: ['a'], groupId: 'gone' }],
  ['a group to its own name', { type: 'rename', groupId: 'g1', name: 'Reeds' }],
  ['a group that is gone', { type: 'remove-group', groupId: 'gone' }],
])('changing %s changes nothing, and leaves no step to undo', (_, edit) => {
  expect(applyEdit(start, edit)).toBe(start)
  expect(editHistory(startHistory([start], null), edit).past).toEqual([])
})

test('two swap places, also with somebody in no group', () => {
  const swapped = applyEdit(start, { type: 'swap', personIds: ['a', 'c'] })
  expect(swapped.groups.map(group => group.personIds)).toEqual([['c', 'b'], ['a']])
  expect(applyEdit(start, { type: 'swap', personIds: ['a', 'd'] }).unplacedIds).toEqual(['a'])
  expect(applyEdit(start, { type: 'swap', personIds: ['a', 'b'] })).toBe(start)
  expect(applyEdit(start, { type: 'swap', personIds: ['a', 'x'] })).toBe(start)
})

test('one round is changed by hand and the others are not; a group has one name in all of them', () => {
  const history = startHistory([start, start], null)
  const moved = editHistory(history, { type: 'move', personIds: ['d'], groupId: 'g1', round: 1 })
  expect(moved.present.map(round => round.unplacedIds)).toEqual([['d'], []])
  const renamed = editHistory(moved, { type: 'rename', groupId: 'g1', name: 'Rushes', round: 1 })
  expect(renamed.present.map(round => round.groups[0]?.name)).toEqual(['Rushes', 'Rushes'])
})

test('a removed group leaves its people in no group', () => {
  const removed = applyEdit(start, { type: 'remove-group', groupId: 'g1' })
  expect(removed.unplacedIds).toEqual(['d', 'a', 'b'])
})

test('undo and redo walk back and forth, and a new edit cuts off what was undone', () => {
  const rounds = [start]
  let history = startHistory(rounds, null)
  history = editHistory(history, { type: 'move', personIds: ['d'], groupId: 'g2' })
  history = editHistory(history, { type: 'rename', groupId: 'g1', name: 'Rushes' })
  history = editHistory(history, { type: 'undo' })
  expect(history.present[0]?.groups[0]?.name).toBe('Reeds')
  history = editHistory(history, { type: 'redo' })
  expect(history.present[0]?.groups[0]?.name).toBe('Rushes')
  history = editHistory(editHistory(history, { type: 'undo' }), { type: 'undo' })
  expect(history.present).toBe(rounds)
  history = editHistory(history, { type: 'add-group', group: { id: 'g3', name: 'Map', personIds: [] } })
  expect(history.future).toEqual([])
  expect(editHistory(history, { type: 'redo' })).toBe(history)
})

test('a better answer takes the place of the one it improves, and never of what was done since', () => {
  const before = [start]
  const found = [{ ...start, unplacedIds: [] }]
  const better = [{ ...start, groups: [] }]
  const searched = editHistory(startHistory(before, null), { type: 'replace', rounds: found })
  const improved = editHistory(searched, { type: 'improve', from: found, rounds: better })
  expect(improved.present).toBe(better)
  expect(improved.past).toEqual([{ rounds: before }])
  const edited = editHistory(searched, { type: 'rename', groupId: 'g1', name: 'Mine' })
  expect(editHistory(edited, { type: 'improve', from: found, rounds: better })).toBe(edited)
  // Made on what was seen, though a better answer stood there already: what is done by hand stays as it was done.
  const hand: Edit = { type: 'move', personIds: ['c'], groupId: 'g1' }
  const late = editHistory(improved, { ...hand, seen: found })
  expect(late.present).toEqual([applyEdit(found[0] as Arrangement, hand)])
  expect(late.past.at(-1)).toEqual({ rounds: found })
})

test('taking a version back brings back what it was made by; undoing a move does not touch that', () => {
  let history = startHistory([start], { aims: ['fresh'] })
  history = editHistory(history, { type: 'move', personIds: ['d'], groupId: 'g2' })
  history = editHistory(history, { type: 'set', settings: () => ({ aims: ['keep'] }) })
  history = editHistory(history, { type: 'undo' })
  expect(history).toMatchObject({ present: [start], settings: { aims: ['keep'] } })
  const version = [{ groups: [], unplacedIds: ['a', 'b', 'c', 'd'] }]
  history = editHistory(history, { type: 'take', rounds: version, settings: { aims: [] } })
  expect(history).toMatchObject({ present: version, settings: { aims: [] } })
  history = editHistory(history, { type: 'undo' })
  expect(history).toMatchObject({ present: [start], settings: { aims: ['keep'] } })
  history = editHistory(history, { type: 'redo' })
  expect(history).toMatchObject({ present: version, settings: { aims: [] } })
  history = editHistory(history, { type: 'undo' })
  expect(history.settings).toEqual({ aims: ['keep'] })
})
