/** Forms with which boards are begun and changed. */
import { z } from 'zod'
import { boardDraft } from '~/core/boards/building/draft'
import { optionalLine, parsedJson } from './fields'

/** A board is begun empty under a title, from a starter, or from one that was read from a text or a file, as JSON. */
export const newBoardForm = z
  .object({
    title: optionalLine(80),
    starter: z.string().max(40).optional(),
    board: z.string().max(500_000).transform(parsedJson).pipe(boardDraft).optional(),
  })
  .refine(({ title, starter, board }) => title !== '' || starter !== undefined || board !== undefined, {
    path: ['title'],
    message: 'Enter a title.',
  })

/** What a board was to its maker, and what they made of it. */
export const boardChange = z.object({ base: boardDraft, board: boardDraft })
