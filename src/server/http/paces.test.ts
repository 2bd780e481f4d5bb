import { once } from 'node:events'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { jest } from '@jest/globals'
import express from 'express'
import { writeAccountToken, writePlaceToken } from '../auth/cookies.server'
import { Paces, paced } from './paces.server'
import { PACES, ROUTES, ruleFor } from './routes.server'

const cookieOf = async (made: Promise<string>) => (await made).split(';')[0] ?? ''

/** Two who are known, by their tokens. */
const pacesOfTwo = () =>
  new Paces(async (token, sessionId) =>
    token === 'ana' && sessionId === 'one' ? 'ana' : token === 'marit' ? 'marit' : null,
  )

/** An address that a pattern stands for. */
const addressFor = (pattern: string) => pattern.replace(':sessionId', 'one').replace(/:\w+/g, 'x')

async function most(paces: Paces, path: string, cookies: string | undefined, address = 'school') {
  let count = 0
  while (count < 50_000 && (await paces.allows(path, cookies, address))) count++
  return count
}

beforeEach(() => {
  jest.useFakeTimers()
})
afterEach(() => {
  jest.useRealTimers()
})

test.each(Object.keys(ROUTES))(
  '%s may be asked for so often by somebody known, and no more',
  async pattern => {
    const path = addressFor(pattern)
    const { person } = PACES[ruleFor(path).pace]
    const cookies = await cookieOf(writeAccountToken('marit', false))
    const paces = pacesOfTwo()
    // The first is counted for the address.
    expect(await most(paces, path, cookies)).toBe(person[0] + 1)
    jest.advanceTimersByTime(1_000)
    expect(await most(paces, path, cookies)).toBe(person[1])
  },
)

test('whoever is known is not hit by what others at the same address ask for', async () => {
  const paces = pacesOfTwo()
  const ana = await cookieOf(writePlaceToken('ana', 'one', false))
  expect(await paces.allows('/s/one', ana, 'school')).toBe(true)
  const forged = await cookieOf(writePlaceToken('made up', 'one', false))
  expect(await most(paces, '/s/one', forged)).toBe(9_999)
  expect(await paces.allows('/join/x', undefined, 'school')).toBe(false)
  expect(await paces.allows('/join/x', undefined, 'home')).toBe(true)
  expect(await paces.allows('/s/one', ana, 'school')).toBe(true)
  expect(await paces.allows('/s/one/commands', ana, 'elsewhere')).toBe(true)
  // In another session the place is worth nothing.
  expect(await paces.allows('/s/other', ana, 'school')).toBe(false)
})

test('five hundred behind one address come in at the same moment', async () => {
  const paces = pacesOfTwo()
  for (let person = 0; person < 500; person++)
    for (const path of [
      '/join/x',
      '/join/x/names',
      '/join/x',
      '/s/one',
      '/s/one.data',
      '/events/one/participant',
    ])
      expect(await paces.allows(path, undefined, 'school')).toBe(true)
})

test('a page that is refused comes again by itself; what a page asks for is told why', async () => {
  jest.useRealTimers()
  const none = { allows: async () => false } as unknown as Paces
  const server = createServer(express().use(paced(none)))
  await once(server.listen(0, '127.0.0.1'), 'listening')
  const { port } = server.address() as AddressInfo
  const ask = (headers: Record<string, string>) => fetch(`http://127.0.0.1:${port}/`, { headers })
  const page = await ask({ Accept: 'text/html,*/*;q=0.8' })
  expect([page.status, page.headers.get('refresh'), page.headers.get('retry-after')]).toEqual([429, '5', '5'])
  const asked = await ask({ Accept: '*/*' })
  expect([asked.status, asked.headers.get('refresh'), await asked.json()]).toEqual([
    429,
    null,
    { ok: false, message: 'That was too much at once. Wait a moment, and try again.' },
  ])
  server.close()
})
