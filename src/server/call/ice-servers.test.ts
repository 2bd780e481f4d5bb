import { webcrypto } from 'node:crypto'
import { iceServers } from './ice-servers.server'

const NOW = Date.UTC(2027, 0, 1)

test('a TURN server is used under a name that ends, proved with the word both sides share', async () => {
  const servers = ['stun:a.example', 'turn:b.example:3478?transport=udp', 'turns:b.example:5349']
  const [stun, turn] = iceServers({ servers, secret: 'word' }, 'ana', NOW)
  expect(stun).toEqual({ urls: ['stun:a.example'] })
  expect(turn?.urls).toEqual(servers.slice(1))
  // draft-uberti-behave-turn-rest-00, 2.2: "timestamp:userid", and base64 of the HMAC-SHA1 of that; held against the browsers' own.
  expect(turn?.username).toBe(`${NOW / 1000 + 12 * 3600}:ana`)
  const bytes = (text: string) => new TextEncoder().encode(text)
  const algorithm = { name: 'HMAC', hash: 'SHA-1' }
  const key = await webcrypto.subtle.importKey('raw', bytes('word'), algorithm, false, ['sign'])
  const proof = await webcrypto.subtle.sign('HMAC', key, bytes(turn?.username ?? ''))
  expect(turn?.credential).toBe(Buffer.from(proof).toString('base64'))
})

test('without the word a TURN server is not named, and without any server none is', () => {
  expect(iceServers({ servers: ['turn:b.example'], secret: null }, 'ana', NOW)).toEqual([])
  expect(iceServers({ servers: [], secret: 'word' }, 'ana', NOW)).toEqual([])
})
