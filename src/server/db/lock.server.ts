import { createHash } from 'node:crypto'
import { mkdirSync, realpathSync, rmSync } from 'node:fs'
import { connect, createServer, type Server } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** Another server already works on this data folder. */
export class FolderInUseError extends Error {
  constructor(folder: string) {
    super(
      `Another Round Table server is already using the data folder ${folder}. ` +
        'Stop that one first, or start this one with another DATA_FOLDER: two servers on one folder would lose data.',
    )
    this.name = 'FolderInUseError'
  }
}

/**
 * Takes the data folder for this process; the returned function gives it back.
 *
 * PGlite lets a second process open the same folder and then loses rows, so the lock must not be guessed from the age
 * of a file: a server that was only slow would be robbed of it. It is a listening local socket instead, which the
 * operating system closes when its process ends in any way, so what a killed server leaves behind never answers.
 * Throws FolderInUseError when another process holds it.
 */
export async function lockFolder(folder: string): Promise<() => Promise<void>> {
  mkdirSync(folder, { recursive: true })
  const address = socketAddress(realpathSync(folder))
  const server = (await listen(address)) ?? (await takeOver(address, folder))
  server.unref()
  return () => new Promise(done => server.close(() => done()))
}

/** Bytes that the address of a local socket has room for everywhere: macOS has the least, 104 with the one that ends it. */
const LONGEST_ADDRESS = 103

/**
 * In the folder itself, so that servers with temporary folders of their own meet there too; where its name is too long for
 * that, in the temporary folder, named by it.
 */
function socketAddress(folder: string): string {
  const inFolder = join(folder, 'server.lock')
  const named = `round-table-${createHash('sha256').update(folder).digest('hex').slice(0, 24)}`
  if (process.platform === 'win32') return `\\\\.\\pipe\\${named}`
  return Buffer.byteLength(inFolder) <= LONGEST_ADDRESS ? inFolder : join(tmpdir(), `${named}.lock`)
}

async function takeOver(address: string, folder: string): Promise<Server> {
  if (await answers(address)) throw new FolderInUseError(folder)
  rmSync(address, { force: true })
  const server = await listen(address)
  if (!server) throw new FolderInUseError(folder)
  return server
}

function listen(address: string): Promise<Server | null> {
  return new Promise((resolve, reject) => {
    const server = createServer(socket => socket.destroy())
    server.once('error', (error: NodeJS.ErrnoException) =>
      error.code === 'EADDRINUSE' ? resolve(null) : reject(error),
    )
    server.listen(address, () => resolve(server))
  })
}

function answers(address: string): Promise<boolean> {
  return new Promise(resolve => {
    const socket = connect(address)
    socket.once('connect', () => {
      socket.destroy()
      resolve(true)
    })
    socket.once('error', () => resolve(false))
  })
}
