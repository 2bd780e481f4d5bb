import { z } from 'zod'
import { presentOf } from '../door/door'
import type { DoorProblem, DoorState } from '../door/door-facts'
import { idSchema } from '../ids'
import { rememberBoth } from '../remember'
import type { RoomsProblem } from '../rooms/rooms'
import type { SessionEvent } from '../session/session'
import { type TextProblem, textProblem, textSchema } from '../texts'
import { type EventsOf, happens, nothing, refuse, topic } from '../topic'

export const FEWEST_ANSWERS = 2
export const MOST_ANSWERS = 6
/** In characters. */
export const LONGEST_QUESTION = 200
export const LONGEST_ANSWER = 60
/** Most questions of one session. */
export const MOST_QUESTIONS = 50

/** A question asked live, with two to six answers of which each gives one, by name. */
export interface QuickQuestion {
  id: string
  /** Empty where it is said aloud. */
  text: string
  answers: readonly string[]
  isOpen: boolean
}
/** The place of the answer each has given, by participant id. */
export type GivenAnswers = ReadonlyMap<string, number>

export interface QuestionsState {
  /** In the order asked; at most the last is open. */
  questions: readonly QuickQuestion[]
  /** By question id; who has not answered is not in it. */
  answersGiven: ReadonlyMap<string, GivenAnswers>
}

export type QuestionsProblem =
  | { code: 'question-closed' }
  | { code: 'answers-number'; fewest: number; most: number }
  | { code: 'answers-alike'; answer: string }
  | { code: 'too-many-questions'; most: number }

const answerSchema = z
  .number()
  .int()
  .min(0)
  .max(MOST_ANSWERS - 1)
const events = {
  'question-asked': {
    questionId: idSchema,
    text: z.string().max(LONGEST_QUESTION),
    answers: z.array(z.string().max(LONGEST_ANSWER)).max(MOST_ANSWERS),
  },
  'question-answered': { questionId: idSchema, participantId: idSchema, answer: answerSchema },
  'question-closed': { questionId: idSchema },
}
export type QuestionsEvent = EventsOf<typeof events>

/** Quick questions: asked of everybody at once, answered by each, counted for facilitators; groups can be made of the answers. */
export const questions = topic<{
  state: QuestionsState
  needs: DoorState
  hears: SessionEvent
  problem: QuestionsProblem
  borrows: DoorProblem | RoomsProblem | TextProblem
}>()(
  {
    initial: { questions: [], answersGiven: new Map() },
    commands: {
      /** Answers without text are lettered. Whatever is open is closed by it. */
      'ask-question': {
        by: ['facilitator'],
        asks: { text: textSchema, answers: z.array(textSchema).max(20) },
        fills: { questionId: 'fresh-id' },
      },
      'close-question': { by: ['facilitator'], asks: { questionId: idSchema } },
      'answer-question': { by: ['participant'], asks: { questionId: idSchema, answer: answerSchema } },
    },
    events,
  },
  {
    decide: {
      'ask-question'(state, { questionId, text, answers }) {
        if (state.questions.some(question => question.id === questionId)) return nothing
        if (state.questions.length >= MOST_QUESTIONS)
          return refuse({ code: 'too-many-questions', most: MOST_QUESTIONS })
        if (answers.length < FEWEST_ANSWERS || answers.length > MOST_ANSWERS)
          return refuse({ code: 'answers-number', fewest: FEWEST_ANSWERS, most: MOST_ANSWERS })
        const named = answers.map((answer, index) => answer.trim() || letterOf(index))
        const problem =
          (text.trim() === '' ? undefined : textProblem(text, LONGEST_QUESTION)) ??
          named.map(answer => textProblem(answer, LONGEST_ANSWER)).find(found => found !== undefined)
        if (problem) return refuse(problem)
        const twice = named.find((answer, index) => named.findIndex(other => isSame(answer, other)) < index)
        if (twice !== undefined) return refuse({ code: 'answers-alike', answer: twice })
        const before = openQuestion(state)
        return happens(...(before ? [{ type: 'question-closed' as const, questionId: before.id }] : []), {
          type: 'question-asked' as const,
          questionId,
          text: text.trim(),
          answers: named,
        })
      },
      'close-question': (state, { questionId }) =>
        openQuestion(state)?.id === questionId ? happens({ type: 'question-closed', questionId }) : nothing,
      'answer-question'(state, { questionId, answer }, { participantId }) {
        const me = presentOf(state, participantId)
        if (!me) return refuse({ code: 'no-such-participant' })
        if (!me.admitted) return refuse({ code: 'waiting', shownName: me.shownName })
        const question = openQuestion(state)
        if (question?.id !== questionId || answer >= question.answers.length)
          return refuse({ code: 'question-closed' })
        if (answersTo(state, question).get(participantId) === answer) return nothing
        return happens({ type: 'question-answered', questionId, participantId, answer })
      },
    },
    evolve: {
      'question-asked': (state, { questionId: id, text, answers }) => ({
        questions: [...state.questions, { id, text, answers, isOpen: true }],
      }),
      'question-answered': (state, { questionId, participantId, answer }) => {
        const given = new Map(state.answersGiven.get(questionId)).set(participantId, answer)
        return { answersGiven: new Map(state.answersGiven).set(questionId, given) }
      },
      'question-closed': (state, { questionId }) => ({
        questions: state.questions.map(question =>
          question.id === questionId ? closed(question) : question,
        ),
      }),
      ended: state => ({ questions: state.questions.map(closed) }),
    },
    views: {
      facilitator: state => ({
        questions: state.questions.map(question => counted(question, answersTo(state, question))),
      }),
      // The question is the same for all, and written once for everybody; one's own answer is told to nobody else.
      participant: (state, me) => {
        const question = me.admitted && !me.released ? openQuestion(state) : undefined
        return {
          question: question ?? null,
          myAnswer: question ? (answersTo(state, question).get(me.id) ?? null) : null,
        }
      },
      projector: state => {
        const question = openQuestion(state)
        return {
          question: question ? { ...question, answered: answersTo(state, question).size } : null,
        }
      },
    },
    words: {
      'question-closed': () => 'This question is closed.',
      'answers-number': ({ fewest, most }) => `Give ${fewest} to ${most} answers.`,
      'answers-alike': ({ answer }) => `Two answers would be called ${answer}.`,
      'too-many-questions': ({ most }) => `A session has at most ${most} questions.`,
    },
  },
)

/** What a question has come to, for all to see. */
export const resultsOf = (state: QuestionsState, question: QuickQuestion) =>
  counted(question, answersTo(state, question))

/** A for the first answer. */
const letterOf = (index: number): string => String.fromCharCode(65 + index)
const isSame = (one: string, other: string): boolean => one.toLowerCase() === other.toLowerCase()

const openQuestion = ({ questions: all }: QuestionsState): QuickQuestion | undefined => {
  const last = all.at(-1)
  return last?.isOpen ? last : undefined
}

const answersTo = ({ answersGiven }: QuestionsState, { id }: QuickQuestion): GivenAnswers =>
  answersGiven.get(id) ?? NONE
const NONE: GivenAnswers = new Map()

const closed = (question: QuickQuestion): QuickQuestion =>
  question.isOpen ? { ...question, isOpen: false } : question

/** How often each answer was given, in their order. */
const counted = rememberBoth((question: QuickQuestion, given: GivenAnswers) => {
  const counts = question.answers.map(() => 0)
  for (const answer of given.values()) counts[answer] = (counts[answer] ?? 0) + 1
  return { ...question, counts }
})
