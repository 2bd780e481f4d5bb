import { z } from 'zod'
import { type Drawn, drawnAnswers, readDrawn } from '../drawing/answer'
import { MOST_PICTURES } from '../drawing/document'
import { kindOf } from '../kind'
import { lines, picturesOnPaper } from '../paper'
import { type Picture, shownPicture } from '../shown-picture'
import { type Added, addedName, isAdded, pieceOfAdded, placeOfPiece, placesOfAdded, readAdded } from './added'

const settings = z.object({
  /** Beside each other, in this order. */
  pictures: z
    .array(shownPicture)
    .max(MOST_PICTURES, `At most ${MOST_PICTURES} pictures beside each other.`)
    .default([]),
  /** Whether the group adds pictures of its own, as from a phone's camera. */
  add: z.boolean().optional(),
})

export interface PicturesAnswer extends Drawn {
  kind: 'pictures'
  pictures: Picture[]
  /** Those that the group added, where there are any. */
  added?: Added[]
}

const ifAny = (added: Added[]) => (added.length > 0 ? { added } : {})
const UNKNOWN = { file: '', width: 4, height: 3 }

/** Pictures to look at together: remarks pinned to places, marked with pen, arrow, shape and text. */
export const pictures = kindOf<'pictures', typeof settings, PicturesAnswer>({
  name: 'pictures',
  settings,
  paper: ({ pictures: shown }) => [...picturesOnPaper(shown), lines(4)],
  missing: ({ pictures: shown, add }) => (shown.length === 0 && !add ? 'Choose a picture.' : null),
  ...drawnAnswers,
  roots: promptId => [...drawnAnswers.roots(promptId), addedName(promptId)],
  pieces: answer =>
    new Map([
      ...drawnAnswers.pieces(answer),
      ...(answer.added ?? []).map(({ on }) => [pieceOfAdded(on), '(picture)'] as const),
    ]),
  places: (doc, asked, piece) =>
    isAdded(piece.pieceId)
      ? placesOfAdded(doc, asked.id, placeOfPiece(piece.pieceId))
      : drawnAnswers.places(doc, asked, piece),
  done: answer => answer.added !== undefined || drawnAnswers.done(answer),
  summary(answer) {
    const { length } = answer.added ?? []
    const added = length === 0 ? '' : `, ${length === 1 ? '1 picture' : `${length} pictures`} added`
    return drawnAnswers.summary(answer) + added
  },
  read: (doc, { id, settings: { pictures: shown } }): PicturesAnswer => ({
    kind: 'pictures',
    pictures: shown,
    ...ifAny(readAdded(doc, id)),
    ...readDrawn(doc, id),
  }),
  restore: ({ id, settings: { pictures: shown } }, pieces): PicturesAnswer => ({
    kind: 'pictures',
    pictures: shown,
    // That there was one is on record, and not which.
    ...ifAny([...pieces.keys()].filter(isAdded).map(piece => ({ ...UNKNOWN, on: placeOfPiece(piece) }))),
    ...drawnAnswers.restored(id, new Map([...pieces].filter(([piece]) => !isAdded(piece)))),
  }),
})
