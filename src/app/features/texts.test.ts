import { columnErrors } from './cohorts/column-text'
import { importProblemText, rowProblemText } from './cohorts/import-text'
import { contradictionText, ruleProblemText } from './groupings/settings/rule-text'
import { codeProblemText, takePlaceProblemText } from './join/join-text'
import { openingProblemText, sessionProblem } from './sessions/session-text'

test('a list that can not be read is told what is missing from it', () => {
  expect(importProblemText({ code: 'no-name-column', headers: ['mail', 'parish'] })).toContain(
    'which of these is the name: mail, parish.',
  )
  expect(importProblemText({ code: 'no-name-column', headers: [] })).toContain('there is none.')
  expect(importProblemText({ code: 'too-many-rows', rows: 6000, most: 5000 })).toContain(
    '6000 rows; at most 5000',
  )
  expect(importProblemText({ code: 'empty' })).toContain('no rows below the header')
})

test.each([
  [{ code: 'no-name' } as const, 'There is no name.'],
  [{ code: 'bad-email', email: 'x' } as const, '"x" is not an email address.'],
  [{ code: 'repeated-in-file', firstRow: 4 } as const, 'The same person stands in row 4.'],
  [
    { code: 'not-of-kind', column: 'Years', kind: 'number', value: 'many' } as const,
    '"Years" holds numbers; "many" does not fit.',
  ],
  [{ code: 'too-long', column: 'parish', most: 200 } as const, '"parish" is longer than 200 characters.'],
  [{ code: 'broken-quotes' } as const, 'A quotation mark is opened and never closed.'],
])('a row refused for %j is told so', (problem, text) => {
  expect(rowProblemText(problem)).toBe(text)
})

test.each([
  [{ code: 'name-taken', name: 'Years' } as const, { name: ['There is already a column "Years".'] }],
  [
    { code: 'values-do-not-fit', kind: 'number', names: ['Ana', 'Bo', 'Chi'], count: 5 } as const,
    { kind: ['What stands there does not fit "number": Ana, Bo, Chi and 2 more.'] },
  ],
])('what is wrong with a column stands beside its field: %j', (problem, errors) => {
  expect(columnErrors(problem)).toEqual(errors)
})

test('at the door', () => {
  expect(codeProblemText({ code: 'too-many-tries', seconds: 61 })).toContain('Wait 2 min')
  expect(takePlaceProblemText({ code: 'name-taken', shownName: 'Ana' })).toContain(
    'ask the facilitator to free the name',
  )
})

test('what is wrong with a plan goes to its field, or to the top', () => {
  expect(sessionProblem({ code: 'no-such-date' })).toHaveProperty('fieldErrors.date')
  expect(sessionProblem({ code: 'room-names-repeat', name: 'Birds' }).formErrors?.[0]).toContain('"Birds"')
  expect(openingProblemText({ code: 'empty-groups', names: ['Birds', 'Reeds'] })).toContain(
    'Nobody is in Birds and Reeds.',
  )
  expect(openingProblemText({ code: 'already-open' })).toContain('can no longer be changed')
})

const name = (id: string) => id.toUpperCase()
const contradiction = { apart: [], together: [], placed: [], leads: null, sizes: [4, 4], smallest: true }

test.each<[Parameters<typeof contradictionText>[0], string]>([
  [
    {
      ...contradiction,
      apart: [
        ['a', 'b'],
        ['a', 'c'],
        ['b', 'c'],
      ],
    },
    'A, B and C are apart from each other, but there are 2 groups.',
  ],
  [
    {
      ...contradiction,
      apart: [['a', 'c']],
      together: [
        ['a', 'b'],
        ['b', 'c'],
      ],
    },
    'These cannot all hold: A and C are apart and A, B and C are together; there are 2 groups, of 4.',
  ],
  [
    { ...contradiction, placed: [{ personId: 'a', groupName: 'Reeds' }], leads: 2, sizes: [4, 3] },
    'These cannot all hold: A is in Reeds and every group has a trained lead, and 2 people are trained to lead; there are 2 groups, of 3 to 4.',
  ],
  [
    { ...contradiction, leads: 8, sizes: [3, 3, 3, 3, 3, 3, 2, 2, 2] },
    'Every group is to have a trained lead, but there are 9 groups and 8 people are trained to lead.',
  ],
  [contradiction, 'The sizes asked for do not fit: there are 2 groups, of 4.'],
])('rules that contradict each other: %j', (found, text) => {
  expect(contradictionText(found, name)).toBe(text)
})

test('a rule that cannot be added says why', () => {
  expect(ruleProblemText({ code: 'not-of-cohort' })).toContain('no longer on the list')
  expect(ruleProblemText({ code: 'too-many', most: 200 })).toContain('200')
  expect(ruleProblemText({ code: 'already-there' })).toContain('already')
})
