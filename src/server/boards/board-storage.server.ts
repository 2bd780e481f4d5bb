import { and, asc, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import { groupBy } from 'lodash-es'
import * as Y from 'yjs'
import { documentName, readDocumentName } from '~/core/boards/document-name'
import type { Database } from '../db/database.server'
import { boardUpdates } from '../db/schema.server'
import { type Contribution, mergeContributions, noting, sumUpContributions } from './contributions.server'

/** What somebody wrote under a prompt while it was hidden from the others. */
export interface OwnWriting {
  promptId: string
  participantId: string
  update: Uint8Array
}

interface Change {
  /** The name of the document: a copy, or what somebody writes beside it. */
  document: string
  update: Uint8Array
  contributions: Contribution[]
}

/** A change on its way to disk; its number says how many came before it. */
type PendingChange = Change & { number: number }

/** Somebody who waits until no change up to this one is outstanding, of some documents or of all. */
interface Waiter {
  isMine: (document: string) => boolean
  number: number
  resolve: () => void
}

/** More stored changes than this are merged into one when a copy is opened. */
const MERGE_FROM = 50
/** Changes of this long go into one write, in milliseconds: others see them at once, "Saved" comes this much later. */
const GATHER_MS = 500
/** After so many writes what was noted of contributions is put together: some ten seconds of steady writing. */
const SUM_UP_EVERY = 20
/** Pause before another try when the database can't write at all, in milliseconds. */
const RETRY_MS = 500

/**
 * Writes every change of every board to disk. Changes that arrive while others are being written go together in the
 * next write, so that many writers cost few transactions, and what a person does is on disk within one write's time.
 */
export class BoardStorage {
  private pending: PendingChange[] = []
  private inFlight: PendingChange[] = []
  private appended = 0
  private running = false
  private writes = 0
  private waiters: Waiter[] = []
  /** Ends the gathering of changes early. */
  private hurry: () => void = () => undefined

  constructor(
    private readonly db: Database,
    /** Told after each write which documents are on disk as they were when it began, and what was contributed. */
    private readonly stored: (documents: Set<string>, contributions: Contribution[]) => void,
    private readonly writeBegins: (documents: Set<string>) => void,
    private readonly failed: (error: unknown) => void,
  ) {}

  append(change: Change): void {
    this.appended += 1
    this.pending.push({ ...change, number: this.appended })
    if (this.running) return
    this.running = true
    this.writeAll().catch(this.failed)
  }

  /**
   * Resolves when all that was appended until now, to one document or to all, is on disk. It waits for no change that comes
   * after it, and not for other documents' when nothing of its own is outstanding; what it waits for is not gathered first.
   */
  async settled(document: string | null = null): Promise<void> {
    await this.settledOf(document === null ? () => true : each => each === document)
  }

  private async settledOf(isMine: Waiter['isMine']): Promise<void> {
    const waiter = { isMine, number: this.appended }
    if (!this.outstanding(waiter)) return
    await new Promise<void>(resolve => {
      this.waiters.push({ ...waiter, resolve })
      this.hurry()
    })
  }

  private outstanding({ isMine, number }: Omit<Waiter, 'resolve'>): boolean {
    const isOut = (change: PendingChange) => change.number <= number && isMine(change.document)
    return this.inFlight.some(isOut) || this.pending.some(isOut)
  }

  private letGo(): void {
    const done = this.waiters.filter(waiter => !this.outstanding(waiter))
    this.waiters = this.waiters.filter(waiter => !done.includes(waiter))
    for (const waiter of done) waiter.resolve()
  }

  /** A document as one update; null when nobody has written in it. Merges many small changes into one. */
  async load(document: string): Promise<Uint8Array | null> {
    await this.settled(document)
    const rows = await this.db
      .select({ id: boardUpdates.id, update: boardUpdates.update, lengths: boardUpdates.lengths })
      .from(boardUpdates)
      .where(isOf(document))
      .orderBy(asc(boardUpdates.id))
    if (rows.length === 0) return null
    const updates = rows.flatMap(updatesIn)
    const merged = Y.mergeUpdates(updates)
    if (updates.length >= MERGE_FROM) {
      const ids = rows.map(row => row.id)
      await this.replace(document, ids, merged)
    }
    return merged
  }

  /** What people wrote beside a copy while it was hidden from the others: each person's under each prompt as one update. */
  async loadOwn(copyId: string): Promise<OwnWriting[]> {
    await this.settledOf(document => readDocumentName(document)?.copyId === copyId && document !== copyId)
    const rows = await this.db
      .select()
      .from(boardUpdates)
      .where(and(eq(boardUpdates.copyId, copyId), isNotNull(boardUpdates.participantId)))
      .orderBy(asc(boardUpdates.id))
    const documents = new Map<string, Omit<OwnWriting, 'update'> & { updates: Uint8Array[] }>()
    for (const { promptId, participantId, ...row } of rows) {
      if (promptId === null || participantId === null) continue
      const name = documentName({ copyId, own: { promptId, participantId } })
      const document = documents.get(name) ?? { promptId, participantId, updates: [] }
      document.updates.push(...updatesIn(row))
      documents.set(name, document)
    }
    return [...documents.values()].map(({ updates, ...own }) => ({ ...own, update: Y.mergeUpdates(updates) }))
  }

  /**
   * Puts one row in the place of exactly those it was made of: another server on the same database may have written one
   * with a lower number that was not to be seen yet.
   */
  private async replace(document: string, ids: readonly number[], merged: Uint8Array): Promise<void> {
    const { copyId, own } = partsOf(document)
    await this.db.transaction(async transaction => {
      await transaction.execute(sql`
        delete from board_updates where copy_id = ${copyId}
        and id in (select jsonb_array_elements_text(${JSON.stringify(ids)}::jsonb)::bigint)`)
      await transaction.insert(boardUpdates).values({ copyId, ...own, update: merged })
    })
  }

  private async writeAll(): Promise<void> {
    try {
      while (this.pending.length > 0) {
        await this.gathered()
        await this.writePending()
        this.letGo()
        if (++this.writes % SUM_UP_EVERY === 0) await sumUpContributions(this.db).catch(this.failed)
      }
    } finally {
      this.running = false
    }
  }

  private async writePending(): Promise<void> {
    const changes = this.pending
    this.pending = []
    this.inFlight = changes
    const documents = new Set(changes.map(change => change.document))
    this.writeBegins(documents)
    const written = await this.write(changes).catch((error: unknown) => {
      this.failed(error)
      return null
    })
    // Told apart from writing: what is on disk must not be written again because somebody could not be told.
    if (written) this.stored(documents, written)
    else await this.writeOneByOne(changes)
    this.inFlight = []
  }

  /** Waits for what goes into one write; not at all while somebody waits for what is outstanding. */
  private async gathered(): Promise<void> {
    if (this.waiters.length > 0) return
    await new Promise<void>(resolve => {
      const timer = setTimeout(resolve, GATHER_MS)
      this.hurry = () => {
        clearTimeout(timer)
        resolve()
      }
    })
  }

  /**
   * What could not be written together is written one by one, so that a single change the database refuses does not
   * keep everybody's from the disk. A change is given up only when it is refused for what it is, never for the
   * database being busy or gone: such changes are kept, and their writers are not told "saved" meanwhile.
   */
  private async writeOneByOne(changes: PendingChange[]): Promise<void> {
    const done: Contribution[] = []
    const unstored = new Set<string>()
    let rest: PendingChange[] = []
    for (const [index, change] of changes.entries()) {
      try {
        done.push(...(await this.write([change])))
      } catch (error) {
        this.failed(error)
        unstored.add(change.document)
        if (isRefusedForGood(error)) continue
        rest = changes.slice(index)
        break
      }
    }
    for (const { document } of rest) unstored.add(document)
    this.stored(new Set(changes.map(change => change.document).filter(each => !unstored.has(each))), done)
    if (rest.length === 0) return
    this.pending = [...rest, ...this.pending]
    this.inFlight = []
    this.letGo()
    await new Promise(resolve => setTimeout(resolve, RETRY_MS))
  }

  /**
   * One statement for all of them, and one row for each document: what a row costs is more than what is in it. The rows travel as one JSON text each for changes and contributions: putting
   * hundreds of parameters together would hold up the thread that passes edits on, and here the database does it.
   */
  private async write(changes: PendingChange[]): Promise<Contribution[]> {
    const merged = mergeContributions(changes.flatMap(change => change.contributions))
    const byDocument = groupBy(changes, change => change.document)
    const rows = Object.entries(byDocument).map(([document, all]) => {
      const { copyId, own } = partsOf(document)
      const updates = all.map(({ update }) => update)
      const lengths = updates.length > 1 ? updates.map(({ length }) => length) : undefined
      return [copyId, own?.promptId, own?.participantId, Buffer.concat(updates).toString('base64'), lengths]
    })
    await this.db.execute(sql`
      with noted as (${noting(merged)})
      insert into board_updates (copy_id, prompt_id, participant_id, update, lengths)
      select change->>0, change->>1, change->>2, decode(change->>3, 'base64'), nullif(change->4, 'null')
      from jsonb_array_elements(${JSON.stringify(rows)}::jsonb) with ordinality as changes (change, place)
      order by place`)
    return merged
  }
}

/** The changes that lie in a row, in the order in which they came. */
function updatesIn({ update, lengths }: { update: Uint8Array; lengths: number[] | null }): Uint8Array[] {
  if (lengths === null) return [update]
  let end = 0
  return lengths.map(length => {
    end += length
    return update.subarray(end - length, end)
  })
}

/** Rows of one document, and not of others beside it. */
function isOf(document: string) {
  const { copyId, own } = partsOf(document)
  return and(
    eq(boardUpdates.copyId, copyId),
    ...(own === null
      ? [isNull(boardUpdates.participantId)]
      : [eq(boardUpdates.promptId, own.promptId), eq(boardUpdates.participantId, own.participantId)]),
  )
}

const partsOf = (document: string) => readDocumentName(document) ?? { copyId: document, own: null }

/** SQLSTATE classes 22 (data exception) and 23 (integrity constraint violation): PostgreSQL, appendix A. */
function isRefusedForGood(error: unknown): boolean {
  const cause = (error as { cause?: { code?: string } }).cause
  return /^2[23]/.test(cause?.code ?? '')
}
