import type { Participant } from '../door/people'
import { type RoomsState, roomOf } from '../rooms/room'
import type { GivenAnswer, QuickQuestion } from './question'

/** What each has answered, by participant id, or by room id where each room gives one answer. */
export type GivenAnswers = ReadonlyMap<string, GivenAnswer>

/** Answers that are kept apart from who has given them. */
export interface Apart {
  /** Who has answered. */
  answeredIds: ReadonlySet<string>
  /** Whose answer is among those written down, by batches: each of three or more. */
  drawnIds: ReadonlySet<string>
  answers: readonly GivenAnswer[]
}

export interface QuestionsState {
  /** In the order asked; at most the last is open. */
  questions: readonly QuickQuestion[]
  /** By question id; who has not answered is not in it. */
  answersGiven: ReadonlyMap<string, GivenAnswers>
  /** By question id. */
  answersApart: ReadonlyMap<string, Apart>
}

/** Whose answer it is that somebody gives: their own, or that of the room they belong to. */
export function giverOf(state: RoomsState, { by }: QuickQuestion, me: Pick<Participant, 'id' | 'roomId'>) {
  if (by === 'each') return me.id
  return roomOf(state, me.roomId)?.closed === false ? me.roomId : null
}

export const openQuestion = ({
  questions: all,
}: Pick<QuestionsState, 'questions'>): QuickQuestion | undefined => {
  const last = all.at(-1)
  return last?.isOpen ? last : undefined
}

export const answersTo = ({ answersGiven }: QuestionsState, { id }: QuickQuestion): GivenAnswers =>
  answersGiven.get(id) ?? NONE
const NONE: GivenAnswers = new Map()

export const apartOf = ({ answersApart }: QuestionsState, { id }: { id: string }): Apart =>
  answersApart.get(id) ?? NONE_APART
const NONE_APART: Apart = { answeredIds: new Set(), drawnIds: new Set(), answers: [] }

export function withApart(
  state: QuestionsState,
  id: string,
  change: (apart: Apart) => Partial<Apart>,
): Partial<QuestionsState> {
  const before = apartOf(state, { id })
  return { answersApart: new Map(state.answersApart).set(id, { ...before, ...change(before) }) }
}

/** Who has answered, and whose answer is not written down. */
export function notDrawn(state: QuestionsState, question: { id: string }): string[] {
  const { answeredIds, drawnIds } = apartOf(state, question)
  return [...answeredIds].filter(id => !drawnIds.has(id))
}

export const answeredOf = (state: QuestionsState, question: QuickQuestion): number =>
  question.anonymous ? apartOf(state, question).answeredIds.size : answersTo(state, question).size
