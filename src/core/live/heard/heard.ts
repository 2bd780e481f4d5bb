import { groupBy } from 'lodash-es'
import { z } from 'zod'
import { presentOf } from '../door/door'
import type { DoorProblem } from '../door/door-facts'
import { type Participant, type PeopleState, participantList } from '../door/people'
import { idSchema } from '../ids'
import { messagesFor } from '../messages/addressed'
import type { Message, MessagesState } from '../messages/message'
import type { MessagesProblem } from '../messages/messages'
import { remember } from '../remember'
import type { RoomsState } from '../rooms/room'
import { textProblem, textSchema } from '../texts'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import {
  LONGEST_ANSWER,
  type MessageAnswer,
  MOST_ANSWERS,
  MOST_FOLLOWED,
  MOST_SEEN_AT_ONCE,
  NOT_IN_A_ROOM,
  type Seen,
} from './answer'

export interface HeardState {
  /** Ids of the participants on whose page each message has stood in sight, by message id. */
  seenBy: Readonly<Record<string, readonly string[]>>
  /** What participants answered, in order. */
  messageAnswers: readonly MessageAnswer[]
  /** When each message was last said again to those who had not seen it, by message id. */
  saidAgain: Readonly<Record<string, number>>
}

export type HeardProblem = { code: 'enough-answers' } | { code: 'all-have-seen' }

const events = {
  'messages-seen': { participantId: idSchema, messageIds: z.array(idSchema) },
  'message-answered': {
    answerId: idSchema,
    messageId: idSchema,
    participantId: idSchema,
    roomId: idSchema.nullable(),
    text: z.string(),
  },
  'message-said-again': { messageId: idSchema },
}
export type HeardEvent = EventsOf<typeof events>

/** Before anything was. */
const NOTHING_AGAIN: Readonly<Record<string, number>> = {}

type Read = HeardState & Pick<MessagesState, 'messages' | 'putAway'> & PeopleState & RoomsState

/** What comes back to what facilitators say: how many have seen it and where, and what they answer; and saying it again. */
export const heard = topic<{
  state: HeardState
  needs: Omit<Read, keyof HeardState>
  problem: HeardProblem
  borrows: DoorProblem | MessagesProblem
  mark: 'answer'
}>()(
  {
    initial: { seenBy: {}, messageAnswers: [], saidAgain: NOTHING_AGAIN },
    commands: {
      /** Sent by a page once they have stood in sight. */
      'see-messages': {
        by: ['participant'],
        asks: { messageIds: z.array(idSchema).min(1).max(MOST_SEEN_AT_ONCE) },
      },
      'answer-message': {
        by: ['participant'],
        asks: { messageId: idSchema, text: textSchema },
        fills: { answerId: 'fresh-id' },
      },
      'say-again': { by: ['facilitator'], asks: { messageId: idSchema } },
    },
    events,
  },
  {
    decide: {
      'see-messages'(state, { messageIds }, { participantId }) {
        const me = presentOf(state, participantId)
        if (!me) return refuse({ code: 'no-such-participant' })
        const asked = new Set(messageIds)
        const seen = messagesFor(state, me)
          .filter(({ id }) => asked.has(id) && !state.seenBy[id]?.includes(participantId))
          .map(({ id }) => id)
        return seen.length > 0 ? happens({ type: 'messages-seen', participantId, messageIds: seen }) : nothing
      },
      'answer-message'(state, { messageId, text, answerId }, { participantId }) {
        const me = presentOf(state, participantId)
        if (!me) return refuse({ code: 'no-such-participant' })
        if (!messagesFor(state, me).some(({ id }) => id === messageId))
          return refuse({ code: 'no-such-message' })
        const problem = textProblem(text, LONGEST_ANSWER)
        if (problem) return refuse(problem)
        if (state.messageAnswers.some(({ id }) => id === answerId)) return nothing
        const own = state.messageAnswers.filter(
          answer => answer.messageId === messageId && answer.participantId === participantId,
        )
        if (own.length >= MOST_ANSWERS) return refuse({ code: 'enough-answers' })
        const roomId = me.inRoom ? me.roomId : null
        return happens({
          type: 'message-answered',
          answerId,
          messageId,
          participantId,
          roomId,
          text: text.trim(),
        })
      },
      'say-again'(state, { messageId }) {
        const message = state.messages.find(({ id }) => id === messageId)
        if (!message) return refuse({ code: 'no-such-message' })
        const { seen, of } = seenOf(state, message)
        return seen < of
          ? happens({ type: 'message-said-again', messageId })
          : refuse({ code: 'all-have-seen' })
      },
    },
    evolve: {
      'messages-seen': ({ seenBy }, { participantId, messageIds }) => ({
        seenBy: {
          ...seenBy,
          ...Object.fromEntries(messageIds.map(id => [id, [...(seenBy[id] ?? []), participantId]])),
        },
      }),
      'message-answered': (
        { messageAnswers },
        { answerId: id, messageId, participantId, roomId, text },
        at,
      ) => ({ messageAnswers: [...messageAnswers, { id, messageId, participantId, roomId, text, at }] }),
      'message-said-again': ({ saidAgain }, { messageId }, at) => ({
        saidAgain: { ...saidAgain, [messageId]: at },
      }),
    },
    views: {
      facilitator: state => ({ heard: heardNow(state), messageAnswers: state.messageAnswers }),
      participant: (state, me) => ({
        ownAnswers: ownAnswers(state.messageAnswers)[me.id] ?? NO_ANSWERS,
        saidAgain: saidAgainTo(state, me),
      }),
    },
    marks: {
      'message-answered': (_before, { roomId, text }) =>
        roomId === null ? [] : [{ roomId, kind: 'answer', what: text }],
    },
    words: {
      'enough-answers': () => `You have answered this ${MOST_ANSWERS} times: that is as often as it goes.`,
      'all-have-seen': () => 'Everybody it is for has seen it.',
    },
  },
)

const NO_ANSWERS: readonly MessageAnswer[] = []
const ownAnswers = remember((answers: readonly MessageAnswer[]) =>
  groupBy(answers, ({ participantId }) => participantId),
)

/** How far the last messages have come, by message id. O(people x MOST_FOLLOWED). */
const heardNow = remember((state: Read): Readonly<Record<string, Seen>> => {
  const last = state.messages.slice(-MOST_FOLLOWED)
  return Object.fromEntries(last.map(message => [message.id, seenOf(state, message)]))
})

/** Who has no device of their own reads nothing, and counts for nothing here. */
function seenOf(state: Read, { id, roomIds, toId }: Message): Seen {
  const seenBy = new Set(state.seenBy[id])
  const unseen: Record<string, number> = {}
  let seen = 0
  let of = 0
  for (const person of participantList(state)) {
    const roomId = person.inRoom ? person.roomId : null
    const isFor =
      toId === null ? roomIds === null || (roomId !== null && roomIds.includes(roomId)) : toId === person.id
    if (!isFor || !person.admitted || !person.hasDevice) continue
    of += 1
    if (seenBy.has(person.id) || state.putAway[person.id]?.includes(id)) seen += 1
    else unseen[roomId ?? NOT_IN_A_ROOM] = (unseen[roomId ?? NOT_IN_A_ROOM] ?? 0) + 1
  }
  return { seen, of, unseen }
}

/** What was said again and somebody has still not seen. */
function saidAgainTo(state: Read, me: Participant): Readonly<Record<string, number>> {
  if (state.saidAgain === NOTHING_AGAIN) return NOTHING_AGAIN
  const again = messagesFor(state, me).flatMap(({ id }): [string, number][] => {
    const at = state.saidAgain[id]
    return at === undefined || state.seenBy[id]?.includes(me.id) ? [] : [[id, at]]
  })
  return again.length > 0 ? Object.fromEntries(again) : NOTHING_AGAIN
}
