/** A picture of the library as it is set for a prompt. */
import { z } from 'zod'
import { visibleText } from '../../formats/clean-text'
import { fileHash } from '../../material/material'

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

/** As it is set, or as a form has it. */
export const shownPicture = z.union([fromField, picture])
