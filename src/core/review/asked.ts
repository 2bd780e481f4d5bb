/** What was asked in a session and what came of it, and what facilitators remarked on the work, for looking back at it. */
import type { Comment } from '../live/comments/comment'
import { type QuestionNow, questionAsNow } from '../live/questions/shown'
import { boardOf, roomOf } from '../live/rooms/room'
import type { LiveState } from '../live/topics'

/** Quick questions in order, each with who answered what as far as that is known. O(questions x answers). */
export const whatWasAsked = (state: LiveState): QuestionNow[] =>
  state.questions.map(question => questionAsNow(state, question))

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
