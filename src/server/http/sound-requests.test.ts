import { once } from 'node:events'
import { createServer } from 'node:http'
import { type AddressInfo, connect } from 'node:net'
import express from 'express'
import { sendersFault, soundRequests } from './sound-requests.server'

const app = express()
app.use(soundRequests)
app.get('/events/:id/:reader', (_request, response) => response.send('a stream'))
app.get('/fault', () => {
  throw Object.assign(new Error('no'), { status: 413 })
})
app.get('/ours', () => {
  throw new Error('ours')
})
app.use(sendersFault)
app.use(((_error, _request, response, _next) => {
  response.status(500).send('ours')
}) satisfies express.ErrorRequestHandler)
const server = createServer({ requireHostHeader: false }, app)
beforeAll(() => once(server.listen(0), 'listening'))
afterAll(() => server.close())

/** The status that is answered to what is written on the line. */
function statusOf(text: string): Promise<number> {
  const line = connect((server.address() as AddressInfo).port)
  line.end(`${text}\r\nConnection: close\r\n\r\n`)
  return new Promise((done, failed) => {
    let said = ''
    line.on('data', chunk => {
      said += chunk
    })
    line.on('end', () => done(Number(said.split(' ')[1])))
    line.on('error', failed)
  })
}

test.each([
  ['GET /events/a/b HTTP/1.1\r\nHost: x', 200],
  ['GET /events/%/b HTTP/1.1\r\nHost: x', 400],
  ['GET /events/a%00/b HTTP/1.1\r\nHost: x', 400],
  ['GET /events/%E4/b HTTP/1.1\r\nHost: x', 400],
  ['GET /events/a/b HTTP/1.1\r\nHost:', 400],
  ['GET /events/a/b HTTP/1.1', 400],
  ['GET /events/a/b HTTP/1.1\r\nHost: a b', 400],
  ['TRACE /events/a/b HTTP/1.1\r\nHost: x', 405],
  ['PROPFIND / HTTP/1.1\r\nHost: x', 405],
  ['DELETE / HTTP/1.1\r\nHost: x', 405],
  ['GET /fault HTTP/1.1\r\nHost: x', 413],
  ['GET /ours HTTP/1.1\r\nHost: x', 500],
])('%j is answered with %i', async (request, status) => {
  expect(await statusOf(request)).toBe(status)
})
