import { groupBy } from 'lodash-es'
import { z } from 'zod'
import { presentOf } from '../door/door'
import type { DoorProblem, DoorState } from '../door/door-facts'
import { closing, type HelpEvent, type HelpState, openHelp } from '../help/help'
import { idSchema } from '../ids'
import type { MessagesProblem } from '../messages/messages'
import { remember } from '../remember'
import { boardOf, type RoomsState, roomOf } from '../rooms/room'
import type { RoomsProblem } from '../rooms/rooms'
import { roomIn } from '../rooms/whereabouts'
import type { SessionState } from '../session/session'
import { textProblem, textSchema } from '../texts'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import { isJustNow } from '../twice'
import { type Comment, LONGEST_COMMENT, LONGEST_QUOTE, MOST_COMMENTS, MOST_REPLIES } from './comment'

export interface CommentsState {
  /** In the order in which they were made. */
  comments: readonly Comment[]
}

export type CommentsProblem =
  | { code: 'no-such-comment' }
  | { code: 'no-such-prompt' }
  | { code: 'too-many-comments' }

const events = {
  commented: {
    commentId: idSchema,
    roomId: idSchema,
    copyId: idSchema,
    promptId: idSchema,
    pieceId: idSchema.nullable(),
    quote: z.string(),
    text: z.string(),
    from: z.string(),
  },
  'comment-answered': {
    commentId: idSchema,
    answerId: idSchema,
    participantId: idSchema.nullable(),
    by: z.string(),
    text: z.string(),
  },
  'comment-settled': { commentId: idSchema, settled: z.boolean(), by: z.string() },
}
export type CommentsEvent = EventsOf<typeof events>

/** Remarks of facilitators on what a room made: the group reads them where they are pinned, answers, and marks them as dealt with. */
export const comments = topic<{
  state: CommentsState
  needs: DoorState & RoomsState & HelpState & Pick<SessionState, 'boards'>
  hears: HelpEvent
  problem: CommentsProblem
  borrows: DoorProblem | RoomsProblem | MessagesProblem
  mark: 'comment' | 'comment-answer'
}>()(
  {
    initial: { comments: [] },
    commands: {
      /** `helpId`: the help call the comment answers. */
      comment: {
        by: ['facilitator'],
        asks: {
          roomId: idSchema,
          promptId: idSchema,
          pieceId: idSchema.nullable(),
          quote: z.string().max(LONGEST_QUOTE),
          text: textSchema,
          helpId: idSchema.nullable(),
        },
        fills: { commentId: 'fresh-id' },
      },
      'answer-comment': {
        by: ['facilitator', 'participant'],
        asks: { commentId: idSchema, text: textSchema },
        fills: { answerId: 'fresh-id' },
      },
      'settle-comment': {
        by: ['facilitator', 'participant'],
        asks: { commentId: idSchema, settled: z.boolean() },
      },
    },
    events,
  },
  {
    decide: {
      comment(state, { commentId, roomId, promptId, pieceId, quote, text, helpId }, { name }, now) {
        const room = roomOf(state, roomId)
        if (!room) return refuse({ code: 'no-such-room' })
        if (!boardOf(state, room).prompts.some(({ id }) => id === promptId))
          return refuse({ code: 'no-such-prompt' })
        const problem = textProblem(text, LONGEST_COMMENT)
        if (problem) return refuse(problem)
        if (state.comments.some(({ id }) => id === commentId)) return nothing
        if (state.comments.length >= MOST_COMMENTS) return refuse({ code: 'too-many-comments' })
        const { copyId } = room
        const answersHelp = helpId !== null && openHelp(state, roomId)?.id === helpId
        // One presses twice, or two say it at once.
        const twice = state.comments.some(
          said =>
            isJustNow(said.at, now) &&
            said.copyId === copyId &&
            said.promptId === promptId &&
            said.pieceId === pieceId &&
            said.text === text.trim(),
        )
        if (twice) return answersHelp ? happens(...closing(state, roomId, 'comment')) : nothing
        return happens(
          {
            type: 'commented',
            commentId,
            roomId,
            copyId,
            promptId,
            pieceId,
            quote: quote.trim(),
            text: text.trim(),
            from: name,
          },
          ...(answersHelp ? closing(state, roomId, 'comment') : []),
        )
      },
      'answer-comment'(state, { commentId, text, answerId }, actor) {
        const who = whoIn(state, actor, commentId)
        if (!who) return refuse({ code: 'no-such-comment' })
        const problem = textProblem(text, LONGEST_COMMENT)
        if (problem) return refuse(problem)
        const { comment, ...writer } = who
        if (comment.answers.some(({ id }) => id === answerId)) return nothing
        if (comment.answers.length >= MOST_REPLIES) return refuse({ code: 'too-many-comments' })
        return happens({ type: 'comment-answered', commentId, answerId, ...writer, text: text.trim() })
      },
      'settle-comment'(state, { commentId, settled }, actor) {
        const who = whoIn(state, actor, commentId)
        if (!who) return refuse({ code: 'no-such-comment' })
        return (who.comment.settledBy !== null) === settled
          ? nothing
          : happens({ type: 'comment-settled', commentId, settled, by: who.by })
      },
    },
    evolve: {
      commented: (state, { type: _, commentId: id, ...said }, at) => ({
        comments: [...state.comments, { id, ...said, at, answers: [], settledBy: null }],
      }),
      'comment-answered': (state, { commentId, answerId: id, participantId, by, text }, at) =>
        changed(state, commentId, ({ answers }) => ({
          answers: [...answers, { id, by, participantId, text, at }],
        })),
      'comment-settled': (state, { commentId, settled, by }) =>
        changed(state, commentId, () => ({ settledBy: settled ? by : null })),
    },
    views: {
      facilitator: state => ({ comments: state.comments }),
      /** Those on the board of the room one is in. */
      participant: (state, me) => {
        const room = roomIn(state, me)
        return { comments: room ? (byCopy(state.comments)[room.copyId] ?? NONE) : NONE }
      },
    },
    marks: {
      commented: (_before, { roomId, text }) => [{ roomId, kind: 'comment', what: text }],
      'comment-answered': (before, { commentId, participantId, text }) =>
        before.comments
          .filter(({ id }) => id === commentId && participantId !== null)
          .map(({ roomId }) => ({ roomId, kind: 'comment-answer', what: text })),
    },
    words: {
      'no-such-comment': () => 'This comment is not on the board of your room.',
      'no-such-prompt': () => 'The board of this room does not ask this.',
      'too-many-comments': () => 'No more can be written here.',
    },
  },
)

const NONE: readonly Comment[] = []

const byCopy = remember(
  (all: readonly Comment[]): Readonly<Record<string, readonly Comment[]>> =>
    groupBy(all, ({ copyId }) => copyId),
)

const changed = (
  { comments: all }: CommentsState,
  commentId: string,
  change: (comment: Comment) => Partial<Comment>,
): CommentsState => ({
  comments: all.map(comment => (comment.id === commentId ? { ...comment, ...change(comment) } : comment)),
})

type Writer = { kind: 'facilitator'; name: string } | { kind: 'participant'; participantId: string }

/** The comment, and who says something to it: facilitators to all, participants to those on the board of the room they are in. */
function whoIn(state: CommentsState & DoorState & RoomsState, actor: Writer, commentId: string) {
  const comment = state.comments.find(({ id }) => id === commentId)
  if (!comment) return undefined
  if (actor.kind === 'facilitator') return { comment, by: actor.name, participantId: null }
  const me = presentOf(state, actor.participantId)
  if (!me || roomIn(state, me)?.copyId !== comment.copyId) return undefined
  return { comment, by: me.shownName, participantId: me.id }
}
