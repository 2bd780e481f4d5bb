import { IndexeddbPersistence } from 'y-indexeddb'
import * as Y from 'yjs'
import { canKeep, databaseOf, forgetBoard, type KeptBoard, keepBoardFacts, keptBoard } from './kept-store'
import { LastMoment, takeLastMoment } from './last-moment'

/** A browser whose disk hangs is not waited for longer than this, in milliseconds. */
const LONGEST_WAIT_MS = 2_000
/** Authors and what is stored are written at most this often, in milliseconds. */
const GATHER_MS = 300

type About = Pick<KeptBoard, 'sessionId' | 'participantId' | 'copyId' | 'promptId'>
type Facts = Pick<KeptBoard, 'storedTo' | 'authors'>

/** A document as it is kept in this browser: what is written goes to its disk as it is written. */
export class KeptDocument {
  private timer: ReturnType<typeof setTimeout> | undefined
  private facts: Facts | undefined
  private readonly last: LastMoment

  private constructor(
    private readonly name: string,
    private readonly about: About,
    private readonly doc: Y.Doc,
    private readonly persistence: IndexeddbPersistence,
    /** What was known of it when it was kept before; undefined when it was not. */
    readonly before: KeptBoard | undefined,
  ) {
    this.last = new LastMoment(name)
    doc.on('update', this.wrote)
    if (typeof window !== 'undefined') window.addEventListener('pagehide', this.keepLast)
  }

  /** Brings what was kept into the document, and keeps it from now on. Null where this browser keeps nothing. Never rejects. */
  static async open(name: string, about: About, doc: Y.Doc): Promise<KeptDocument | null> {
    const opening = (async () => {
      if (!(await canKeep())) return null
      const before = await keptBoard(name)
      const persistence = new IndexeddbPersistence(databaseOf(name), doc)
      await persistence.whenSynced
      bringInLast(name, doc)
      return new KeptDocument(name, about, doc, persistence, before)
    })()
    return soon(opening.catch(() => null))
  }

  /** What is known of it now; `atOnce` when what is written next could not be told apart without it. */
  note(facts: Facts, atOnce = false): void {
    this.facts = facts
    if (atOnce) this.write()
    else this.timer ??= setTimeout(() => this.write(), GATHER_MS)
  }

  /** Lets go of what was kept: it is part of another document now. */
  async forget(): Promise<void> {
    clearTimeout(this.timer)
    this.facts = undefined
    this.letGo()
    await this.persistence.destroy()
    await forgetBoard(this.name)
  }

  /** Writes what is still to be written. The document may go. */
  close(): void {
    if (this.timer !== undefined) this.write()
    this.letGo()
    this.persistence.destroy().catch(() => undefined)
  }

  /** The page goes: what the disk may not have yet is kept where it is written at once. */
  keepLast = (): void => this.last.keep(Date.now())

  private wrote = (update: Uint8Array, origin: unknown): void => {
    if (origin !== this.persistence) this.last.add(update, Date.now())
  }

  private letGo(): void {
    this.doc.off('update', this.wrote)
    if (typeof window !== 'undefined') window.removeEventListener('pagehide', this.keepLast)
  }

  private write(): void {
    clearTimeout(this.timer)
    this.timer = undefined
    if (this.facts) keepBoardFacts(this.name, { ...this.about, ...this.facts }).catch(() => undefined)
  }
}

/** What the page wrote as it went, onto the disk with the rest. */
function bringInLast(name: string, doc: Y.Doc): void {
  const last = takeLastMoment(name)
  if (last) Y.applyUpdate(doc, last)
}

/** A document that is kept here and open nowhere, for reading; null when it cannot be read. */
export async function readKept(name: string): Promise<Y.Doc | null> {
  const doc = new Y.Doc()
  const persistence = new IndexeddbPersistence(databaseOf(name), doc)
  const synced = await soon(persistence.whenSynced)
  if (synced) bringInLast(name, doc)
  await persistence.destroy()
  return synced ? doc : null
}

/** A document that is kept and open nowhere, with how far the server has it: let go of once it was taken over. */
export async function takeKept(
  name: string,
  takeOver: (kept: { doc: Y.Doc; storedTo: ReadonlyMap<number, number> }) => boolean,
): Promise<void> {
  const facts = await keptBoard(name)
  const doc = facts && (await readKept(name))
  if (!doc) return
  if (takeOver({ doc, storedTo: numbersOf(facts) })) await forgetBoard(name)
  doc.destroy()
}

/** How far the server has what was written under each number. */
export const numbersOf = ({ storedTo }: Pick<KeptBoard, 'storedTo'>): ReadonlyMap<number, number> =>
  new Map(Object.entries(storedTo).map(([number, clock]) => [Number(number), clock]))

/** What comes of it, or null when that takes too long. */
async function soon<Value>(work: Promise<Value>): Promise<Value | null> {
  let timer: ReturnType<typeof setTimeout> | undefined
  const tooLong = new Promise<null>(resolve => {
    timer = setTimeout(resolve, LONGEST_WAIT_MS, null)
  })
  try {
    return await Promise.race([work, tooLong])
  } finally {
    clearTimeout(timer)
  }
}
