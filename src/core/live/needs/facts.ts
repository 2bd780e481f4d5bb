import { askedPrompts, NOTHING_SAID, partsOf } from '../../boards/parts'
import type { FacilitatorView } from '../views'
import type { RoomFacts } from './needs'

/** What of a room's work counts: how far it has come, when it was last written in, and by whom how much. */
export interface WorkFacts {
  answeredPrompts: number
  /** Half minutes in which something was written, the last at the end. */
  pulse: readonly { at: number }[]
  latest: { at: number } | null
  /** By participant id. */
  people?: Readonly<Record<string, { edits: number }>>
}

type View = Pick<
  FacilitatorView,
  | 'writers'
  | 'rooms'
  | 'people'
  | 'signals'
  | 'help'
  | 'visits'
  | 'lastVisit'
  | 'boards'
  | 'partsOpen'
  | 'partsSaid'
>

/**
 * What is known of every room with people in it, from a facilitator's view and the rooms' work, for one facilitator: a call that
 * another has taken is not theirs to answer. O(people + rooms).
 */
export function roomFacts(
  view: View,
  work: Readonly<Record<string, WorkFacts>>,
  accountId: string,
): RoomFacts[] {
  const people = new Map(view.rooms.map(({ id }) => [id, [] as View['people']]))
  for (const person of view.people) if (person.inRoom) people.get(person.roomId ?? '')?.push(person)
  const calledAt = new Map(
    view.help
      .filter(({ taken }) => taken === null || taken.accountId === accountId)
      .map(call => [call.roomId, call.at]),
  )
  const visited = new Set(view.visits.map(({ roomId }) => roomId))
  return view.rooms
    .filter(room => (people.get(room.id)?.length ?? 0) > 0)
    .map(room => {
      const { id, board = 0 } = room
      const done = work[id]
      return {
        roomId: id,
        people: (people.get(id) ?? []).map(({ id: personId, shownName, connected, hasDevice, seenAt }) => ({
          id: personId,
          shownName,
          connected,
          hasDevice,
          seenAt,
          signal: view.signals[personId]?.signal ?? null,
        })),
        calledAt: calledAt.get(id) ?? null,
        visitedAt: view.lastVisit[id] ?? null,
        isVisited: visited.has(id),
        writtenAt: done ? lastWrittenAt(done) : null,
        board,
        ...promptsOf(view, room),
        begun: done?.answeredPrompts ?? 0,
        // Where one alone may write, that they do so tells nothing.
        edits: Object.fromEntries(
          Object.entries(view.writers[id] ? {} : (done?.people ?? {})).map(([personId, { edits }]) => [
            personId,
            edits,
          ]),
        ),
      }
    })
}

function lastWrittenAt({ pulse, latest }: WorkFacts): number | null {
  const at = Math.max(pulse.at(-1)?.at ?? 0, latest?.at ?? 0)
  return at > 0 ? at : null
}

/** How many prompts a room can work on, and whether it says it is done with every part that has any. */
function promptsOf({ boards, partsOpen, partsSaid }: View, { id, board = 0 }: View['rooms'][number]) {
  const whole = boards[board]
  if (!whole) return { prompts: 0, done: false }
  const said = partsSaid[id] ?? NOTHING_SAID
  const asked = askedPrompts(whole, said, partsOpen)
  const parts = partsOf(whole).filter(({ prompts }) => prompts.some(prompt => asked.includes(prompt)))
  return { prompts: asked.length, done: asked.length > 0 && parts.every(part => said.done.includes(part.id)) }
}
