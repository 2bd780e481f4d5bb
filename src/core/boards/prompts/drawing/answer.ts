/** What kinds that are drawn on have in common: what is remarked and marked, as an answer. */
import type { BlockContent } from 'mdast'
import type * as Y from 'yjs'
import { removedCards } from '../cards/document'
import { numbered } from '../markdown'
import type { Place, Takeable } from '../place'
import { placesOfCard } from '../taking'
import { drawingRoots, type Mark, marksOf, type Remark, readMarks, readRemarks } from './document'

export interface Drawn {
  promptId: string
  remarks: Remark[]
  marks: Mark[]
}

/** Before the ids of marks among the pieces. */
const MARK = 'm-'
/** The text of a mark that has none of its own. */
const DRAWN = '(drawn)'

export const readDrawn = (doc: Y.Doc, promptId: string): Drawn => ({
  promptId,
  remarks: readRemarks(doc, promptId),
  marks: readMarks(doc, promptId),
})

const piecesOf = ({ remarks, marks }: Drawn): Map<string, string> =>
  new Map([
    ...remarks.map(({ id, text }) => [id, text] as const),
    ...marks.map(({ id, text }) => [MARK + id, text || DRAWN] as const),
  ])

/** Of earlier times it is known what was said, and that something was drawn, but not where. */
function restored(promptId: string, pieces: ReadonlyMap<string, string>): Drawn {
  const all = [...pieces]
  return {
    promptId,
    remarks: all.flatMap(([id, text]) => (id.startsWith(MARK) ? [] : [{ id, text, pin: null }])),
    marks: all.flatMap(([id, text]) =>
      id.startsWith(MARK)
        ? [
            {
              id: id.slice(MARK.length),
              on: 0,
              shape: text === DRAWN ? 'pen' : 'text',
              points: [],
              colour: 0,
              text: text === DRAWN ? '' : text,
            },
          ]
        : [],
    ),
  }
}

const spoken = ({ remarks, marks }: Drawn): string[] =>
  [...remarks, ...marks].map(({ text }) => text).filter(text => text.trim() !== '')

const counted = (count: number, word: string) => `${count} ${word}${count === 1 ? '' : 's'}`

/** What a kind says of answers that are drawn; `read` and `restore` add what else stands in them. */
export const drawnAnswers = {
  roots: drawingRoots,
  pieces: piecesOf,
  restored,
  removed: removedCards,
  places: (doc: Y.Doc, asked: { id: string }, piece: Takeable): Place[] =>
    piece.pieceId.startsWith(MARK)
      ? [{ is: 'entry', map: marksOf(doc, asked.id), key: piece.pieceId.slice(MARK.length) }]
      : placesOfCard(doc, asked, piece),
  done: (answer: Drawn): boolean => spoken(answer).length > 0 || answer.marks.length > 0,
  summary: (answer: Drawn): string =>
    `${counted(answer.remarks.filter(({ text }) => text.trim()).length, 'remark')}, ${counted(answer.marks.length, 'mark')}`,
  texts: spoken,
  markdown: (answer: Drawn): BlockContent[] => (spoken(answer).length > 0 ? [numbered(spoken(answer))] : []),
}
