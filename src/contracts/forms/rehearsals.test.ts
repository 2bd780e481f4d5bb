import { parseWithZod } from '@conform-to/zod/v4'
import { FASTEST } from '~/core/rehearsal/pace'
import { FEWEST_PEOPLE, MOST_PEOPLE, usualScript } from '~/core/rehearsal/script'
import { rehearsalChange, rehearsalForm } from './rehearsals'

const filled = (changes: object) => {
  const form = new FormData()
  for (const [name, value] of Object.entries({ ...usualScript(24), ...changes }))
    if (value !== false) form.set(name, value === true ? 'on' : String(value))
  return parseWithZod(form, { schema: rehearsalForm })
}
const problems = (changes: object) => {
  const read = filled(changes)
  return read.status === 'success' ? {} : (read.error ?? {})
}

test('the usual script fits any list, also none and one too long to play', () => {
  for (const listed of [0, 1, 24, 5_000]) {
    const read = filled(usualScript(listed))
    expect(read.status === 'success' && read.value).toEqual(usualScript(listed))
  }
})

test('what is out of bounds is said at its field', () => {
  expect(problems({ people: FEWEST_PEOPLE - 1 })).toEqual({ people: ['At least 2 people.'] })
  expect(problems({ people: MOST_PEOPLE + 1 })).toEqual({ people: ['At most 200 people.'] })
  expect(problems({ people: '' })).toEqual({ people: ['Enter a whole number of people.'] })
  expect(problems({ absent: 101 })).toEqual({ absent: ['At most 100 percent.'] })
  expect(problems({ late: -1 })).toEqual({ late: ['At least 0 percent.'] })
  expect(problems({ speed: FASTEST + 1 })).toEqual({ speed: ['At most 30 times.'] })
  expect(problems({ silent: 60, busy: 50 })).toEqual({
    busy: ['With those who write nothing that is more than all of them.'],
  })
})

test('while it runs only what can be changed is taken in', () => {
  const reads = (change: object) => rehearsalChange.safeParse(change).success
  expect(reads({ intent: 'speed', speed: 5 })).toBe(true)
  expect(reads({ intent: 'itself', on: 'no' })).toBe(true)
  expect(
    [{ intent: 'speed' }, { intent: 'speed', speed: 99 }, { intent: 'step-into' }, { intent: 'other' }].map(
      reads,
    ),
  ).toEqual([false, false, false, false])
})
