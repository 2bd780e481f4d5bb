/** What the server and the thread that holds the database say to each other. */
export interface QueryOptions {
  rowMode?: 'object' | 'array'
}

export type ThreadRequest =
  | {
      id: number
      ask: 'query'
      sql: string
      params: unknown[]
      options: QueryOptions
      transaction: number | null
    }
  | { id: number; ask: 'exec'; sql: string; transaction: number | null }
  | { id: number; ask: 'begin'; transaction: number }
  | { id: number; ask: 'commit' | 'rollback'; transaction: number }
  | { id: number; ask: 'close' }

export interface ThreadError {
  message: string
  code?: string
  constraint?: string
  detail?: string
}

export type ThreadReply =
  | { id: 0; ready: true }
  | { id: number; ok: true; result: unknown }
  | { id: number; ok: false; error: ThreadError }
