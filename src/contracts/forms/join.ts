/** The form at the door. */
import { z } from 'zod'
import { optionalLine } from './fields'

export const takePlaceForm = z
  .object({ personId: z.string().max(40).optional(), shownName: optionalLine(40) })
  .refine(form => form.personId || form.shownName, {
    path: ['shownName'],
    message: 'Choose your name from the list, or type it.',
  })
