import { DEED_KINDS } from '~/contracts/deeds'
import { deedText } from './deed-text'

test('every entry says what was done with what', () => {
  const told = { thing: 'cohort' as const, about: 'Evening course', count: 24 }
  for (const kind of DEED_KINDS) expect(deedText({ kind, ...told })).toMatch(/^[a-z].*[a-z”]$/)
  expect(deedText({ kind: 'people-removed', ...told })).toBe('removed 24 people from “Evening course”')
  expect(deedText({ kind: 'removed', ...told })).toBe('removed the cohort “Evening course”')
  expect(deedText({ kind: 'list-exported', thing: 'cohort', about: '', count: 1 })).toBe(
    'downloaded the list of something that is gone, 1 person',
  )
  expect(deedText({ kind: 'signed-in', thing: null, about: '', count: null })).toBe('signed in')
})
