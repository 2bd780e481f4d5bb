/** What a rehearsal is asked to play: how many come, and what they are like. */
import { z } from 'zod'
import { FASTEST, SLOWEST } from './pace'

/** Fewest and most simulated participants. */
export const FEWEST_PEOPLE = 2
export const MOST_PEOPLE = 200
/** With fewer on the list, so many: a class of which there is something to see. */
export const USUAL_PEOPLE = 40

/** Of all, in percent. */
const share = z.number().int().min(0).max(100)

export const scriptSchema = z
  .object({
    /** On the list first; whoever is more than that comes in by a typed name. */
    people: z
      .number()
      .int()
      .min(FEWEST_PEOPLE, `At least ${FEWEST_PEOPLE} people.`)
      .max(MOST_PEOPLE, `At most ${MOST_PEOPLE} people.`),
    /** Never come. */
    absent: share,
    /** Of those who come: come when the session has begun. */
    late: share,
    /** Lose their line in a round, and mostly come back. */
    drop: share,
    /** Read, and write nothing. */
    silent: share,
    /** Write about three times as much as others. */
    busy: share,
    /** Call for help. */
    asks: share,
    /** Go to another room when they may. */
    moves: share,
    speed: z.number().int().min(SLOWEST).max(FASTEST),
    /** The session goes on by itself as it is planned, and somebody at the front lets in, visits and calls back. */
    itself: z.boolean(),
    /** What is for the whole group takes a minute, however long it is planned. */
    short: z.boolean(),
  })
  .refine(({ silent, busy }) => silent + busy <= 100, {
    path: ['busy'],
    error: 'Those who write much and those who write nothing are more than all together.',
  })
export type Script = z.infer<typeof scriptSchema>

/** A class as it often is: common practice, no source. */
export const usualScript = (listed: number): Script => ({
  people: Math.min(MOST_PEOPLE, Math.max(FEWEST_PEOPLE, listed || USUAL_PEOPLE)),
  absent: 10,
  late: 10,
  drop: 10,
  silent: 15,
  busy: 15,
  asks: 10,
  moves: 10,
  speed: 10,
  itself: false,
  short: false,
})
