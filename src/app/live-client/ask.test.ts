import { jest } from '@jest/globals'
import { ask } from './ask'

const answering = (answer: () => Promise<unknown>) => {
  const asked = jest.fn(answer as () => Promise<Response>)
  globalThis.fetch = asked as unknown as typeof fetch
  return asked
}
const original = globalThis.fetch
afterEach(() => {
  globalThis.fetch = original
})

test('an accepted command is sent as JSON and said to be accepted, with what more was told', async () => {
  const asked = answering(async () => ({ json: async () => ({ ok: true, value: { seq: 3 } }) }))
  expect(await ask('/s/x/commands', { type: 'call-help' })).toEqual({ ok: true, value: { seq: 3 } })
  expect(asked).toHaveBeenCalledWith(
    '/s/x/commands',
    expect.objectContaining({ method: 'POST', body: '{"type":"call-help"}' }),
  )
})

test('a refused one says why in words', async () => {
  answering(async () => ({ json: async () => ({ ok: false, message: 'Nobody is in rooms now.' }) }))
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
