import { once } from 'node:events'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import express from 'express'
import { nonceOf, safeHeaders } from './headers.server'

async function headersOf(https: boolean): Promise<{ headers: Headers; nonces: string[] }> {
  const nonces: string[] = []
  const app = express()
    .use(safeHeaders({ https, developing: false }))
    .use((_request, response) => {
      nonces.push(nonceOf(response))
      response.send('page')
    })
  const server = createServer(app)
  await once(server.listen(0, '127.0.0.1'), 'listening')
  const { port } = server.address() as AddressInfo
  await fetch(`http://127.0.0.1:${port}/`)
  const { headers } = await fetch(`http://127.0.0.1:${port}/`)
  server.close()
  return { headers, nonces }
}

test('scripts and style elements count only from our files or with the number of this one page', async () => {
  const { headers, nonces } = await headersOf(false)
  expect(new Set(nonces).size).toBe(2)
  const policy = new Map(
    (headers.get('content-security-policy') ?? '').split(';').map(part => {
      const [name = '', ...values] = part.trim().split(' ')
      return [name, values.join(' ')]
    }),
  )
  expect(Object.fromEntries(policy)).toEqual({
    'default-src': "'self'",
    'script-src': `'self' 'nonce-${nonces[1]}'`,
    'style-src': "'self' 'unsafe-inline'",
    'style-src-elem': `'self' 'nonce-${nonces[1]}'`,
    'style-src-attr': "'unsafe-inline'",
    'img-src': "'self' data:",
    'font-src': "'self' data:",
    'frame-ancestors': "'none'",
    'object-src': "'none'",
    'base-uri': "'self'",
    'form-action': "'self'",
  })
})

// Names and values: WHATWG HTML (opener policy), WHATWG Fetch (resource policy), W3C Permissions Policy, RFC 6797, from memory.
test('pages are in nobody’s frame, share no window or file with other sites, and ask the device for nothing but what a call needs', async () => {
  const { headers } = await headersOf(true)
  const policy = headers.get('permissions-policy')?.split(', ') ?? []
  expect(policy.filter(each => !each.endsWith('=()'))).toEqual([
    'camera=(self)',
    'display-capture=(self)',
    'microphone=(self)',
  ])
  expect(policy).toContain('geolocation=()')
  expect(headers.get('cross-origin-opener-policy')).toBe('same-origin')
  expect(headers.get('cross-origin-resource-policy')).toBe('same-origin')
  expect(headers.get('x-content-type-options')).toBe('nosniff')
  expect(headers.get('x-frame-options')).toBe('DENY')
  expect(headers.get('referrer-policy')).toBe('same-origin')
  expect(headers.get('strict-transport-security')).toMatch(/^max-age=\d{8}/)
  expect((await headersOf(false)).headers.get('strict-transport-security')).toBeNull()
})
