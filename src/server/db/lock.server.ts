import { createHash } from 'node:crypto'
import { mkdirSync, realpathSync, rmSync } from 'node:fs'
import { connect, createServer, type Server, type Socket } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { z } from 'zod'

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

/** What another process on this machine may ask whoever holds the folder: to copy the database's files as they are at one moment. */
export interface CopyRequest {
  copyTo: string
}
/** Does what is asked; throws when it cannot. */
type Asked = (request: CopyRequest) => Promise<void>

/**
 * Takes the data folder for this process; the returned function gives it back. Whoever may write into the folder can ask it
 * something over the lock meanwhile (`askHolder`).
 *
 * PGlite lets a second process open the same folder and then loses rows, so the lock must not be guessed from the age
 * of a file: a server that was only slow would be robbed of it. It is a listening local socket instead, which the
 * operating system closes when its process ends in any way, so what a killed server leaves behind never answers.
 * Throws FolderInUseError when another process holds it.
 */
export async function lockFolder(
  folder: string,
  asked: Asked = () => Promise.reject(new Error('Nothing can be asked here.')),
): Promise<() => Promise<void>> {
  mkdirSync(folder, { recursive: true })
  const address = socketAddress(realpathSync(folder))
  const server = (await listen(address, asked)) ?? (await takeOver(address, folder, asked))
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

async function takeOver(address: string, folder: string, asked: Asked): Promise<Server> {
  if (await answers(address)) throw new FolderInUseError(folder)
  rmSync(address, { force: true })
  const server = await listen(address, asked)
  if (!server) throw new FolderInUseError(folder)
  return server
}

function listen(address: string, asked: Asked): Promise<Server | null> {
  return new Promise((resolve, reject) => {
    const server = createServer(socket => hear(socket, asked))
    server.once('error', (error: NodeJS.ErrnoException) =>
      error.code === 'EADDRINUSE' ? resolve(null) : reject(error),
    )
    server.listen(address, () => resolve(server))
  })
}

const copyRequest = z.object({ copyTo: z.string().min(1) })
const copyAnswer = z.object({ ok: z.boolean(), message: z.string().optional() })
/** A question is one line, no longer than this, in characters, and comes within so many milliseconds. */
const LONGEST_QUESTION = 10_000
const QUESTION_WITHIN_MS = 2_000

/** Hears one question, and answers it. Most only look whether anybody is here, and are gone. */
function hear(socket: Socket, asked: Asked): void {
  socket.setEncoding('utf8').setTimeout(QUESTION_WITHIN_MS, () => socket.destroy())
  socket.on('error', () => socket.destroy())
  let text = ''
  socket.on('data', (part: string) => {
    text += part
    if (text.length > LONGEST_QUESTION) socket.destroy()
    if (!text.includes('\n')) return
    socket.removeAllListeners('data').setTimeout(0)
    const answer = (value: z.infer<typeof copyAnswer>) => socket.end(`${JSON.stringify(value)}\n`)
    Promise.resolve()
      .then(() => asked(copyRequest.parse(JSON.parse(text))))
      .then(
        () => answer({ ok: true }),
        error => answer({ ok: false, message: error instanceof Error ? error.message : String(error) }),
      )
  })
}

/**
 * Asks the server that holds a folder; false when nobody holds it. Throws what it says when it cannot do it, and when it ends
 * before it has answered.
 */
export function askHolder(folder: string, request: CopyRequest): Promise<boolean> {
  return new Promise((resolve, reject) => {
    const socket = connect(socketAddress(realpathSync(folder))).setEncoding('utf8')
    let isThere = false
    let text = ''
    socket.once('connect', () => {
      isThere = true
      socket.write(`${JSON.stringify(request)}\n`)
    })
    socket.on('data', (part: string) => {
      text += part
    })
    socket.once('error', error => (isThere ? reject(error) : resolve(false)))
    socket.once('close', () => {
      if (!isThere) return
      const read = copyAnswer.safeParse(parsed(text))
      if (read.data?.ok) resolve(true)
      else reject(new Error(read.data?.message ?? 'The server ended before it had answered.'))
    })
  })
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
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
