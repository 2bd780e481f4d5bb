/** What a quick question asks and what may be answered; by itself, since pages need no more of the topic. */

export const FEWEST_ANSWERS = 2
export const MOST_ANSWERS = 6
/** In characters. */
export const LONGEST_QUESTION = 200
export const LONGEST_ANSWER = 60
/** Steps of a scale. */
export const FEWEST_STEPS = 3
export const MOST_STEPS = 10
/** Words one may give. */
export const MOST_WORDS = 3
/** In characters: a word, a short text, the name of an end of a scale, a unit. */
export const LONGEST_WORD = 30
export const LONGEST_TEXT = 200
export const LONGEST_END = 30
export const LONGEST_UNIT = 12
/** Larger numbers are no answer to anything that is asked in a class. */
export const LARGEST_NUMBER = 1e12
/** Time to answer, in seconds. */
export const SHORTEST_LIMIT = 10
export const LONGEST_LIMIT = 3_600
/** Of answers that are kept apart from who gave them, fewer are shown to nobody, and none are written down. */
export const FEWEST_APART = 3

/** What is to be answered. */
export type Asks =
  | { is: 'choice'; answers: readonly string[] }
  /** Whole steps from 1, of which the ends have names, or empty ones. */
  | { is: 'scale'; steps: number; least: string; most: string }
  | { is: 'number'; unit: string }
  | { is: 'words' }
  | { is: 'text' }

/** The place of a choice from 0, a step of a scale from 1, a number, a short text, or words. */
export type GivenAnswer = number | string | readonly string[]

export interface QuickQuestion {
  id: string
  /** Empty where it is said aloud. */
  text: string
  asks: Asks
  /** Whether each gives an answer, or each room one. */
  by: 'each' | 'room'
  /** What was answered is kept apart from who has answered. */
  anonymous: boolean
  /** When it closes by itself, in milliseconds since 1970; null when by hand. */
  endsAt: number | null
  /** The question that is asked once more by it. */
  again: string | null
  isOpen: boolean
}

/** An answer as it is kept; null for what is no answer to this. */
export function readAnswer(asks: Asks, answer: GivenAnswer): GivenAnswer | null {
  switch (asks.is) {
    case 'choice':
      return isWhole(answer, 0, asks.answers.length - 1) ? answer : null
    case 'scale':
      return isWhole(answer, 1, asks.steps) ? answer : null
    case 'number':
      return typeof answer === 'number' && Math.abs(answer) <= LARGEST_NUMBER ? answer : null
    case 'words': {
      if (!Array.isArray(answer)) return null
      const words = (answer as readonly string[]).map(tidy).filter(word => word !== '')
      const fit = words.length > 0 && words.length <= MOST_WORDS
      return fit && words.every(word => word.length <= LONGEST_WORD) ? words : null
    }
    case 'text': {
      const text = typeof answer === 'string' ? answer.trim() : ''
      return text !== '' && text.length <= LONGEST_TEXT ? text : null
    }
  }
}

const isWhole = (answer: GivenAnswer, least: number, most: number): boolean =>
  typeof answer === 'number' && Number.isInteger(answer) && answer >= least && answer <= most
const tidy = (word: string): string => word.trim().replace(/\s+/g, ' ')

/** An answer in words. */
export function answerText(asks: Asks, answer: GivenAnswer): string {
  if (asks.is === 'choice') return asks.answers[answer as number] ?? ''
  if (asks.is === 'number') return asks.unit === '' ? String(answer) : `${answer} ${asks.unit}`
  return Array.isArray(answer) ? answer.join(', ') : String(answer)
}

/** What can be given of a choice or scale, in order; null where answers are not counted. */
export function placesOf(asks: Asks): readonly { answer: number; name: string }[] | null {
  if (asks.is === 'choice') return asks.answers.map((name, answer) => ({ answer, name }))
  if (asks.is !== 'scale') return null
  return Array.from({ length: asks.steps }, (_, index) => {
    const step = index + 1
    const end = step === 1 ? asks.least : step === asks.steps ? asks.most : ''
    return { answer: step, name: end === '' ? String(step) : `${step} ${end}` }
  })
}
