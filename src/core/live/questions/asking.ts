/** Whether a question can be asked so, and whether somebody may answer one so. */
import { presentOf } from '../door/door'
import type { DoorState } from '../door/door-facts'
import type { RoomsState } from '../rooms/room'
import { type TextProblem, textProblem } from '../texts'
import { refuse } from '../topic'
import { type Asks, type GivenAnswer, LONGEST_QUESTION, type QuickQuestion, readAnswer } from './question'
import { giverOf, openQuestion, type QuestionsState } from './state'
import type { AnswersProblem } from './wording'

/** Most questions of one session. */
export const MOST_QUESTIONS = 50

export type QuestionsProblem =
  | { code: 'question-closed' }
  | { code: 'no-such-question' }
  | { code: 'not-an-answer'; asks: Asks }
  | { code: 'answered-already' }
  | { code: 'no-room-to-answer-for' }
  | { code: 'rooms-not-apart' }
  | AnswersProblem
  | { code: 'too-many-questions'; most: number }
  | { code: 'another-asked'; text: string }

type Read = QuestionsState & DoorState & RoomsState

/** A for the first answer. */
export const letterOf = (index: number): string => String.fromCharCode(65 + index)
/** The same id is asked once, however often it is sent. */
export const isAsked = ({ questions: all }: QuestionsState, questionId: string) =>
  all.some(({ id }) => id === questionId)

/** Why a question can not be asked; undefined where it can, or stands asked already. */
export function askingProblem(
  state: QuestionsState,
  questionId: string,
  text: string,
  by: QuickQuestion['by'],
  anonymous: boolean,
): QuestionsProblem | TextProblem | undefined {
  if (isAsked(state, questionId)) return undefined
  if (state.questions.length >= MOST_QUESTIONS) return { code: 'too-many-questions', most: MOST_QUESTIONS }
  if (anonymous && by === 'room') return { code: 'rooms-not-apart' }
  return text.trim() === '' ? undefined : textProblem(text, LONGEST_QUESTION)
}

type OtherAsks = Exclude<Asks, { is: 'choice' }>

/** Without spaces around what its ends and units are called. */
export function tidied(asks: OtherAsks): OtherAsks {
  if (asks.is === 'scale') return { ...asks, least: asks.least.trim(), most: asks.most.trim() }
  return asks.is === 'number' ? { ...asks, unit: asks.unit.trim() } : asks
}

/** What is open, where it is not what stood open before whoever asks. */
export const unseenBy = (state: QuestionsState, over: string | null): QuickQuestion | undefined => {
  const open = openQuestion(state)
  return open && open.id !== over ? open : undefined
}

/** Whether somebody may answer so now, and for whom it counts. */
export function answering(state: Read, questionId: string, participantId: string, answer: GivenAnswer) {
  const me = presentOf(state, participantId)
  if (!me) return refuse({ code: 'no-such-participant' as const })
  if (!me.admitted) return refuse({ code: 'waiting' as const, shownName: me.shownName })
  const question = openQuestion(state)
  if (question?.id !== questionId) return refuse({ code: 'question-closed' as const })
  const read = readAnswer(question.asks, answer)
  if (read === null) return refuse({ code: 'not-an-answer' as const, asks: question.asks })
  const giverId = giverOf(state, question, me)
  if (giverId === null) return refuse({ code: 'no-room-to-answer-for' as const })
  return { ok: true as const, question, read, giverId }
}
