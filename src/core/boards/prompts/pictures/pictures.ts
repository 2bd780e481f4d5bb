import { z } from 'zod'
import { visibleText } from '../../../formats/clean-text'
import { fileHash } from '../../../material/material'
import { type Drawn, drawnAnswers, readDrawn } from '../drawing/answer'
import { MOST_PICTURES } from '../drawing/document'
import { kindOf } from '../kind'
import { lines } from '../paper'
import { type Added, addedName, isAdded, pieceOfAdded, placeOfPiece, readAdded } from './added'

const picture = z.object({
  /** The hash of the file. */
  file: fileHash,
  title: z.string().max(200).overwrite(visibleText).default(''),
  /** Its size in points, so that its place is there before it has come. */
  width: z.number().int().min(1).max(100_000).default(4),
  height: z.number().int().min(1).max(100_000).default(3),
})
export type Picture = z.infer<typeof picture>

/** A picture as a form has it: `hash|1200x800|title`. */
export const asField = ({ file, title, width, height }: Picture): string =>
  `${file}|${width}x${height}|${title}`
const fromField = z
  .string()
  .max(500)
  .transform((text): unknown => {
    const [file, size = '', ...title] = text.split('|')
    const [width, height] = size.split('x').map(Number)
    return { file, width, height, title: title.join('|') }
  })
  .pipe(picture as z.ZodType<Picture, unknown>)

const settings = z.object({
  /** Beside each other, in this order. */
  pictures: z
    .array(z.union([fromField, picture]))
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
  paper: ({ pictures: shown }) => [
    ...shown.map(({ file, title, width, height }) => ({
      is: 'picture' as const,
      file,
      title,
      width,
      height,
    })),
    lines(4),
  ],
  missing: ({ pictures: shown, add }) => (shown.length === 0 && !add ? 'Choose a picture.' : null),
  ...drawnAnswers,
  roots: promptId => [...drawnAnswers.roots(promptId), addedName(promptId)],
  pieces: answer =>
    new Map([
      ...drawnAnswers.pieces(answer),
      ...(answer.added ?? []).map(({ on }) => [pieceOfAdded(on), '(picture)'] as const),
    ]),
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
