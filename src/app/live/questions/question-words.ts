import type { LiveView } from '../live-view'

type Counted = LiveView['questions'][number]

/** What a question is called where it has no text: it was said aloud. */
export const calledOf = ({ text }: Pick<Counted, 'text'>): string =>
  text || 'The question that was asked aloud'

export const answersTo = ({ counts }: Pick<Counted, 'counts'>): number =>
  counts.reduce((sum, count) => sum + count, 0)

/** Answers to all questions of a session: changes when somebody answers for the first time. */
export const answersIn = (questions: readonly Counted[]): number =>
  questions.reduce((sum, question) => sum + answersTo(question), 0)

/** Answers as a facilitator types them, one on each line; lines without words are none. */
export const answerLines = (typed: string): string[] =>
  typed
    .split('\n')
    .map(line => line.trim())
    .filter(line => line !== '')
