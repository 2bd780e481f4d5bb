import { groupBy } from 'lodash-es'
import { z } from 'zod'
import { giveRoles, ROLES, type Role } from '../../grouping/roles'
import { rolesRuleSchema } from '../../schedule/terms'
import { presentOf } from '../door/door'
import type { DoorProblem, DoorState } from '../door/door-facts'
import { type Participant, participantList } from '../door/people'
import { idSchema } from '../ids'
import type { MovesState } from '../moves/terms'
import { remember, rememberBoth } from '../remember'
import { mayIn, type RoomRightsState } from '../rights/may-in'
import { openRooms, type RoomsState } from '../rooms/room'
import type { RoomsProblem } from '../rooms/rooms'
import type { RoundState } from '../rounds/round'
import type { RoundsEvent } from '../rounds/rounds'
import type { SessionEvent } from '../session/session'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import type { RolesState } from './roles-facts'

export type RolesProblem =
  | { code: 'no-role-to-pass' }
  | { code: 'may-not-pass' }
  | { code: 'not-in-your-room' }

const events = {
  'roles-set': { rule: rolesRuleSchema.nullable() },
  /** Those of before are over with it. */
  'roles-given': { roles: z.array(z.object({ participantId: idSchema, role: z.enum(ROLES) })) },
  /** From one to another of the same room, who gives theirs in return if they have one; null where nobody had it. */
  'role-passed': { role: z.enum(ROLES), fromId: idSchema.nullable(), toId: idSchema },
}
export type RolesEvent = EventsOf<typeof events>

type Rights = RoomRightsState & Pick<MovesState, 'terms'>
type State = RolesState & RoomsState & DoorState & RoundState

/** Who leads, writes, reports and keeps time in each room. */
export const roles = topic<{
  state: RolesState
  needs: RoomsState & DoorState & RoundState & Rights
  hears: RoundsEvent | SessionEvent
  problem: RolesProblem
  borrows: DoorProblem | RoomsProblem
}>()(
  {
    initial: { rolesRule: null, roles: new Map(), rolesBefore: new Map(), rolesHeld: new Map() },
    commands: {
      'set-roles': { by: ['facilitator'], asks: { rule: rolesRuleSchema.nullable() } },
      'give-role': { by: ['facilitator'], asks: { participantId: idSchema, role: z.enum(ROLES) } },
      'pass-role': { by: ['participant'], asks: { toId: idSchema } },
    },
    events,
  },
  {
    decide: {
      'set-roles'(state, { rule }) {
        const now = state.rolesRule
        if (now?.rule === rule?.rule && now?.mayPass === rule?.mayPass) return nothing
        const set: RolesEvent = { type: 'roles-set', rule }
        if (!state.round || now?.rule === rule?.rule) return happens(set)
        return happens(set, given({ ...state, rolesRule: rule }, state.round.number))
      },
      'give-role'(state, { participantId, role }) {
        const to = presentOf(state, participantId)
        if (!to) return refuse({ code: 'no-such-participant' })
        const { roomId } = to
        if (!state.round || roomId === null) return refuse({ code: 'not-in-a-room' })
        if (heldBy(state, to) === role) return nothing
        const from = belonging(state, roomId).find(one => heldBy(state, one) === role)
        return happens({ type: 'role-passed', role, fromId: from?.id ?? null, toId: to.id })
      },
      'pass-role'(state, { toId }, { participantId }) {
        const me = presentOf(state, participantId)
        if (!me) return refuse({ code: 'no-such-participant' })
        const role = heldBy(state, me)
        if (role === null || !state.round) return refuse({ code: 'no-role-to-pass' })
        if (!mayIn(state, 'pass-roles', me.roomId)) return refuse({ code: 'may-not-pass' })
        const to = presentOf(state, toId)
        if (!to?.admitted || to.roomId !== me.roomId || to === me) return refuse({ code: 'not-in-your-room' })
        return happens({ type: 'role-passed', role, fromId: me.id, toId })
      },
    },
    follows: {
      'sent-out': (state, { number }) => (state.rolesRule ? [given(state, number)] : []),
    },
    evolve: {
      'roles-set': (_state, { rule }) => ({ rolesRule: rule }),
      'roles-given': (state, { roles: all }) => {
        const now = new Map<string, { role: Role; roomId: string }>()
        const held = new Map(state.rolesHeld)
        for (const { participantId, role } of all) {
          const roomId = state.participants.get(participantId)?.roomId
          if (!roomId) continue
          now.set(participantId, { role, roomId })
          const before = held.get(participantId)
          held.set(participantId, { ...before, [role]: (before?.[role] ?? 0) + 1 })
        }
        return { roles: now, rolesHeld: held }
      },
      'role-passed': (state, { role, fromId, toId }) => {
        const roomId = state.participants.get(toId)?.roomId
        if (!roomId) return {}
        const back = state.roles.get(toId)
        // Whoever had it here and is gone, or is elsewhere, does not have it any more when they come back.
        const now = new Map(
          [...state.roles].filter(([, held]) => held.role !== role || held.roomId !== roomId),
        )
        if (fromId !== null) {
          if (back && back.roomId === roomId) now.set(fromId, back)
          else now.delete(fromId)
        }
        now.set(toId, { role, roomId })
        return { roles: now }
      },
      'round-ended': ({ roles: before }) => ({ roles: NOBODY, rolesBefore: before }),
      ended: () => ({ roles: NOBODY }),
    },
    views: {
      facilitator: state => ({
        rolesRule: state.rolesRule,
        roles: rolesNow(state.roles, state.participants),
        rolesBefore: rolesOf(state.rolesBefore),
      }),
      participant: (state, me) => ({
        roles:
          state.roles.size > 0 && me.inRoom && !me.released
            ? (inRoomOf(
                state.roles,
                state.participants,
              )(mayIn(state, 'pass-roles', me.roomId) ? MAY_PASS : STAYS)[me.roomId ?? ''] ?? null)
            : null,
      }),
    },
    words: {
      'no-role-to-pass': () => 'You have no role to pass on.',
      'may-not-pass': () => 'Roles stay as they were given in this round.',
      'not-in-your-room': () => 'A role can be passed on to somebody of your room only.',
    },
  },
)

const NOBODY: RolesState['roles'] = new Map()
const rolesOf = remember(
  (held: RolesState['roles']): Readonly<Record<string, Role>> =>
    Object.fromEntries([...held].map(([id, { role }]) => [id, role])),
)
const belonging = (state: DoorState, roomId: string): Participant[] =>
  participantList(state).filter(one => one.admitted && one.roomId === roomId)

/** The role somebody has in the room they belong to. */
const heldBy = ({ roles: all }: Pick<RolesState, 'roles'>, { id, roomId }: Participant): Role | null => {
  const held = all.get(id)
  return held && held.roomId === roomId ? held.role : null
}

/** Roles of every room, by the rule. At random the round and the room decide, so that folding again gives the same. */
function given(state: State, round: number): RolesEvent & { type: 'roles-given' } {
  const { rolesRule } = state
  if (!rolesRule) return { type: 'roles-given', roles: [] }
  const trained = trainedIn(state.expected)
  const byRoom = groupBy(
    participantList(state).filter(one => one.admitted),
    one => one.roomId,
  )
  const all = openRooms(state.rooms).flatMap(({ id }) => {
    const people = (byRoom[id] ?? []).map(one => ({
      id: one.id,
      firstName: one.shownName,
      trainedToLead: one.personId !== null && trained.has(one.personId),
      held: state.rolesHeld.get(one.id) ?? {},
    }))
    const roles = giveRoles(people, rolesRule.rule, { locale: 'en', seed: numberOf(`${id} ${round}`) })
    return (Object.entries(roles) as [Role, string][]).map(([role, participantId]) => ({
      participantId,
      role,
    }))
  })
  return { type: 'roles-given', roles: all }
}

const trainedIn = remember(
  (expected: DoorState['expected']) => new Set(expected.flatMap(one => (one.leads ? [one.personId] : []))),
)

/** A whole number that is the same for the same text. Source: the multiplication by 31 of common string hashes, from memory. */
const numberOf = (text: string): number =>
  [...text].reduce((number, char) => (Math.imul(number, 31) + (char.codePointAt(0) ?? 0)) | 0, 7)

const isIn = (one: Participant | undefined, roomId: string) => one?.roomId === roomId && !one.released

/** By participant id, only where it counts. */
const rolesNow = rememberBoth((all: RolesState['roles'], participants: DoorState['participants']) =>
  Object.fromEntries(
    [...all].flatMap(([id, { role, roomId }]) =>
      isIn(participants.get(id), roomId) ? [[id, role] as const] : [],
    ),
  ),
)

/** The roles of a room, as its own people see them. */
export interface RoomRoles {
  roles: { id: string; role: Role }[]
  mayPass: boolean
}

const MAY_PASS = { mayPass: true }
const STAYS = { mayPass: false }

const inRoomOf = rememberBoth((all: RolesState['roles'], participants: DoorState['participants']) =>
  remember(({ mayPass }: Pick<RoomRoles, 'mayPass'>): Record<string, RoomRoles> => {
    const byRoom = groupBy(
      [...all].filter(([id, { roomId }]) => isIn(participants.get(id), roomId)),
      ([, { roomId }]) => roomId,
    )
    return Object.fromEntries(
      Object.entries(byRoom).map(([roomId, some]) => [
        roomId,
        { roles: some.map(([id, { role }]) => ({ id, role })), mayPass },
      ]),
    )
  }),
)
