/**
 * Events as earlier versions of the program wrote them. Logs are never rewritten: an event is brought up to the shape of
 * today each time it is read, one version after the other, by the topic it belongs to.
 */
import { z } from 'zod'
import { ALL_TOPICS, type LiveEvent, liveEventSchema } from './topics'

/** The version in which events are written today. Raise it with every change of a shape, and give its topic an `upcast`. */
export const EVENT_VERSION = 4

type Payload = Record<string, unknown>

function upcast(payload: Payload, from: number): Payload {
  const type = String(payload.type)
  for (const topic of ALL_TOPICS) {
    const up = topic.upcast?.[from]?.[type]
    if (up) return up(payload)
  }
  return payload
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
  for (let from = version; from < EVENT_VERSION; from++) current = upcast(current, from)
  const read = liveEventSchema.safeParse(current)
  if (read.success) return read.data
  const where = read.error.issues[0]?.path.join('.') ?? ''
  throw new UnreadableEventError(`An event of version ${version} is damaged at "${where}".`)
}
