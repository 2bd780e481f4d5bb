import { z } from 'zod'
import { visibleText } from '../../../formats/clean-text'
import { fileHash } from '../../../material/material'
import { cardsName, removedCards } from '../cards/document'
import { CardsFollower } from '../cards/follow-cards'
import { kindOf } from '../kind'
import { points } from '../markdown'
import { lines } from '../paper'
import { placesOfCard } from '../taking'
import { type FileRemark, readFileRemarks } from './document'

const shown = z.object({
  /** The hash of the file. */
  file: fileHash,
  is: z.enum(['pdf', 'sound', 'video']),
  title: z.string().max(200).overwrite(visibleText).default(''),
})
export type ShownFile = z.infer<typeof shown>

/** A file as a form has it: `hash|pdf|title`. */
export const asField = ({ file, is, title }: ShownFile): string => `${file}|${is}|${title}`
const fromField = z
  .string()
  .max(500)
  .transform((text): unknown => {
    const [file, is, ...title] = text.split('|')
    return { file, is, title: title.join('|') }
  })
  .pipe(shown as z.ZodType<ShownFile, unknown>)

const settings = z.object({
  /** What is read, heard or seen; nothing while its author has not chosen. */
  show: z.union([fromField, shown]).optional(),
})

export interface FileAnswer {
  promptId: string
  kind: 'file'
  is: ShownFile['is'] | null
  remarks: FileRemark[]
}

const spoken = ({ remarks }: FileAnswer) => remarks.map(({ text }) => text).filter(text => text.trim())

/** Pages to read, or sound or a video to play, with remarks at a page or a moment. Remarks lie as cards do. */
export const file = kindOf<'file', typeof settings, FileAnswer>({
  name: 'file',
  settings,
  paper: ({ show }) => [{ is: 'text', text: show?.title ?? '' }, lines(4)],
  missing: ({ show }) => (show ? null : 'Choose a file.'),
  roots: promptId => [cardsName(promptId)],
  read: (doc, { id, settings: { show } }) => ({
    promptId: id,
    kind: 'file',
    is: show?.is ?? null,
    remarks: readFileRemarks(doc, id),
  }),
  pieces: ({ remarks }) => new Map(remarks.map(({ id, text }) => [id, text])),
  restore: ({ id: promptId, settings: { show } }, kept) => ({
    promptId,
    kind: 'file',
    is: show?.is ?? null,
    remarks: [...kept].map(([id, text]) => ({ id, text, spot: null })),
  }),
  follow: (doc, { id }) => new CardsFollower(doc, id),
  removed: removedCards,
  places: placesOfCard,
  done: answer => spoken(answer).length > 0,
  summary(answer) {
    const count = spoken(answer).length
    return count === 1 ? '1 remark' : `${count} remarks`
  },
  texts: spoken,
  markdown: answer => (spoken(answer).length > 0 ? [points(spoken(answer))] : []),
})
