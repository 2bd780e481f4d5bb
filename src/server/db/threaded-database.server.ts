import { existsSync } from 'node:fs'
import { resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { Worker } from 'node:worker_threads'
import type { QueryOptions, ThreadReply, ThreadRequest } from './thread-messages'

/** What the database itself says went wrong; `code` is the SQLSTATE. */
export class DatabaseError extends Error {
  readonly code?: string
  readonly constraint?: string

  constructor(message: string, facts: { code?: string; constraint?: string }) {
    super(message)
    this.name = 'DatabaseError'
    this.code = facts.code
    this.constraint = facts.constraint
  }
}

type Ask = ThreadRequest extends infer Request
  ? Request extends { id: number }
    ? Omit<Request, 'id'>
    : never
  : never

/** Queries as Drizzle's PGlite session asks them, on a database or inside a transaction. */
export class ThreadedHandle {
  constructor(
    protected readonly link: ThreadLink,
    private readonly transactionId: number | null,
  ) {}

  query(sql: string, params: unknown[] = [], { rowMode }: QueryOptions = {}): Promise<unknown> {
    return this.link.ask({ ask: 'query', sql, params, options: { rowMode }, transaction: this.transactionId })
  }

  exec(sql: string): Promise<unknown> {
    return this.link.ask({ ask: 'exec', sql, transaction: this.transactionId })
  }
}

/** A PGlite database on a thread of its own, with the part of its interface that Drizzle uses. */
export class ThreadedDatabase extends ThreadedHandle {
  private transactions = 0

  /** Starts the thread and waits until the database answers. `folder` undefined keeps everything in memory. */
  static async open(folder: string | undefined): Promise<ThreadedDatabase> {
    return new ThreadedDatabase(await ThreadLink.start(folder), null)
  }

  /** Runs `work` in one transaction: all of it is on disk afterwards, or, when it throws, none of it. */
  async transaction<T>(work: (handle: ThreadedHandle) => Promise<T>): Promise<T> {
    const transaction = ++this.transactions
    await this.link.ask({ ask: 'begin', transaction })
    try {
      const result = await work(new ThreadedHandle(this.link, transaction))
      await this.link.ask({ ask: 'commit', transaction })
      return result
    } catch (error) {
      await this.link.ask({ ask: 'rollback', transaction }).catch(() => undefined)
      throw error
    }
  }

  async close(): Promise<void> {
    await this.link.ask({ ask: 'close' })
    await this.link.stop()
  }
}

class ThreadLink {
  private asked = 0
  private readonly waiting = new Map<
    number,
    { resolve: (value: unknown) => void; reject: (error: Error) => void }
  >()

  private constructor(private readonly worker: Worker) {
    worker.on('message', (reply: ThreadReply) => this.settle(reply))
    worker.on('error', error => this.fail(error))
    worker.on('exit', () => this.fail(new Error('The database thread has stopped.')))
  }

  static start(folder: string | undefined): Promise<ThreadLink> {
    const worker = startWorker(folder)
    return new Promise((ready, failed) => {
      const link = new ThreadLink(worker)
      worker.once('error', failed)
      worker.once('message', () => ready(link))
    })
  }

  ask(request: Ask): Promise<unknown> {
    const id = ++this.asked
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { resolve, reject })
      this.worker.postMessage({ ...request, id })
    })
  }

  async stop(): Promise<void> {
    await this.worker.terminate()
  }

  private settle(reply: ThreadReply): void {
    if ('ready' in reply) return
    const waiter = this.waiting.get(reply.id)
    this.waiting.delete(reply.id)
    if (reply.ok) waiter?.resolve(reply.result)
    else waiter?.reject(new DatabaseError(reply.error.message, reply.error))
  }

  private fail(error: Error): void {
    for (const waiter of this.waiting.values()) waiter.reject(error)
    this.waiting.clear()
  }
}

/** The built thread when there is one, otherwise its source, which needs tsx (development and tests). */
function startWorker(folder: string | undefined): Worker {
  const built = resolve('build/threads/database.js')
  if (process.env.NODE_ENV === 'production' && existsSync(built)) {
    return new Worker(pathToFileURL(built), { workerData: { folder } })
  }
  const source = pathToFileURL(resolve('src/server/db/database-thread.server.ts')).href
  const start = `import('tsx/esm/api').then(({ register }) => { register(); return import(${JSON.stringify(source)}) })`
  return new Worker(start, { eval: true, workerData: { folder } })
}
