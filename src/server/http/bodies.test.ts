import { once } from 'node:events'
import { createServer, request } from 'node:http'
import type { AddressInfo } from 'node:net'
import express from 'express'
import { boundedBodies } from './bodies.server'
import { LARGEST_BODY } from './routes.server'

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
