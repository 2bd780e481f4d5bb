/**
 * The thread that holds the database. PGlite computes on the thread it runs on: here that delays nobody, while on
 * the server's own thread every query would hold up sockets and event streams.
 *
 * A transaction holds PGlite's own lock from `begin` to `commit` or `rollback`; queries outside it wait meanwhile.
 */
import { parentPort, workerData } from 'node:worker_threads'
import { PGlite, type Transaction, types } from '@electric-sql/pglite'
import type { ThreadReply, ThreadRequest } from './thread-messages'

if (!parentPort) throw new Error('The database thread is started by the server.')
const port = parentPort

/** Drizzle reads moments, dates and intervals from their text, as it does when it talks to PGlite itself. */
const asText = (value: string) => value
const parsers = Object.fromEntries(
  [types.TIMESTAMP, types.TIMESTAMPTZ, types.INTERVAL, types.DATE, 1115, 1185, 1187, 1182].map(type => [
    type,
    asText,
  ]),
)

interface OpenTransaction {
  handle: Transaction
  finish: (how: 'commit' | 'rollback') => void
  finished: Promise<void>
}

const database = await PGlite.create({ dataDir: (workerData as { folder?: string }).folder })
const open = new Map<number, OpenTransaction>()

const reply = (message: ThreadReply) => port.postMessage(message)

async function answer(request: ThreadRequest): Promise<unknown> {
  switch (request.ask) {
    case 'query':
      return runner(request.transaction).query(request.sql, request.params, { ...request.options, parsers })
    case 'exec':
      return runner(request.transaction).exec(request.sql)
    case 'begin':
      return begin(request.transaction)
    case 'commit':
    case 'rollback': {
      const transaction = open.get(request.transaction)
      if (!transaction) throw new Error('There is no such transaction.')
      open.delete(request.transaction)
      transaction.finish(request.ask)
      return transaction.finished
    }
    case 'close':
      return database.close()
  }
}

function runner(transaction: number | null): Pick<Transaction, 'query' | 'exec'> {
  if (transaction === null) return database
  const found = open.get(transaction)
  if (!found) throw new Error('There is no such transaction.')
  return found.handle
}

/** Resolves once the transaction holds the lock, not when it ends. */
function begin(id: number): Promise<void> {
  return new Promise((begun, failed) => {
    const finished = database.transaction(
      handle =>
        new Promise<void>((done, _fail) => {
          const finish = (how: 'commit' | 'rollback') => {
            if (how === 'commit') done()
            else handle.rollback().then(done, done)
          }
          open.set(id, { handle, finish, finished: Promise.resolve().then(() => finished) })
          begun()
        }),
    )
    finished.catch(failed)
  })
}

port.on('message', (request: ThreadRequest) => {
  answer(request).then(
    result => reply({ id: request.id, ok: true, result }),
    error => {
      const { message, code, constraint, detail } = error as Error & Record<string, string | undefined>
      reply({ id: request.id, ok: false, error: { message, code, constraint, detail } })
    },
  )
})

reply({ id: 0, ready: true })
