import { once } from 'node:events'
import { readFileSync } from 'node:fs'
import { createServer, request } from 'node:http'
import type { AddressInfo } from 'node:net'
import express from 'express'
import routes from '~/app/routes'
import { BODIES, boundedBodies, LARGEST_BODY, largestBody } from './bodies.server'

interface Entry {
  path?: string
  index?: boolean
  file: string
  children?: Entry[]
}

/** The addresses of all routes that have an action, as the route list says them. */
function withAction(entries: Entry[], above = ''): string[] {
  return entries.flatMap(({ path = '', file, children = [] }) => {
    const here = path === '' ? above : `${above}/${path}`
    const source = readFileSync(`src/app/${file}`, 'utf8')
    const own = /export (async function|const) action\b/.test(source) ? [here || '/'] : []
    return [...own, ...withAction(children, here)]
  })
}

test('every route that takes something in says how much, and no other does', () => {
  const taking = withAction(routes as Entry[])
    .flatMap(path =>
      path.includes('/:code?') ? [path.replace('/:code?', ''), path.replace('?', '')] : [path],
    )
    .toSorted()
  expect(taking.length).toBeGreaterThan(20)
  expect([...new Set(taking)]).toEqual(Object.keys(BODIES).toSorted())
})

test.each([
  ['/sign-in', 'small'],
  ['/sign-in.data', 'small'],
  ['/cohorts/new', 'small'],
  ['/cohorts/abc/import.data', 'file'],
  ['/sessions/abc.data', 'list'],
] as const)('%s takes in what is %s', (path, kind) => {
  expect(largestBody(path)).toBe(LARGEST_BODY[kind])
})

test.each(['/', '/nowhere', '/health', '/assets/x.js', '/sign-in/more'])('%s takes in nothing', path => {
  expect(largestBody(path)).toBe(0)
})

describe('a server', () => {
  const app = express()
  let begun = 0
  app.use(boundedBodies, (request, response) => {
    begun++
    request.resume().on('end', () => response.send('taken'))
  })
  const server = createServer(app)
  beforeAll(() => once(server.listen(0), 'listening'))
  afterAll(() => server.close())

  const answerTo = (headers: Record<string, string>, body = '') =>
    new Promise<number | undefined>((done, failed) => {
      const { port } = server.address() as AddressInfo
      const asked = request({ port, method: 'POST', path: '/sign-in', headers }, answer => {
        done(answer.statusCode)
        answer.resume()
        asked.destroy()
      })
      asked.on('error', failed)
      if (body) asked.end(body)
      else asked.flushHeaders()
    })

  test('refuses what is declared too large, or without a length, before any of it has come', async () => {
    expect(await answerTo({ 'Content-Length': String(LARGEST_BODY.small + 1) })).toBe(413)
    expect(await answerTo({ 'Transfer-Encoding': 'chunked' })).toBe(411)
    expect(begun).toBe(0)
    const most = 'x'.repeat(LARGEST_BODY.small)
    expect(await answerTo({ 'Content-Length': String(most.length) }, most)).toBe(200)
  })
})
