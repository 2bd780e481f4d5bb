// The least a server can do: keep event streams open, and write what is posted to all of them, in messages that a participant reads.
import { createServer, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'

const listeners = new Set<ServerResponse>()
const server = createServer((request, response) => {
  if (request.method === 'GET') {
    request.socket.setNoDelay(true)
    response.writeHead(200, { 'Content-Type': 'text/event-stream' })
    tell(response, { kind: 'view', sections: { messages: [] } })
    listeners.add(response)
    response.on('close', () => listeners.delete(response))
    return
  }
  let body = ''
  request.on('data', chunk => {
    body += chunk
  })
  request.on('end', () => {
    const message = { kind: 'change', sections: {}, added: { messages: [{ text: body }] } }
    for (const listener of listeners) tell(listener, message)
    response.end('ok')
  })
})

function tell(listener: ServerResponse, message: object): void {
  listener.write(`data: ${JSON.stringify(message)}\n\n`)
}

server.listen(0, () => process.send?.({ port: (server.address() as AddressInfo).port }))
