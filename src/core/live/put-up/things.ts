import { z } from 'zod'
import { idSchema } from '../ids'
import { givenThing } from '../material/given'

/** Pages a document is turned to at most: more than any printed work has. */
export const MOST_PAGES = 9_999
/** Longest sound or video, in seconds: a day. */
export const LONGEST_PLAYED = 86_400

/** What can be put up beside the work of rooms. */
const plainThing = z.discriminatedUnion('is', [
  /** Who is in which room; how long is left; what is to be done; the way in. */
  z.object({ is: z.enum(['groups', 'clock', 'instructions', 'join-code']) }),
  /** What a quick question has come to. */
  z.object({ is: z.literal('question'), questionId: idSchema }),
])
/** Or material that was given in the session. */
export const askedThing = z.union([plainThing, z.object({ is: z.literal('given'), givenId: idSchema })])
export type AskedThing = z.infer<typeof askedThing>

/** A thing of the library, with the page it is turned to. */
export const materialThing = z.object({ is: z.literal('material'), thing: givenThing })

/** Everything but work, as it is written down. */
export const otherThing = z.union([plainThing, materialThing])
export type OtherThing = z.infer<typeof otherThing>

/** How far into a sound or video all are: `at` seconds of it at the server's time `since`, and on from there while it plays. */
export interface Playing {
  at: number
  since: number
  on: boolean
}

/** Where it stands at a moment of the server's time, in seconds from its beginning; it may be beyond its end. */
export const playedUntil = ({ at, since, on }: Playing, now: number): number =>
  on ? at + Math.max(0, now - since) / 1000 : at

/** Work: a room's board (`promptId` null), one prompt of it, or one prompt of all rooms (`roomId` null). */
export interface PutUpWork {
  is: 'work'
  roomId: string | null
  promptId: string | null
}

/** What everybody is to see on the projector, and where `onPages`, on every participant's page. */
export type PutUp = (PutUpWork | OtherThing) & {
  onPages: boolean
  /** When it was put up, by which it is told from what was up before; in milliseconds of the server's time. */
  upSince: number
  /** The page that material is turned to, from 1. */
  page: number
  /** How far into it all are, of a sound or video. */
  playing: Playing
}

export interface PutUpState {
  putUp: PutUp | null
}

/** Whether it is a sound or a video. */
export const plays = (up: PutUp | null): boolean =>
  up?.is === 'material' && (up.thing.is === 'sound' || up.thing.is === 'video')

/** Work that is up; null when nothing is, or something else. */
export const workUp = ({ putUp: up }: PutUpState): (PutUp & PutUpWork) | null =>
  up?.is === 'work' ? up : null
