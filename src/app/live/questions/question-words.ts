import type { Asks } from '~/core/live/questions/question'
import type { Change, Spread } from '~/core/live/questions/results'
import type { LiveView } from '../live-view'

type Listed = LiveView['questions'][number]

/** What a question is called where it has no text: it was said aloud. */
export const calledOf = ({ text }: Pick<Listed, 'text'>): string =>
  text || 'The question that was asked aloud'

/** Answers to all questions of a session: changes when somebody answers for the first time. */
export const answersIn = (questions: readonly Listed[]): number =>
  questions.reduce((sum, { answered }) => sum + answered, 0)

/** Answers as a facilitator types them, one on each line; lines without words are none. */
export const answerLines = (typed: string): string[] =>
  typed
    .split('\n')
    .map(line => line.trim())
    .filter(line => line !== '')

/** Where numbers lie, in a line. */
export function spreadText(asks: Asks, { least, most, median, mean }: Spread): string {
  const unit = asks.is === 'number' && asks.unit !== '' ? ` ${asks.unit}` : ''
  const said = (number: number) => `${Math.round(number * 100) / 100}${unit}`
  return `Half of them up to ${said(median)}; from ${said(least)} to ${said(most)}, on average ${said(mean)}.`
}

/** How answers changed when it was asked again. */
export function changeText({ both, changed, moves }: Change): string {
  if (both === 0) return 'Nobody has answered both times.'
  const of = `${changed} of ${both} who answered both times changed ${changed === 1 ? 'it' : 'theirs'}`
  const named = moves.slice(0, 4).map(({ from, to, count }) => `${count} from ${from} to ${to}`)
  return named.length > 0 ? `${of}: ${named.join(', ')}.` : `${of}.`
}
