import type { DoorState } from '../door/door-facts'
import type { Participant } from '../door/people'
import { remember, rememberBoth } from '../remember'
import { type RoomsState, roomOf } from '../rooms/room'
import { answerText, type GivenAnswer, type QuickQuestion } from './question'
import { type Change, changeBetween, type Results, resultsFrom } from './results'
import {
  type Apart,
  answeredOf,
  answersTo,
  apartOf,
  type GivenAnswers,
  giverOf,
  type QuestionsState,
} from './state'

type Read = QuestionsState & DoorState & RoomsState

/** Most answers that are told with names; beyond, groups are made of them all the same. */
const MOST_NAMED = 500

/** What somebody's page shows of their own answer, or of their room's; `apart` where all that is known is that it is in. */
export type OwnAnswer = { answer: GivenAnswer } | 'apart' | null

export function ownAnswer(state: Read, question: QuickQuestion, me: Participant): OwnAnswer {
  if (question.anonymous) return apartOf(state, question).answeredIds.has(me.id) ? 'apart' : null
  const answer = answersTo(state, question).get(giverOf(state, question, me) ?? '')
  return answer === undefined ? null : { answer }
}

/** A question as facilitators have it in their list. */
export interface ListedQuestion {
  id: string
  text: string
  answered: number
}
export const listOf = (state: QuestionsState): ListedQuestion[] =>
  state.questions.map(question => ({
    id: question.id,
    text: question.text,
    answered: answeredOf(state, question),
  }))

/** What a question has come to, for all to see. */
export const resultsOf = (state: QuestionsState, question: QuickQuestion): Results =>
  question.anonymous
    ? resultsApart(question, apartOf(state, question))
    : resultsNamed(question, answersTo(state, question))

const resultsNamed = rememberBoth((question: QuickQuestion, given: GivenAnswers) =>
  resultsFrom(question, [...given.values()]),
)
const resultsApart = rememberBoth((question: QuickQuestion, apart: Apart) =>
  resultsFrom(question, apart.answers, apart.answeredIds.size),
)

/** The question asked last, with what facilitators alone see of it. */
export interface QuestionNow {
  results: Results
  /** Who answered what, by name; empty where answers are kept apart. */
  named: readonly { name: string; answer: string }[]
  /** What the question that it asks again came to. */
  before: Results | null
  /** How answers changed since, where they are given with names. */
  change: Change | null
}

export const questionNowOf = remember((state: Read): QuestionNow | null => {
  const question = state.questions.at(-1)
  return question ? questionAsNow(state, question) : null
})

/** What facilitators see of a question. */
export function questionAsNow(state: Read, question: QuickQuestion): QuestionNow {
  const before = state.questions.find(({ id }) => id === question.again)
  const { asks } = question
  const named = [...answersTo(state, question)].slice(-MOST_NAMED).map(([giverId, answer]) => ({
    name: giverName(state, question, giverId),
    answer: answerText(asks, answer),
  }))
  return {
    results: resultsOf(state, question),
    named,
    before: before ? resultsOf(state, before) : null,
    change:
      before && !question.anonymous
        ? changeBetween(asks, answersTo(state, before), answersTo(state, question))
        : null,
  }
}

/** Who gave an answer: a person, or a room where each room gives one. */
export const giverName = (state: Read, { by }: QuickQuestion, giverId: string): string =>
  by === 'room' ? (roomOf(state, giverId)?.name ?? '') : (state.participants.get(giverId)?.shownName ?? '')
