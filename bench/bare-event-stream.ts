// The least a server can do: keep event streams open, and write what is posted to all of them.
import { createServer, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'

const listeners = new Set<ServerResponse>()
const server = createServer((request, response) => {
  if (request.method === 'GET') {
    request.socket.setNoDelay(true)
    response.writeHead(200, { 'Content-Type': 'text/event-stream' })
    response.flushHeaders()
    listeners.add(response)
    response.on('close', () => listeners.delete(response))
    return
  }
  let body = ''
  request.on('data', chunk => {
    body += chunk
  })
  request.on('end', () => {
    for (const listener of listeners) listener.write(`data: ${JSON.stringify({ text: body })}\n\n`)
    response.end('ok')
  })
})
server.listen(0, () => process.send?.({ port: (server.address() as AddressInfo).port }))
