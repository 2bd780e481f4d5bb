import fc from 'fast-check'
import { isFoundBy, plainName, shownNames } from './shown-name'

const people = (...names: [first: string, family: string, shownAs?: string][]) =>
  names.map(([firstName, familyName, shownAs = ''], index) => ({
    id: String(index),
    firstName,
    familyName,
    shownAs,
  }))
const shown = (...names: [string, string, string?][]) => [...shownNames(people(...names)).values()]

test('first name and initial by default; one word is one word; what was asked for is shown', () => {
  expect(shown(['Bram', 'Oosterhuis'], ['Edda', ''], ['Chiamaka', 'Eze', 'Chi'])).toEqual([
    'Bram O.',
    'Edda',
    'Chi',
  ])
})

test('two who would read the same are told apart by as few letters as it takes', () => {
  expect(shown(['Ana', 'Pereira'], ['Ana', 'Petrova'], ['Ana', 'Costa'])).toEqual([
    'Ana Per.',
    'Ana Pet.',
    'Ana C.',
  ])
})

test('one family name that begins another is shown whole', () => {
  expect(shown(['Ana', 'Pere'], ['Ana', 'Pereira'])).toEqual(['Ana Pere', 'Ana Perei.'])
})

test('people whose names are equal get a number', () => {
  expect(shown(['Ana', 'Costa'], ['Ana', 'Costa'], ['Ana', 'Costa'])).toEqual([
    'Ana Costa',
    'Ana Costa (2)',
    'Ana Costa (3)',
  ])
})

test('accents do not tell two people apart to somebody who listens', () => {
  expect(shown(['Inés', 'Caldeira'], ['Ines', 'Cabral'])).toEqual(['Inés Cal.', 'Ines Cab.'])
})

test('letters outside the basic plane are whole letters', () => {
  expect(shown(['Ky', '𐐷𐐀x'])).toEqual(['Ky 𐐷.'])
})

test('whatever the names, everybody is told apart', () => {
  const name = fc.record({
    firstName: fc.constantFrom('Ana', 'ana', 'Bo', 'Åsa'),
    familyName: fc.constantFrom('', 'P', 'Pe', 'Per', 'pér', 'Q'),
    shownAs: fc.constantFrom('', '', 'Bo', 'Ana P.'),
  })
  fc.assert(
    fc.property(fc.array(name, { maxLength: 25 }), list => {
      const named = shownNames(list.map((each, id) => ({ ...each, id: String(id) })))
      return named.size === list.length && new Set([...named.values()].map(plainName)).size === list.length
    }),
  )
})

test.each([
  ['soren', 'Søren Bækgaard'],
  ['baek', 'Søren Bækgaard'],
  ['hassl', 'Jürgen Haßlacher'],
  ['lukasz', 'Łukasz Żak'],
  ['NGUYEN', 'Thuy Nguyễn-Marsh'],
  ['marsh', 'Thuy Nguyễn-Marsh'],
  ['nguyen m', 'Thuy Nguyễn-Marsh'],
  ['ana  p', 'Ana P.'],
  ['Ó Fl', 'Pádraig O Floinn'],
  ['', 'Wren'],
])('typing “%s” finds %s', (typed, name) => {
  expect(isFoundBy(typed, 'somebody else', name)).toBe(true)
})

test.each([
  ['ren', 'Søren Bækgaard'],
  ['ana q', 'Ana P.'],
  ['wrens', 'Wren'],
])('typing “%s” does not find %s: words are found by their start', (typed, name) => {
  expect(isFoundBy(typed, name)).toBe(false)
})
