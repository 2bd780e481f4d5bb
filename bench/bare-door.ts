// The least a server can do for a class that joins: take a form, hand out a list of names, and keep a stream open with one message;
// and, meanwhile, pass on what somebody writes to somebody else.
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { WebSocketServer } from 'ws'

const NAMES = JSON.stringify(
  Array.from({ length: 500 }, (_, number) => ({ personId: `p${number}`, shownName: `P${number}` })),
)
const server = createServer((request, response) => {
  if (request.url === '/names') {
    response.setHeader('Content-Type', 'application/json')
    response.end(NAMES)
  } else if (request.url === '/events') {
    request.socket.setNoDelay(true)
    response.writeHead(200, { 'Content-Type': 'text/event-stream' })
    response.write('data: {"view":true}\n\n')
  } else {
    request.resume()
    request.on('end', () => response.end('ok'))
  }
})
const sockets = new WebSocketServer({ server })
sockets.on('connection', socket =>
  socket.on('message', message => {
    for (const other of sockets.clients) if (other !== socket) other.send(message)
  }),
)
server.listen(0, () => process.send?.({ port: (server.address() as AddressInfo).port }))
