/** The form for planning a session. */
import { z } from 'zod'
import { CALL_WAYS } from '~/core/live/call/ways'
import { DUTIES } from '~/core/live/duties/duty'
import { WHO_WRITES } from '~/core/live/rights/writing'
import { LONGEST_TITLE } from '~/core/live/session/session'
import { runningOrderSchema } from '~/core/schedule/running-order'
import { count, line, optionalLine } from './fields'
import { MOST_ROUNDS } from './groupings'

const timeZone = z.string().refine(zone => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone })
    return true
  } catch {
    return false
  }
}, 'Choose a time zone from the list.')

const accountId = z.string().min(1).max(40)

/** So many of those who may lead stand in a plan. */
export const MOST_AT_THE_FRONT = 500

/** Whether people may add pictures of their own. */
export const PICTURES = ['added', 'not-added'] as const

export const sessionForm = z.object({
  title: line('a title', LONGEST_TITLE),
  date: z.iso.date('Choose a date.'),
  time: z.iso.time({ precision: -1, error: 'Choose a time.' }),
  timeZone,
  groupingId: z.string({ error: 'Choose a grouping.' }).min(1, 'Choose a grouping.'),
  /** Which round of the grouping, from 0. */
  groupingRound: count(0, MOST_ROUNDS, 'rounds').optional(),
  boardId: z.string({ error: 'Choose a board.' }).min(1, 'Choose a board.'),
  roomMinutes: count(1, 240, 'minutes'),
  graceSeconds: count(0, 600, 'seconds'),
  waitingList: z.boolean().optional().default(false),
  /** Not said, they stay as they were. */
  callWay: z.enum(CALL_WAYS).optional(),
  writing: z.enum(WHO_WRITES).optional(),
  pictures: z.enum(PICTURES).optional(),
  /** What each of those who may lead does; with it, rooms say whose they are to look after. */
  duties: z
    .array(z.object({ accountId, does: z.enum(DUTIES) }))
    .max(MOST_AT_THE_FRONT)
    .optional(),
  rooms: z
    .array(
      z.object({ groupId: z.string().min(1).max(40), name: optionalLine(60), byId: accountId.optional() }),
    )
    .max(250)
    .optional()
    .default([]),
})

const plannedOrder = z.object({
  segments: runningOrderSchema,
  /** How long the session may take; null when nobody has said. */
  minutes: z
    .number()
    .int()
    .min(1)
    .max(24 * 60)
    .nullable(),
})

/** The running order as its page sends it: what it was, as the server said last, and what was made of it. */
export const orderChange = plannedOrder.extend({ base: plannedOrder.optional() })

/** What is asked of the browser for a session that begins at once. */
export const startForm = z.object({ timeZone, kind: z.enum(['session', 'office']).default('session') })

export type SessionForm = z.infer<typeof sessionForm>
