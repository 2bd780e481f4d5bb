/**
 * The thread that holds the database. PGlite computes on the thread it runs on: here that delays nobody, while on
 * the server's own thread every query would hold up sockets and event streams. It speaks PostgreSQL's own protocol on a
 * local socket, to one connection: its server mixes up the queries of several.
 */
import { parentPort, workerData } from 'node:worker_threads'
import { PGlite } from '@electric-sql/pglite'
import { PGLiteSocketServer } from '@electric-sql/pglite-socket'

if (!parentPort) throw new Error('The database thread is started by the server.')
const port = parentPort
const { folder, socket } = workerData as { folder: string; socket: string }

const database = await PGlite.create({ dataDir: folder })
const server = new PGLiteSocketServer({ db: database, path: socket, maxConnections: 1 })
await server.start()

port.once('message', async () => {
  await server.stop()
  await database.close()
  port.close()
})
port.postMessage('ready')
