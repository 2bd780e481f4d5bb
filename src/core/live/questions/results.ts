/** What quick questions come to. */
import { cloudOf } from '../../boards/prompts/words/cloud'
import {
  type Asks,
  answerText,
  FEWEST_APART,
  type GivenAnswer,
  placesOf,
  type QuickQuestion,
} from './question'

/** So many short texts are shown, the latest first: more are read in the review. */
export const MOST_TEXTS_SHOWN = 60

/** So many words are shown, those given most often. */
export const MOST_WORDS_SHOWN = 100

export interface Results extends QuickQuestion {
  /** How many have answered. */
  answered: number
  /** Too few to be shown, where answers are kept apart from who gave them. */
  tooFew: boolean
  /** Of a choice or a scale, how often each was answered. */
  counts: readonly number[]
  /** Of numbers, and of a scale. */
  spread: Spread | null
  words: readonly { word: string; count: number }[]
  texts: readonly string[]
}

/** Where numbers lie: half of them at or under the median, half at or over it. */
export interface Spread {
  count: number
  least: number
  most: number
  median: number
  mean: number
}

/** What answers come to; `answered` counts those too whose answer is kept apart and not there yet. O(n log n). */
export function resultsFrom(
  question: QuickQuestion,
  given: readonly GivenAnswer[],
  answered = given.length,
): Results {
  const { asks } = question
  const tooFew = question.anonymous && given.length < FEWEST_APART
  const shown = tooFew ? [] : given
  const places = placesOf(asks)
  return {
    ...question,
    answered,
    tooFew,
    counts: places ? countsOf(places, shown) : [],
    spread: asks.is === 'number' || asks.is === 'scale' ? spreadOf(shown as readonly number[]) : null,
    words:
      asks.is === 'words'
        ? cloudOf(shown.flatMap(answer => answer as readonly string[])).slice(0, MOST_WORDS_SHOWN)
        : [],
    texts: asks.is === 'text' ? (shown as readonly string[]).slice(-MOST_TEXTS_SHOWN).reverse() : [],
  }
}

function countsOf(places: readonly { answer: number }[], given: readonly GivenAnswer[]): number[] {
  const counts = new Map<GivenAnswer, number>()
  for (const answer of given) counts.set(answer, (counts.get(answer) ?? 0) + 1)
  return places.map(({ answer }) => counts.get(answer) ?? 0)
}

/** Null of nothing. */
export function spreadOf(numbers: readonly number[]): Spread | null {
  if (numbers.length === 0) return null
  const sorted = [...numbers].sort((one, other) => one - other)
  const half = (sorted.length - 1) / 2
  const [low = 0, high = 0] = [sorted[Math.floor(half)], sorted[Math.ceil(half)]]
  return {
    count: sorted.length,
    least: sorted[0] as number,
    most: sorted.at(-1) as number,
    median: (low + high) / 2,
    mean: sorted.reduce((sum, number) => sum + number, 0) / sorted.length,
  }
}

/** How answers changed from one asking to the next, of those who answered both. */
export interface Change {
  both: number
  changed: number
  /** For a choice or scale: how many went from one place to another, most first. */
  moves: readonly { from: string; to: string; count: number }[]
}

/** Givers by id; only for questions answered with names. O(n). */
export function changeBetween(
  asks: Asks,
  before: ReadonlyMap<string, GivenAnswer>,
  after: ReadonlyMap<string, GivenAnswer>,
): Change {
  const moves = new Map<string, { from: string; to: string; count: number }>()
  let [both, changed] = [0, 0]
  for (const [giver, answer] of after) {
    const earlier = before.get(giver)
    if (earlier === undefined) continue
    both++
    const [from, to] = [answerText(asks, earlier), answerText(asks, answer)]
    if (from === to) continue
    changed++
    const key = JSON.stringify([from, to])
    const known = moves.get(key)
    if (known) known.count++
    else moves.set(key, { from, to, count: 1 })
  }
  const sorted = placesOf(asks) ? [...moves.values()].sort((one, other) => other.count - one.count) : []
  return { both, changed, moves: sorted }
}
