/** Forms with which boards are begun and changed. */
import { z } from 'zod'
import { boardDraft } from '~/core/boards/building/draft'
import { line, parsedJson } from './fields'

/** A board is begun empty under a title, from a starter, or from one that was read from a text or a file, as JSON. */
export const newBoardForm = z.union([
  z.object({ starter: z.string().max(40) }),
  z.object({ board: z.string().max(500_000).transform(parsedJson).pipe(boardDraft) }),
  z.object({ title: line('a title', 80) }),
])

/** What a board was to its maker, and what they made of it. */
export const boardChange = z.object({ base: boardDraft, board: boardDraft })
