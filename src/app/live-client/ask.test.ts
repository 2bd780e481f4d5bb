import { jest } from '@jest/globals'
import type { LiveProblem } from '~/core/live/commands'
import { ask, problemText } from './ask'

const answering = (answer: () => Promise<unknown>) => {
  const asked = jest.fn(answer as () => Promise<Response>)
  globalThis.fetch = asked as unknown as typeof fetch
  return asked
}
const original = globalThis.fetch
afterEach(() => {
  globalThis.fetch = original
})

test('an accepted command is sent as JSON and said to be accepted', async () => {
  const asked = answering(async () => ({ json: async () => ({ ok: true, value: { seq: 3 } }) }))
  expect(await ask('/s/x/commands', { type: 'call-help' })).toEqual({ ok: true })
  expect(asked).toHaveBeenCalledWith(
    '/s/x/commands',
    expect.objectContaining({ method: 'POST', body: '{"type":"call-help"}' }),
  )
})

test('a refused one says why in words', async () => {
  answering(async () => ({ json: async () => ({ ok: false, problem: { code: 'not-out' } }) }))
  expect(await ask('/x', {})).toEqual({ ok: false, message: 'Nobody is in rooms now.' })
})

test.each([
  ['no line', async () => Promise.reject(new TypeError('Failed to fetch'))],
  ['no JSON', async () => ({ json: async () => Promise.reject(new SyntaxError('<')) })],
])('%s is said to be so, and nothing is thrown', async (_, answer) => {
  answering(answer)
  expect(await ask('/x', {})).toMatchObject({
    ok: false,
    message: expect.stringContaining('could not be reached'),
  })
})

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
