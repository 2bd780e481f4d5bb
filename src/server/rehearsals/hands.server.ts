import * as Y from 'yjs'
import { type DocumentName, documentName } from '~/core/boards/document-name'
import { mayWriteOn } from '~/core/live/rights/writers'
import type { LiveState } from '~/core/live/topics'
import type { BoardServer, HeldCopy } from '../boards/board-server.server'
import { handOutNumber } from '../boards/writers.server'
import type { Database } from '../db/database.server'

/** A document on which nothing was written for so long is put away, in milliseconds. */
const HELD_FOR_MS = 30_000

interface Held {
  copy: Promise<HeldCopy>
  usedAt: number
}

/**
 * Writes on boards in the names of simulated participants. What they write is made in a document of their own, under a number of their
 * own, and taken in by the same door as what comes over a socket: looked at, refused where it may not stand, stored, told.
 */
export class Hands {
  private readonly held = new Map<string, Held>()
  /** Numbers they write under, by document and participant. */
  private readonly numbers = new Map<string, Promise<number | null>>()

  constructor(
    private readonly db: Database,
    private readonly boards: BoardServer,
  ) {}

  /** Resolves with whether something was taken in; somebody who may not write there now writes nothing. */
  async write(
    name: DocumentName,
    participantId: string,
    stateNow: () => Promise<LiveState>,
    edit: (doc: Y.Doc) => void,
  ): Promise<boolean> {
    const [{ document, copy }, number] = await Promise.all([
      this.hold(name),
      this.numberOf(name, participantId),
    ])
    if (number === null || copy.isGone || !mayWriteOn(await stateNow(), participantId, name.copyId))
      return false
    const own = new Y.Doc()
    Y.applyUpdate(own, Y.encodeStateAsUpdate(document))
    // Only now: what stands there under it would be taken for somebody else's.
    own.clientID = number
    const updates: Uint8Array[] = []
    own.on('update', (update: Uint8Array) => updates.push(update))
    edit(own)
    own.destroy()
    if (updates.length === 0) return false
    return copy.take(Y.mergeUpdates(updates), { context: { participantId } }, participantId) === 'taken'
  }

  /** Puts away what was not written on for a while. */
  async letGoOfIdle(): Promise<void> {
    const before = performance.now() - HELD_FOR_MS
    await this.letGo(({ usedAt }) => usedAt < before)
  }

  /** Puts away everything. */
  async letGo(which: (held: Held) => boolean = () => true): Promise<void> {
    for (const [name, held] of this.held) {
      if (!which(held)) continue
      this.held.delete(name)
      const copy = await held.copy.catch(() => null)
      await copy?.letGo()
    }
  }

  private hold(name: DocumentName): Promise<HeldCopy> {
    const key = documentName(name)
    const known = this.held.get(key)
    const held = known ?? { copy: this.boards.hold(name), usedAt: 0 }
    held.usedAt = performance.now()
    if (!known) {
      this.held.set(key, held)
      held.copy.catch(() => this.held.delete(key))
    }
    return held.copy
  }

  private numberOf(name: DocumentName, participantId: string): Promise<number | null> {
    const key = `${documentName(name)} ${participantId}`
    const known = this.numbers.get(key)
    if (known) return known
    const number = handOutNumber(this.db, name.copyId, participantId, null)
    this.numbers.set(key, number)
    number.catch(() => this.numbers.delete(key))
    return number
  }
}
