/**
 * The thread that holds the database. PGlite computes on the thread it runs on: here that delays nobody, while on
 * the server's own thread every query would hold up sockets and event streams. It speaks PostgreSQL's own protocol on a
 * local socket, to one connection: its server mixes up the queries of several.
 */
import { cpSync } from 'node:fs'
import { parentPort, workerData } from 'node:worker_threads'
import { PGlite } from '@electric-sql/pglite'
import { PGLiteSocketServer } from '@electric-sql/pglite-socket'

if (!parentPort) throw new Error('The database thread is started by the server.')
const port = parentPort
const { folder, socket } = workerData as { folder: string; socket: string }

const database = await PGlite.create({ dataDir: folder })
const server = new PGLiteSocketServer({ db: database, path: socket, maxConnections: 1 })
await server.start()

/** What the server asks of this thread. */
export type ThreadRequest = 'close' | { copyTo: string }

port.on('message', async (asked: ThreadRequest) => {
  if (asked !== 'close') {
    port.postMessage({ copied: copyFiles(asked.copyTo) })
    return
  }
  await server.stop()
  await database.close()
  port.close()
})

/**
 * Copies the files at one moment: nothing else runs on this thread meanwhile, so the copy holds what the disk of a machine
 * would that lost its power just now, from which PostgreSQL comes back with all that was committed. Null, or why it failed.
 */
function copyFiles(to: string): string | null {
  try {
    cpSync(folder, to, { recursive: true, errorOnExist: true, force: false })
    return null
  } catch (error) {
    return String(error)
  }
}

port.postMessage('ready')
