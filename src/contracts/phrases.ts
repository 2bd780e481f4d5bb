import { z } from 'zod'
import { idSchema } from '~/core/live/ids'
import { LONGEST_MESSAGE } from '~/core/live/messages/message'

/** Something one says often, ready to be said. */
export interface Phrase {
  id: string
  text: string
}

export const phraseForm = z.union([
  z.object({ keep: z.string().trim().min(1).max(LONGEST_MESSAGE) }),
  z.object({ drop: idSchema }),
])
export type PhraseChange = z.infer<typeof phraseForm>
