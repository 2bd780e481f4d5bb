import {
  CALL_CLOSED,
  type CallMember,
  type CallMessage,
  type CallPersonNow,
  type CallTold,
  type IceServer,
} from '~/contracts/call-told'
import { mayCall } from '~/core/live/call/call'
import { callOf, MOST_IN_CALL } from '~/core/live/call/ways'
import type { LiveState } from '~/core/live/topics'
import { asFacilitator } from '~/core/live/visits/visitor'
import { newId } from '../tokens.server'

/** Whoever is at the other end of a call's socket. */
export type CallUser = { participantId: string } | { accountId: string; name: string }

/** A connection to the call of a room. */
export interface CallLine {
  tell(told: CallTold): void
  close(code: number): void
}

interface Member extends CallMember {
  user: CallUser
  line: CallLine
  spokeSince: number | null
}

interface CallRoom {
  members: Map<string, Member>
  /** How long each participant has spoken in this round, in milliseconds. */
  spoke: Map<string, number>
  /** All microphones of the room were switched off. */
  silent: boolean
}

interface CallSession {
  rooms: Map<string, CallRoom>
  round: number | null
}

/** Whether somebody's microphone stays off: who switches the others' off is still to be heard. */
const isSilent = (room: CallRoom, { participantId }: Member) => room.silent && participantId !== null

/** What somebody in a call may do there. */
export interface InCall {
  id: string
  hear(message: CallMessage): void
  leave(): void
}

/**
 * Who is in the call of which room, and what they say to each other to find each other's browsers. All of it is in memory and goes
 * with the session: nothing of a call is recorded.
 */
export class CallRooms {
  private readonly sessions = new Map<string, CallSession>()

  constructor(
    private readonly now: () => number,
    /** The calls of a session have changed: who is there, what they give, or how long they have spoken. */
    private readonly changed: (sessionId: string) => void,
  ) {}

  /** Lets somebody into the call of a room; a number says with which code they are refused. */
  enter(
    sessionId: string,
    roomId: string,
    state: LiveState,
    user: CallUser,
    line: CallLine,
    iceServers: IceServer[],
  ): InCall | number {
    const call = callOf(state, roomId)
    if (!call || !mayCall(state, roomId, user)) return CALL_CLOSED.notYours
    const session = this.sessionOf(sessionId, state)
    const room = session.rooms.get(roomId) ?? { members: new Map(), spoke: new Map(), silent: false }
    const same = [...room.members.values()].find(member => keyOf(member.user) === keyOf(user))
    const people = [...room.members.values()].filter(({ participantId }) => participantId !== null)
    if ('participantId' in user && !same && people.length >= MOST_IN_CALL[call.way]) return CALL_CLOSED.full
    room.silent = call.silent
    session.rooms.set(roomId, room)
    const id = newId()
    const member: Member = {
      id,
      participantId: 'participantId' in user ? user.participantId : null,
      name: nameOf(state, user),
      microphone: false,
      camera: false,
      sharing: false,
      speaking: false,
      user,
      line,
      spokeSince: null,
    }
    if (same) {
      this.leave(sessionId, roomId, same)
      same.line.close(CALL_CLOSED.elsewhere)
    }
    room.members.set(id, member)
    line.tell({ type: 'welcome', you: id, iceServers })
    this.tellAll(sessionId, room)
    return {
      id,
      hear: message => this.hear(sessionId, roomId, member, message),
      leave: () => this.leave(sessionId, roomId, member),
    }
  }

  /** The session has moved on: whoever may no longer be in a call is let go, and microphones that were switched off are off. */
  follow(sessionId: string, state: LiveState): void {
    const session = this.sessions.get(sessionId)
    if (!session) return
    if (state.phase === 'ended') {
      for (const { members } of session.rooms.values())
        for (const { line } of members.values()) line.close(CALL_CLOSED.notYours)
      this.sessions.delete(sessionId)
      return
    }
    this.sessionOf(sessionId, state)
    for (const [roomId, room] of session.rooms) {
      let told = false
      room.silent = callOf(state, roomId)?.silent ?? false
      for (const member of [...room.members.values()]) {
        if (!mayCall(state, roomId, member.user)) {
          this.leave(sessionId, roomId, member)
          member.line.close(CALL_CLOSED.notYours)
          continue
        }
        const name = nameOf(state, member.user)
        if (name === member.name && !(isSilent(room, member) && member.microphone)) continue
        member.name = name
        if (isSilent(room, member)) this.setMicrophone(room, member, false)
        told = true
      }
      if (told) this.tellAll(sessionId, room)
    }
  }

  /** Lets go of a session that is no longer in memory. */
  forget(sessionId: string): void {
    this.sessions.delete(sessionId)
  }

  /** Who is in the call of each room, and how long each has spoken in this round; rooms of which nobody was in the call are not in it. */
  of(sessionId: string): Record<string, CallPersonNow[]> {
    const rooms = [...(this.sessions.get(sessionId)?.rooms ?? [])]
    return Object.fromEntries(rooms.map(([roomId, room]) => [roomId, this.peopleOf(room)]))
  }

  private peopleOf({ members, spoke }: CallRoom): CallPersonNow[] {
    const byId = new Map(
      [...members.values()].flatMap(member =>
        member.participantId === null ? [] : [[member.participantId, member] as const],
      ),
    )
    return [...new Set([...spoke.keys(), ...byId.keys()])].map(participantId => {
      const member = byId.get(participantId)
      const since = member?.spokeSince ?? null
      return {
        participantId,
        here: member !== undefined,
        microphone: member?.microphone ?? false,
        camera: member?.camera ?? false,
        sharing: member?.sharing ?? false,
        spokeMs: (spoke.get(participantId) ?? 0) + (since === null ? 0 : this.now() - since),
      }
    })
  }

  /** With a new round nobody has spoken. */
  private sessionOf(sessionId: string, state: LiveState): CallSession {
    const round = state.round?.number ?? null
    const known = this.sessions.get(sessionId)
    if (!known) {
      const made: CallSession = { rooms: new Map(), round }
      this.sessions.set(sessionId, made)
      return made
    }
    if (round !== null && known.round !== round) {
      known.round = round
      for (const room of known.rooms.values()) room.spoke.clear()
    }
    return known
  }

  private hear(sessionId: string, roomId: string, member: Member, message: CallMessage): void {
    const room = this.sessions.get(sessionId)?.rooms.get(roomId)
    if (room?.members.get(member.id) !== member) return
    if (message.type === 'signal') {
      room.members.get(message.to)?.line.tell({ type: 'signal', from: member.id, signal: message.signal })
      return
    }
    if (message.type === 'give') {
      member.camera = message.camera
      member.sharing = message.sharing
      this.setMicrophone(room, member, message.microphone && !isSilent(room, member))
    } else this.setSpeaking(room, member, message.speaking)
    this.tellAll(sessionId, room)
  }

  private setMicrophone(room: CallRoom, member: Member, on: boolean): void {
    member.microphone = on
    if (!on) this.setSpeaking(room, member, false)
  }

  /** Only who can be heard speaks; how long is told by our own clock. */
  private setSpeaking(room: CallRoom, member: Member, wanted: boolean): void {
    const speaking = wanted && member.microphone
    if (speaking === member.speaking) return
    member.speaking = speaking
    const since = member.spokeSince
    member.spokeSince = speaking ? this.now() : null
    if (since === null || member.participantId === null) return
    room.spoke.set(
      member.participantId,
      (room.spoke.get(member.participantId) ?? 0) + Math.max(0, this.now() - since),
    )
  }

  private leave(sessionId: string, roomId: string, member: Member): void {
    const room = this.sessions.get(sessionId)?.rooms.get(roomId)
    if (room?.members.get(member.id) !== member) return
    this.setMicrophone(room, member, false)
    room.members.delete(member.id)
    this.tellAll(sessionId, room)
  }

  private tellAll(sessionId: string, room: CallRoom): void {
    const members = [...room.members.values()].map(
      ({ user: _, line: _line, spokeSince: _since, ...member }): CallMember => member,
    )
    for (const { line } of room.members.values()) line.tell({ type: 'members', members })
    this.changed(sessionId)
  }
}

const keyOf = (user: CallUser) => ('accountId' in user ? `account ${user.accountId}` : user.participantId)

const nameOf = (state: LiveState, user: CallUser): string =>
  'accountId' in user
    ? asFacilitator(user.name)
    : (state.participants.get(user.participantId)?.shownName ?? '')
