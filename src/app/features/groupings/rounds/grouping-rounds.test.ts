import { groupedPerson } from 'tests/fixtures/class'
import { contentRounds, emptyRounds, roundsFrom, toggled } from './grouping-rounds'

const people = ['a', 'b', 'c'].map(groupedPerson)
const group = (id: string, ...personIds: string[]) => ({ id, name: id, personIds })

test('who has joined the list since stands in no group, who has left it in none at all, in every round', () => {
  const rounds = roundsFrom(people, {
    groups: [group('g1', 'a', 'gone'), group('g2', 'b')],
    laterRounds: [[group('g1', 'b'), group('g2', 'gone')]],
  })
  expect(contentRounds(rounds)).toEqual([
    [group('g1', 'a'), group('g2', 'b')],
    [group('g1', 'b'), group('g2')],
  ])
  expect(rounds.map(round => round.unplacedIds)).toEqual([['c'], ['a', 'c']])
})

test('groups taken over by name begin empty', () => {
  const [round] = emptyRounds(people, ['Reeds', 'Birds'])
  expect(round?.groups.map(({ name, personIds }) => [name, personIds])).toEqual([
    ['Reeds', []],
    ['Birds', []],
  ])
  expect(round?.unplacedIds).toEqual(['a', 'b', 'c'])
})

test('a set is switched without being changed', () => {
  const before = new Set(['a'])
  expect([...toggled(before, 'b', true)]).toEqual(['a', 'b'])
  expect([...toggled(before, 'a', false)]).toEqual([])
  expect([...before]).toEqual(['a'])
})
