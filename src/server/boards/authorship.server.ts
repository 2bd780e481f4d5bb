import type * as Y from 'yjs'
import type { Board } from '~/core/boards/board'
import { BoardEntries, writersIn } from '~/core/boards/entries'
import type { Mend } from '~/core/boards/prompts/kind'
import { cleanText } from '~/core/formats/clean-text'
import { pulseStart } from '~/core/review/pulse'
import { newId } from '../tokens.server'
import type { Contribution } from './contributions.server'

/** Longest text kept with a contribution: the document itself holds the whole. */
const LONGEST_KEPT = 2000

/**
 * Works out who did what to a board. A change names no author that could be believed; who sent it is known from the
 * connection it came over, and what it did from the pieces it touched.
 */
export class Authorship {
  private entries: BoardEntries
  private readonly firstAuthors = new Map<string, string>()
  /** The keys of `firstAuthors` in the order in which they were found. */
  private readonly found: string[] = []
  private readonly wrong: (() => void)[] = []

  constructor(
    private readonly copyId: string,
    private readonly doc: Y.Doc,
    board: Board,
    earlier: readonly Contribution[],
  ) {
    this.entries = new BoardEntries(doc, board)
    for (const one of earlier) this.credit(one)
  }

  /** Goes on with the board as it was corrected. What was written before is nobody's anew. */
  follow(board: Board): void {
    this.entries = new BoardEntries(this.doc, board)
  }

  /** How many pieces have an author. */
  get count(): number {
    return this.found.length
  }

  /** Who first wrote a piece; null when nobody is known. */
  authorOf(promptId: string, entryId: string): string | null {
    return this.firstAuthors.get(`${promptId}/${entryId}`) ?? null
  }

  /** Who first wrote each piece, `prompt/entry` and participant id, but for the first `from` of them. */
  authors(from = 0): [string, string][] {
    return this.found.slice(from).map(key => [key, this.firstAuthors.get(key) ?? ''])
  }

  /**
   * What a transaction did, a contribution for each piece it changed, added or took away. All of it is its sender's, but for
   * what it brings of others': after the server was gone, whoever comes back first has what others had written last. What the
   * server did itself has no sender and is nobody's; it must be told here all the same. Pieces somebody wrote who may not are
   * nobody's either: see `putBacks`.
   */
  contributionsOf(
    transaction: Y.Transaction,
    senderId: string | null,
    at: number,
    ownerOf: (writer: number) => string | undefined = () => undefined,
  ): Contribution[] {
    const { copyId } = this
    const changed = this.entries.changedBy(transaction)
    if (senderId === null) return []
    const halfMinute = pulseStart(at)
    const owner = (writer: number) => ownerOf(writer) ?? senderId
    const bringsOthers = writersIn(transaction).some(writer => owner(writer) !== senderId)
    return changed
      .filter(({ entryId }) => entryId.length <= 40 && cleanText(entryId) === entryId)
      .flatMap(({ promptId, entryId, text, writers, mayBeBy, putBack }) => {
        const owners = bringsOthers ? [...new Set(writers().map(owner))] : []
        const by = owners.length > 0 ? owners : [senderId]
        if (!by.every(mayBeBy)) {
          this.wrong.push(putBack)
          return []
        }
        const kept = cleanText(text.slice(0, LONGEST_KEPT))
        return by.map(participantId => {
          this.credit({ promptId, entryId, participantId })
          return { copyId, promptId, entryId, participantId, halfMinute, edits: 1, text: kept, at }
        })
      })
  }

  /** What brings pieces back that were written by somebody who may not, since this was last asked. */
  putBacks(): (() => void)[] {
    return this.wrong.splice(0)
  }

  /** Ids of pieces that have to be put right after the transaction that was last asked about. */
  mends(): Mend[] {
    return this.entries.mends(newId)
  }

  private credit(one: Pick<Contribution, 'promptId' | 'entryId' | 'participantId'>): void {
    const key = `${one.promptId}/${one.entryId}`
    if (this.firstAuthors.has(key)) return
    this.firstAuthors.set(key, one.participantId)
    this.found.push(key)
  }
}
