import type * as Y from 'yjs'
import type { Board } from '~/core/boards/board'
import { entriesOf, readAnswer } from '~/core/boards/document'
import { cleanText } from '~/core/formats/clean-text'
import { pulseStart } from '~/core/review/pulse'
import type { Contribution } from './board-storage.server'

/** Longest text kept with a contribution: the document itself holds the whole. */
const LONGEST_KEPT = 2000

/**
 * Works out who did what to a board. A change names no author that could be believed; who sent it is known from the
 * connection it came over, and what it did from comparing the touched prompts before and after.
 */
export class Authorship {
  private readonly before = new Map<string, Map<string, string>>()
  private readonly firstAuthors = new Map<string, string>()

  constructor(
    private readonly copyId: string,
    private readonly doc: Y.Doc,
    private readonly board: Board,
    earlier: readonly Contribution[],
  ) {
    for (const prompt of board.prompts) this.before.set(prompt.id, entriesOf(readAnswer(doc, prompt)))
    for (const one of earlier) this.credit(one)
  }

  /** Who first wrote each piece, participant ids by `prompt/entry`. */
  get authors(): ReadonlyMap<string, string> {
    return this.firstAuthors
  }

  /** What this person's transaction did, a contribution for each piece it changed, added or took away. */
  contributionsOf(transaction: Y.Transaction, participantId: string, at: number): Contribution[] {
    const touched = touchedRoots(transaction)
    return this.board.prompts
      .filter(prompt =>
        ['cards', 'sheet', 'answer', 'reason'].some(kind => touched.has(`${kind}:${prompt.id}`)),
      )
      .flatMap(prompt => {
        const before = this.before.get(prompt.id) ?? new Map<string, string>()
        const after = entriesOf(readAnswer(this.doc, prompt))
        this.before.set(prompt.id, after)
        return changedEntries(before, after).map(([entryId, text]) => {
          const promptId = prompt.id
          const halfMinute = pulseStart(at)
          const one = {
            copyId: this.copyId,
            promptId,
            entryId,
            participantId,
            halfMinute,
            edits: 1,
            text,
            at,
          }
          this.credit(one)
          return { ...one, text: cleanText(text.slice(0, LONGEST_KEPT)) }
        })
      })
  }

  private credit(one: Pick<Contribution, 'promptId' | 'entryId' | 'participantId'>): void {
    const key = `${one.promptId}/${one.entryId}`
    if (!this.firstAuthors.has(key)) this.firstAuthors.set(key, one.participantId)
  }
}

function changedEntries(
  before: ReadonlyMap<string, string>,
  after: ReadonlyMap<string, string>,
): [string, string][] {
  const changed = [...after].filter(([id, text]) => before.get(id) !== text)
  const gone = [...before.keys()].filter(id => !after.has(id)).map((id): [string, string] => [id, ''])
  return [...changed, ...gone].filter(([id]) => id.length <= 40 && cleanText(id) === id)
}

/** Names of the document's root types that a transaction reached into. */
function touchedRoots(transaction: Y.Transaction): Set<string> {
  const touched = new Set<unknown>()
  for (const type of transaction.changed.keys()) {
    let root = type as Y.AbstractType<unknown>
    while (root.parent) root = root.parent as Y.AbstractType<unknown>
    touched.add(root)
  }
  const names = new Set<string>()
  for (const [name, type] of transaction.doc.share) if (touched.has(type)) names.add(name)
  return names
}
