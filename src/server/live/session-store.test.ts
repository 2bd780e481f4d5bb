import { sessionStoreConforms } from 'tests/conformance/session-store'
import { account, plannedSession } from 'tests/fixtures/class'
import { memoryDatabase } from 'tests/fixtures/database'
import { MemoryStore } from 'tests/fixtures/memory-store'
import { DatabaseSessionStore } from './database-session-store.server'

describe('in the database', () => {
  sessionStoreConforms(async () => {
    const { db, close } = await memoryDatabase()
    const by = await account(db)
    const [one, other] = [await plannedSession(db, by), await plannedSession(db, by)]
    return { store: new DatabaseSessionStore(db), sessionIds: [one.sessionId, other.sessionId], close }
  })
})

describe('in memory', () => {
  sessionStoreConforms(async () => ({
    store: new MemoryStore(),
    sessionIds: ['one', 'other'],
    close: async () => undefined,
  }))
})
