/** Coming in by a name: what is refused, who waits, and what is taken up from before. */
import { mixesScripts } from '../../people/scripts'
import { plainName } from '../../people/shown-name'
import { remember } from '../remember'
import { type TextProblem, textProblem } from '../texts'
import { type Decision, happens, refuse } from '../topic'
import type { DoorEvent, DoorProblem, DoorState } from './door-facts'
import { MOST_PARTICIPANTS, type Participant, participantList } from './people'

/** Somebody who wants in. */
export interface Newcomer {
  participantId: string
  /** Who of the list they are; null for a name that was typed. */
  personId: string | null
  shownName: string
  /** Who the same browser was in this session before. */
  earlierId?: string
  /** They have no device of their own; `besideId` names whose device they were put in from. */
  withoutDevice?: { besideId: string | null }
}

/** What a class compares when it joins all at once: every name with every other. */
export const plainNameOf = remember(({ shownName }: { shownName: string }) => plainName(shownName))

const typedPlain = remember(({ typedName }: { typedName: string }) => plainName(typedName))

/**
 * What comes of somebody wanting in. A name that is taken is refused, but for one that stands for somebody without a device:
 * who comes with one after all takes that place up.
 */
export function joins(
  state: DoorState,
  { participantId, personId, shownName, earlierId, withoutDevice }: Newcomer,
): Decision<DoorEvent, DoorProblem | TextProblem> {
  const name = shownName.trim()
  if (textProblem(name, Number.POSITIVE_INFINITY)) return refuse({ code: 'text-empty' })
  if (state.locked) return refuse({ code: 'door-locked' })
  if (personId === null && mixesScripts(name)) return refuse({ code: 'mixed-alphabets' })
  const plain = plainName(name)
  const readsTheSame = (other: { shownName: string; personId: string | null }) =>
    plainNameOf(other) === plain || (personId !== null && other.personId === personId)
  const present = participantList(state)
  // Who came in under a name may come to be called so again.
  const holders = present.filter(other => readsTheSame(other) || typedPlain(other) === plain)
  const takesUp =
    !withoutDevice && holders.length === 1 && holders[0]?.hasDevice === false ? holders[0] : null
  const onTheList = personId === null && state.expected.some(readsTheSame)
  if (!takesUp && (onTheList || holders.length > 0)) return refuse({ code: 'name-taken', shownName: name })
  if (!takesUp && present.length >= MOST_PARTICIPANTS)
    return refuse({ code: 'session-full', most: MOST_PARTICIPANTS })
  const crowds =
    !takesUp &&
    !state.waitingList &&
    !state.wasCrowded &&
    present.length + 1 > mostExpected(state.expected.length)
  const wasRemoved = [...state.participants.values()].some(
    other => other.removed && (other.id === earlierId || readsTheSame(other)),
  )
  return happens(
    ...(takesUp ? [{ type: 'released' as const, participantId: takesUp.id }] : []),
    ...(crowds ? [{ type: 'crowded' as const }] : []),
    {
      type: 'joined',
      participantId,
      personId: personId ?? takesUp?.personId ?? null,
      shownName: name,
      admitted: takesUp ? takesUp.admitted : !state.waitingList && !crowds && !wasRemoved,
      ...(withoutDevice && { withoutDevice }),
    },
  )
}

/** Clearly more than are expected: a tenth more, and never fewer than six more. A guest or two is usual. */
const mostExpected = (expected: number): number =>
  expected === 0 ? Number.POSITIVE_INFINITY : expected + Math.max(6, Math.ceil(expected / 10))

/** Somebody as they come in, at `at` in milliseconds since 1970. */
export function newcomer(
  state: DoorState,
  {
    participantId,
    personId,
    shownName,
    admitted,
    withoutDevice,
  }: Omit<Newcomer, 'earlierId'> & { admitted: boolean },
  at: number,
): Participant {
  const expected = state.expected.find(person => person.personId === personId)
  const plain = plainName(shownName)
  // Whoever takes up a name that was freed also takes up the room it had; of typed names, only one that had no device.
  const before = [...state.participants.values()].find(
    other =>
      other.released &&
      (personId === null
        ? other.personId === null && !other.hasDevice && plainNameOf(other) === plain
        : other.personId === personId),
  )
  return {
    id: participantId,
    personId,
    shownName,
    typedName: shownName,
    admitted,
    // Who has no device is there until somebody says otherwise.
    connected: withoutDevice !== undefined,
    onPhone: false,
    hasDevice: withoutDevice === undefined,
    besideId: withoutDevice?.besideId ?? null,
    roomId: before?.roomId ?? expected?.roomId ?? null,
    inRoom: false,
    joinedAt: at,
    seenAt: at,
    released: false,
    removed: false,
  }
}
