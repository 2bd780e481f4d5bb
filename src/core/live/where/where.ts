/** Where everybody is in a running session: for facilitators alone. */
import { partsOf } from '../../boards/parts'
import { roughLength } from '../../schedule/lengths'
import { SIGNAL_WORDS, type Signal } from '../signals/signal'
import type { FacilitatorView } from '../views'

export type Place =
  /** On the list, and not here yet. */
  | { kind: 'expected' }
  /** On the waiting list. */
  | { kind: 'door' }
  /** With the whole group; `roomName` is the room they belong to, if any. */
  | { kind: 'whole'; roomName: string | null }
  /** In a room; `prompt` is the one they wrote under last, from 1. */
  | { kind: 'room'; roomId: string; roomName: string; prompt: number | null }

export interface Whereabouts {
  /** The participant's id; of somebody who is not here yet the person's. */
  id: string
  shownName: string
  place: Place
  /** Since when their page is gone, in milliseconds since 1970; null while it is there. */
  droppedAt: number | null
  /** What they follow the session on; null for who has not come. */
  device: 'phone' | 'computer' | 'none' | null
  /** What they show; null for nothing. */
  signal: Signal | null
}

type View = Pick<FacilitatorView, 'rooms' | 'people' | 'signals' | 'expected' | 'boards'>
type Work = Readonly<Record<string, { people?: Readonly<Record<string, { promptId: string }>> }>>

/**
 * Everybody who is in a session or expected in it, by name. Before a round people are with the whole group, whatever room
 * they belong to. O(people log people + rooms x prompts).
 */
export function whereEverybodyIs(view: View, work: Work): Whereabouts[] {
  const rooms = new Map(view.rooms.map(room => [room.id, room]))
  const numbers = view.boards.map(
    board =>
      new Map(
        partsOf(board)
          .flatMap(({ prompts }) => prompts)
          .map(({ id }, place) => [id, place + 1]),
      ),
  )
  const placeOf = (person: View['people'][number]): Place => {
    if (!person.admitted) return { kind: 'door' }
    const room = rooms.get(person.roomId ?? '')
    if (!room || !person.inRoom) return { kind: 'whole', roomName: room?.name ?? null }
    const promptId = work[room.id]?.people?.[person.id]?.promptId
    const prompt = promptId === undefined ? undefined : numbers[room.board ?? 0]?.get(promptId)
    return { kind: 'room', roomId: room.id, roomName: room.name, prompt: prompt ?? null }
  }
  const here: Whereabouts[] = view.people.map(person => ({
    id: person.id,
    shownName: person.shownName,
    place: placeOf(person),
    droppedAt: person.connected ? null : person.seenAt,
    device: person.hasDevice ? (person.onPhone ? 'phone' : 'computer') : 'none',
    signal: view.signals[person.id]?.signal ?? null,
  }))
  const awaited: Whereabouts[] = view.expected.map(({ personId, shownName }) => ({
    id: personId,
    shownName,
    place: { kind: 'expected' },
    droppedAt: null,
    device: null,
    signal: null,
  }))
  return [...here, ...awaited].sort((one, other) => NAMES.compare(one.shownName, other.shownName))
}

const NAMES = new Intl.Collator('en')

/** Where somebody is, and what they show, in words. */
export const whereWords = ({ place, signal }: Pick<Whereabouts, 'place' | 'signal'>): string =>
  signal === null ? placeWords(place) : `${placeWords(place)}: ${SIGNAL_WORDS[signal]}`

function placeWords(place: Place): string {
  switch (place.kind) {
    case 'expected':
      return 'not here yet'
    case 'door':
      return 'on the waiting list'
    case 'whole':
      return place.roomName === null
        ? 'with the whole group, no room'
        : `with the whole group (${place.roomName})`
    case 'room':
      return place.prompt === null
        ? place.roomName
        : `${place.roomName}, wrote last at prompt ${place.prompt}`
  }
}

/** What else is to be said of somebody: since when they are gone, and what they follow on. */
export function deviceWords({ droppedAt, device }: Whereabouts, now: number): string {
  const on =
    device === 'phone' ? 'phone' : device === 'none' ? 'no device' : device === 'computer' ? 'computer' : ''
  if (droppedAt === null) return on
  const since = roughLength(now - droppedAt)
  return `no line ${since === 'just now' ? 'since just now' : `for ${since}`}${on && `, ${on}`}`
}

/** How many are where. */
export interface WhereCounts {
  rooms: number
  whole: number
  door: number
  expected: number
  dropped: number
}

export const whereCounts = (everybody: readonly Whereabouts[]): WhereCounts => ({
  rooms: everybody.filter(({ place }) => place.kind === 'room').length,
  whole: everybody.filter(({ place }) => place.kind === 'whole').length,
  door: everybody.filter(({ place }) => place.kind === 'door').length,
  expected: everybody.filter(({ place }) => place.kind === 'expected').length,
  dropped: everybody.filter(({ droppedAt }) => droppedAt !== null).length,
})
