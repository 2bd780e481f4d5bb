/**
 * Events as earlier versions of the program wrote them. Logs are never rewritten: an event is brought up to the shape of
 * today each time it is read, one version after the other.
 */
import { z } from 'zod'
import { type LiveEvent, liveEventSchema } from './events'

/** The version in which events are written today. Raise it with every change of a shape, and say below what to do. */
export const EVENT_VERSION = 2

type Payload = Record<string, unknown>

/** `UPCAST[1]` makes what version 1 wrote into what version 2 would have written, and so on. */
const UPCAST: Record<number, (payload: Payload) => Payload> = {
  1: payload =>
    payload.type === 'opened'
      ? { ...payload, plan: { ...(payload.plan as Payload), groupingVersion: null } }
      : payload,
}

/** Why a log cannot be read: an event that is damaged, or that a later version of the program wrote. */
export class UnreadableEventError extends Error {}

/**
 * Reads an event as it was kept. Throws UnreadableEventError for one that does not have the shape its version gives it,
 * or whose version is not known; its message names no content.
 */
export function readEvent(payload: unknown, version: number): LiveEvent {
  if (!Number.isInteger(version) || version < 1 || version > EVENT_VERSION) {
    throw new UnreadableEventError(`An event was written in version ${version}, which is not known here.`)
  }
  let current = z.record(z.string(), z.unknown()).safeParse(payload).data ?? {}
  for (let from = version; from < EVENT_VERSION; from++) current = UPCAST[from]?.(current) ?? current
  const read = liveEventSchema.safeParse(current)
  if (read.success) return read.data
  const where = read.error.issues[0]?.path.join('.') ?? ''
  throw new UnreadableEventError(`An event of version ${version} is damaged at "${where}".`)
}
