// The same sync server as ours, keeping nothing and asking nobody.
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { Hocuspocus } from '@hocuspocus/server'
import { WebSocketServer } from 'ws'

const hocuspocus = new Hocuspocus({ quiet: true })
const sockets = new WebSocketServer({ noServer: true })
const server = createServer()
server.on('upgrade', (request, socket, head) => {
  sockets.handleUpgrade(request, socket, head, webSocket => hocuspocus.handleConnection(webSocket, request))
})
server.listen(0, () => process.send?.({ port: (server.address() as AddressInfo).port }))
