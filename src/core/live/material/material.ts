import { z } from 'zod'
import type { Participant } from '../door/people'
import { idSchema } from '../ids'
import { remember, rememberBoth } from '../remember'
import { MOST_ROOMS, openRooms, type RoomsState, roomOf } from '../rooms/room'
import type { RoomsProblem } from '../rooms/rooms'
import { roomIn } from '../rooms/whereabouts'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import { type Given, type GivenThing, givenThing, type MaterialState, MOST_GIVEN } from './given'

export type MaterialProblem = { code: 'no-such-material' } | { code: 'too-much-material' }

/** Null for everybody. */
const toRooms = z.array(idSchema).min(1).max(MOST_ROOMS).nullable()

const events = {
  'material-given': { givenId: idSchema, thing: givenThing, roomIds: toRooms },
  'material-taken-back': { givenId: idSchema },
}
export type MaterialEvent = EventsOf<typeof events>

/** Material given to everybody or to some rooms while the session runs, and taken back. */
export const material = topic<{
  state: MaterialState
  needs: RoomsState
  problem: MaterialProblem
  borrows: RoomsProblem
  mark: 'material'
}>()(
  {
    initial: { given: [] },
    commands: {
      /** What it is is the server's to say, from the library: no browser sends it. */
      'give-material': {
        by: ['facilitator'],
        inside: true,
        asks: { thing: givenThing, roomIds: toRooms },
        fills: { givenId: 'fresh-id' },
      },
      'take-material-back': { by: ['facilitator'], asks: { givenId: idSchema } },
    },
    events,
  },
  {
    decide: {
      'give-material'(state, { thing, roomIds, givenId }) {
        if (state.given.length >= MOST_GIVEN) return refuse({ code: 'too-much-material' })
        const wanted = roomIds && [...new Set(roomIds)]
        if (wanted?.some(id => roomOf(state, id)?.closed !== false)) return refuse({ code: 'no-such-room' })
        const isThere = state.given.some(given => given.id === givenId)
        return isThere ? nothing : happens({ type: 'material-given', givenId, thing, roomIds: wanted })
      },
      'take-material-back'(state, { givenId }) {
        return state.given.some(({ id }) => id === givenId)
          ? happens({ type: 'material-taken-back', givenId })
          : refuse({ code: 'no-such-material' })
      },
    },
    evolve: {
      'material-given': ({ given }, { givenId: id, thing, roomIds }) => ({
        given: [...given, { id, thing, roomIds }],
      }),
      'material-taken-back': ({ given }, { givenId }) => ({
        given: given.filter(({ id }) => id !== givenId),
      }),
    },
    views: {
      facilitator: state => ({ given: state.given }),
      participant: (state, me) => ({ given: givenTo(state, me) }),
    },
    marks: {
      'material-given': (before, { thing, roomIds }) =>
        openRooms(before.rooms)
          .filter(({ id, used }) => roomIds?.includes(id) ?? used)
          .map(({ id: roomId }) => ({ roomId, kind: 'material', what: thing.title })),
    },
    words: {
      'no-such-material': () => 'This was taken back already.',
      'too-much-material': () => `At most ${MOST_GIVEN} things can be given at a time. Take some back first.`,
    },
  },
)

const NOTHING: readonly Given[] = []

/** What somebody may look at now. */
export function givenTo(state: MaterialState & RoomsState, me: Participant): readonly Given[] {
  if (!me.admitted || me.released || state.given.length === 0) return NOTHING
  const room = roomIn(state, me)
  return room ? givenIn(state.given, room) : givenToAll(state.given)
}

/** Made once for all in a room. */
const givenIn = rememberBoth((given: readonly Given[], { id }: { id: string }) =>
  given.filter(({ roomIds }) => roomIds?.includes(id) ?? true),
)
const givenToAll = remember((given: readonly Given[]) => given.filter(({ roomIds }) => roomIds === null))

/** Hashes of the files among things that were given, or said something with. */
export const givenFiles = (things: readonly GivenThing[]): Set<string> =>
  new Set(things.flatMap(thing => (thing.is === 'link' ? [] : [thing.file])))
