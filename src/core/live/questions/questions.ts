import { isEqual, pick } from 'lodash-es'
import { z } from 'zod'
import type { DoorProblem, DoorState } from '../door/door-facts'
import { idSchema } from '../ids'
import type { RoomsState } from '../rooms/room'
import type { RoomsProblem } from '../rooms/rooms'
import type { SessionEvent, SessionState } from '../session/session'
import { type TextProblem, textSchema } from '../texts'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'
import {
  answering,
  askingProblem,
  isAsked,
  letterOf,
  MOST_QUESTIONS,
  type QuestionsProblem,
  tidied,
  unseenBy,
} from './asking'
import { answerText, FEWEST_APART, LONGEST_LIMIT, type QuickQuestion, SHORTEST_LIMIT } from './question'
import { answerSchema, events, terms } from './schemas'
import { listOf, ownAnswer, questionNowOf } from './shown'
import {
  answeredOf,
  answersTo,
  apartOf,
  notDrawn,
  openQuestion,
  type QuestionsState,
  withApart,
} from './state'
import { answersProblem, WANTED } from './wording'

export type QuestionsEvent = EventsOf<typeof events>

/** Quick questions: asked of everybody at once, answered by each or by each room, counted for facilitators; groups can be made of the answers. */
export const questions = topic<{
  state: QuestionsState
  needs: DoorState & RoomsState & Pick<SessionState, 'phase'>
  hears: SessionEvent
  problem: QuestionsProblem
  borrows: DoorProblem | RoomsProblem | TextProblem
}>()(
  {
    initial: { questions: [], answersGiven: new Map(), answersApart: new Map() },
    commands: {
      /**
       * Answers without text are lettered. It closes what is open, if that is what stood open before whoever asks, `over` (null for
       * nothing): what another has asked since is not closed unseen.
       */
      'ask-question': {
        by: ['facilitator'],
        asks: {
          text: textSchema,
          answers: z.array(textSchema).max(20),
          ...terms,
          seconds: z.number().int().min(SHORTEST_LIMIT).max(LONGEST_LIMIT).optional(),
          over: idSchema.nullable().optional(),
        },
        fills: { questionId: 'fresh-id' },
      },
      /** The same once more, after it was talked over. */
      'ask-again': { by: ['facilitator'], asks: { ofId: idSchema }, fills: { questionId: 'fresh-id' } },
      'close-question': { by: ['facilitator', 'clock'], asks: { questionId: idSchema } },
      'answer-question': { by: ['participant'], asks: { questionId: idSchema, answer: answerSchema } },
      'note-answer': {
        by: ['participant'],
        inside: true,
        asks: { questionId: idSchema, answer: answerSchema },
      },
      'draw-answers': {
        by: ['clock'],
        inside: true,
        alsoAfterEnd: true,
        asks: {
          questionId: idSchema,
          participantIds: z.array(idSchema),
          answers: z.array(answerSchema),
        },
      },
      'lose-answers': { by: ['clock'], inside: true, alsoAfterEnd: true, asks: { questionId: idSchema } },
    },
    events,
  },
  {
    decide: {
      'ask-question'(
        state,
        { questionId, text, answers, asks, by = 'each', anonymous = false, seconds, over },
        _by,
        now,
      ) {
        const problem = askingProblem(state, questionId, text, by, anonymous)
        if (problem) return refuse(problem)
        const named = answers.map((answer, index) => answer.trim() || letterOf(index))
        const wrong = asks ? undefined : answersProblem(named)
        if (wrong) return refuse(wrong)
        if (isAsked(state, questionId)) return nothing
        const tidy = asks && tidied(asks)
        const unseen = over === undefined ? undefined : unseenBy(state, over)
        if (unseen) {
          // Of two who ask the same at the same moment, or one who presses twice, one is too late.
          const isSame = isEqual(pick(unseen, 'text', 'asks', 'by', 'anonymous'), {
            text: text.trim(),
            asks: tidy ?? { is: 'choice', answers: named },
            by,
            anonymous,
          })
          return isSame ? nothing : refuse({ code: 'another-asked', text: unseen.text })
        }
        return happens(...closing(state), {
          type: 'question-asked' as const,
          questionId,
          text: text.trim(),
          answers: asks ? [] : named,
          ...(tidy && { asks: tidy }),
          ...(by === 'room' && { by }),
          ...(anonymous && { anonymous }),
          ...(seconds !== undefined && { endsAt: now + seconds * 1000 }),
        })
      },
      'ask-again'(state, { ofId, questionId }) {
        const before = state.questions.find(({ id }) => id === ofId)
        if (!before) return refuse({ code: 'no-such-question' })
        // Of two who press at the same moment one is too late: it stands asked already.
        const open = openQuestion(state)
        if (open?.again === ofId) return nothing
        if (open && open.id !== ofId) return refuse({ code: 'another-asked', text: open.text })
        if (state.questions.length >= MOST_QUESTIONS)
          return refuse({ code: 'too-many-questions', most: MOST_QUESTIONS })
        const { text, asks, by, anonymous } = before
        return isAsked(state, questionId)
          ? nothing
          : happens(...closing(state), {
              type: 'question-asked' as const,
              questionId,
              text,
              answers: asks.is === 'choice' ? [...asks.answers] : [],
              ...(asks.is !== 'choice' && { asks }),
              ...(by === 'room' && { by }),
              ...(anonymous && { anonymous }),
              again: ofId,
            })
      },
      'close-question': (state, { questionId }) =>
        openQuestion(state)?.id === questionId ? happens({ type: 'question-closed', questionId }) : nothing,
      'answer-question'(state, { questionId, answer }, { participantId }) {
        const asked = answering(state, questionId, participantId, answer)
        if (!asked.ok) return asked
        const { question, read, giverId } = asked
        // Its answers never come this way.
        if (question.anonymous) return refuse({ code: 'question-closed' })
        const before = answersTo(state, question).get(giverId)
        if (before !== undefined && answerText(question.asks, before) === answerText(question.asks, read))
          return nothing
        return happens({
          type: 'question-answered',
          questionId,
          participantId,
          answer: read as number,
          ...(question.by === 'room' && { roomId: giverId }),
        })
      },
      /** What was answered is looked at here and left out: it is not in what happens. */
      'note-answer'(state, { questionId, answer }, { participantId }) {
        const asked = answering(state, questionId, participantId, answer)
        if (!asked.ok) return asked
        if (!asked.question.anonymous) return refuse({ code: 'question-closed' })
        return apartOf(state, asked.question).answeredIds.has(participantId)
          ? refuse({ code: 'answered-already' })
          : happens({ type: 'answer-noted', questionId, participantId })
      },
      'draw-answers'(state, { questionId, participantIds, answers }) {
        const question = state.questions.find(({ id }) => id === questionId)
        if (!question?.anonymous) return nothing
        const { answeredIds, drawnIds } = apartOf(state, question)
        const isWhole =
          participantIds.length === answers.length &&
          participantIds.length >= FEWEST_APART &&
          participantIds.every(id => answeredIds.has(id) && !drawnIds.has(id))
        return isWhole ? happens({ type: 'answers-drawn', questionId, participantIds, answers }) : nothing
      },
      'lose-answers'(state, { questionId }) {
        const question = state.questions.find(({ id }) => id === questionId)
        const lost = question ? notDrawn(state, question) : []
        return lost.length > 0 ? happens({ type: 'answers-lost', questionId, participantIds: lost }) : nothing
      },
    },
    evolve: {
      'question-asked': (state, { questionId: id, text, answers, ...how }) => ({
        questions: [
          ...state.questions,
          {
            id,
            text,
            asks: how.asks ?? { is: 'choice', answers },
            by: how.by ?? 'each',
            anonymous: how.anonymous ?? false,
            endsAt: how.endsAt ?? null,
            again: how.again ?? null,
            isOpen: true,
          },
        ],
      }),
      'question-answered': (state, { questionId, participantId, answer, roomId }) => {
        // The answer that was given last stands last, so that only what is new is told of long lists.
        const given = new Map(state.answersGiven.get(questionId))
        given.set(roomId ?? participantId, answer)
        return { answersGiven: new Map(state.answersGiven).set(questionId, given) }
      },
      'answer-noted': (state, { questionId, participantId }) =>
        withApart(state, questionId, ({ answeredIds }) => ({
          answeredIds: new Set(answeredIds).add(participantId),
        })),
      'answers-drawn': (state, { questionId, participantIds, answers }) =>
        withApart(state, questionId, apart => ({
          drawnIds: new Set([...apart.drawnIds, ...participantIds]),
          answers: [...apart.answers, ...answers],
        })),
      'answers-lost': (state, { questionId, participantIds }) =>
        withApart(state, questionId, ({ answeredIds }) => ({
          answeredIds: new Set([...answeredIds].filter(id => !participantIds.includes(id))),
        })),
      'question-closed': (state, { questionId }) => ({
        questions: state.questions.map(question =>
          question.id === questionId ? closed(question) : question,
        ),
      }),
      ended: state => ({ questions: state.questions.map(closed) }),
    },
    due: state => {
      const question = openQuestion(state)
      if (question?.endsAt == null) return []
      return [{ at: question.endsAt, command: { type: 'close-question', questionId: question.id } }]
    },
    views: {
      facilitator: state => ({
        questions: listOf(state),
        questionNow: questionNowOf(state),
      }),
      // The question is the same for all, and written once for everybody; one's own answer is told to nobody else.
      participant: (state, me) => {
        const question = me.admitted && !me.released ? openQuestion(state) : undefined
        return { question: question ?? null, myAnswer: question ? ownAnswer(state, question, me) : null }
      },
      projector: state => {
        const question = openQuestion(state)
        return {
          question: question ? { ...question, answered: answeredOf(state, question) } : null,
        }
      },
    },
    words: {
      'question-closed': () => 'This question is closed.',
      'no-such-question': () => 'This question is not part of the session.',
      'not-an-answer': ({ asks }) => WANTED[asks.is](asks as never),
      'answered-already': () =>
        'Your answer is in. It is kept apart from your name, so it can not be changed.',
      'no-room-to-answer-for': () => 'Each room gives one answer, and you are in none.',
      'rooms-not-apart': () =>
        'Of few rooms everybody would know which gave which answer: ask each one, or with names.',
      'answers-number': ({ fewest, most }) => `Give ${fewest} to ${most} answers.`,
      'answers-alike': ({ answer }) => `Two answers would be called ${answer}.`,
      'too-many-questions': ({ most }) => `A session has at most ${most} questions.`,
      'another-asked': ({ text }) =>
        `Another question has just been asked${text === '' ? '' : `: “${text}”`}. It is open now; ask yours once more, and it is closed.`,
    },
  },
)

const closing = (state: QuestionsState) => {
  const before = openQuestion(state)
  return before ? [{ type: 'question-closed' as const, questionId: before.id }] : []
}

const closed = (question: QuickQuestion): QuickQuestion =>
  question.isOpen ? { ...question, isOpen: false } : question
