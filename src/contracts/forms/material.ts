/** Forms of the library of material. */
import { z } from 'zod'
import { LONGEST_CAPTIONS } from '~/core/material/caption-limit'
import { materialTitle } from '~/core/material/material'

export const linkForm = z.object({
  title: materialTitle,
  address: z
    .string({ error: 'Write the address it leads to.' })
    .max(2_000, { error: 'Use at most 2000 characters.', abort: true })
    .trim()
    .pipe(
      z.url({ protocol: /^https?$/, error: 'Write a whole address that begins with https:// or http://.' }),
    ),
})

/** Read by its grammar after that; empty takes away what there is. */
export const captionsForm = z.object({
  id: z.string().min(1).max(40),
  text: z
    .string()
    .max(LONGEST_CAPTIONS, {
      error: `Captions have at most ${LONGEST_CAPTIONS.toLocaleString('en')} letters.`,
    })
    .optional(),
})

export const renameForm = z.object({ id: z.string().min(1).max(40), title: materialTitle })
