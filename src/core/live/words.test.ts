import { problemText } from './decide'
import type { LiveProblem } from './topics'

const PROBLEMS: LiveProblem[] = [
  { code: 'not-allowed' },
  { code: 'not-open' },
  { code: 'already-open' },
  { code: 'ended' },
  { code: 'no-such-room' },
  { code: 'no-such-participant' },
  { code: 'no-such-message' },
  { code: 'name-taken', shownName: 'Ana P.' },
  { code: 'already-out' },
  { code: 'not-out' },
  { code: 'nobody-to-send' },
  { code: 'waiting', shownName: 'Ana P.' },
  { code: 'not-in-a-room' },
  { code: 'text-empty' },
  { code: 'text-too-long', most: 500 },
  { code: 'bad-length', least: 30, most: 14_400 },
  { code: 'session-full', most: 500 },
  { code: 'not-called-back' },
  { code: 'round-over' },
  { code: 'no-such-doubt' },
]

test.each(PROBLEMS.map(problem => [problem.code, problem] as const))(
  '%s has words of its own, with its facts',
  (_, problem) => {
    const text = problemText(problem)
    expect(text).toMatch(/[.]$/)
    if ('shownName' in problem) expect(text).toContain('Ana P.')
    if (problem.code === 'bad-length') expect(text).toBe('Choose a length from 30 s to 240 min.')
    if ('most' in problem && problem.code !== 'bad-length') expect(text).toContain(String(problem.most))
  },
)

test('no two problems read the same', () => {
  expect(new Set(PROBLEMS.map(problemText)).size).toBe(PROBLEMS.length)
})
