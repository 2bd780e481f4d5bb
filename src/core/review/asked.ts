/** What was asked in a session, remarked on its work and reported of it, for looking back at it. */
import type { Comment } from '../live/comments/comment'
import { answerText, FEWEST_APART } from '../live/questions/question'
import { giverName, type QuestionNow, questionAsNow } from '../live/questions/shown'
import { answersTo, apartOf } from '../live/questions/state'
import { allReports } from '../live/report/state'
import { boardOf, roomOf } from '../live/rooms/room'
import type { LiveState } from '../live/topics'

/** Quick questions in order, each with who answered what as far as that is known. O(questions x answers). */
export const whatWasAsked = (state: LiveState): QuestionNow[] =>
  state.questions.map(question => questionAsNow(state, question))

/**
 * Every answer to every question as a table; the header first. What was answered apart from who gave it stands without a name and in
 * the order of the alphabet, so that no order tells anything, and not at all where they are too few to be shown.
 */
export function questionRows(state: LiveState): (string | number)[][] {
  const rows = state.questions.flatMap((question, index) => {
    const { asks, text, by } = question
    const head = [
      index + 1,
      text,
      question.again ? state.questions.findIndex(({ id }) => id === question.again) + 1 : '',
    ]
    if (!question.anonymous)
      return [...answersTo(state, question)].map(([giver, answer]) => [
        ...head,
        by === 'room' ? 'room' : 'person',
        giverName(state, question, giver),
        answerText(asks, answer),
      ])
    const { answers } = apartOf(state, question)
    if (answers.length < FEWEST_APART) return []
    return answers
      .map(answer => answerText(asks, answer))
      .toSorted((one, other) => one.localeCompare(other))
      .map(answer => [...head, 'without names', '', answer])
  })
  return [['number', 'question', 'asks_again', 'answered_by', 'name', 'answer'], ...rows]
}

export interface CommentedThen extends Pick<Comment, 'id' | 'at' | 'from' | 'text' | 'quote' | 'settledBy'> {
  room: string
  /** What the prompt asks that it is on; empty when it is there no more. */
  asks: string
  answers: { id: string; by: string; text: string }[]
}

/** Comments in order, also those on what was taken away since. */
export const whatWasCommented = (state: LiveState): CommentedThen[] =>
  state.comments.map(({ id, at, from, text, quote, settledBy, roomId, promptId, answers }) => {
    const room = roomOf(state, roomId)
    const prompt = room && boardOf(state, room).prompts.find(each => each.id === promptId)
    return {
      id,
      at,
      from,
      text,
      quote,
      settledBy,
      room: room?.name ?? '',
      asks: prompt?.text ?? '',
      answers: answers.map(answer => ({ id: answer.id, by: answer.by, text: answer.text })),
    }
  })

/** A report back: the rooms in the order in which they were to be heard. */
export interface ReportedThen {
  rooms: { id: string; name: string; reporter: string; heardAt: number | null; points: string }[]
}

/** Every report back in order; one of which no room was heard and nothing was taken down is left out. */
export const whatWasReported = (state: LiveState): ReportedThen[] =>
  allReports(state)
    .filter(({ rooms }) => rooms.some(({ heardAt, points }) => heardAt !== null || points !== ''))
    .map(({ rooms }) => ({
      rooms: rooms.map(({ roomId, reporterId, heardAt, points }) => ({
        id: roomId,
        name: roomOf(state, roomId)?.name ?? '',
        reporter: state.participants.get(reporterId ?? '')?.shownName ?? '',
        heardAt,
        points,
      })),
    }))
