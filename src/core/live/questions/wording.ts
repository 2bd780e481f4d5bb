/** What is said of answers that can not be taken, and of questions that can not be asked so. */
import { type TextProblem, textProblem } from '../texts'
import {
  type Asks,
  FEWEST_ANSWERS,
  LONGEST_ANSWER,
  LONGEST_TEXT,
  LONGEST_WORD,
  MOST_ANSWERS,
  MOST_WORDS,
} from './question'

export type AnswersProblem =
  | { code: 'answers-number'; fewest: number; most: number }
  | { code: 'answers-alike'; answer: string }

/** What an answer to each kind has to be. */
export const WANTED: { [Is in Asks['is']]: (asks: Extract<Asks, { is: Is }>) => string } = {
  choice: () => 'Choose one of the answers.',
  scale: ({ steps }) => `Choose a step from 1 to ${steps}.`,
  number: () => 'Write a number.',
  words: () => `Write one to ${MOST_WORDS} words of at most ${LONGEST_WORD} letters.`,
  text: () => `Write something, in at most ${LONGEST_TEXT} letters.`,
}

const isSame = (one: string, other: string): boolean => one.toLowerCase() === other.toLowerCase()

/** Why these answers can not be chosen from; undefined when they can. */
export function answersProblem(named: readonly string[]): AnswersProblem | TextProblem | undefined {
  if (named.length < FEWEST_ANSWERS || named.length > MOST_ANSWERS)
    return { code: 'answers-number', fewest: FEWEST_ANSWERS, most: MOST_ANSWERS }
  const problem = named.map(answer => textProblem(answer, LONGEST_ANSWER)).find(found => found !== undefined)
  if (problem) return problem
  const twice = named.find((answer, index) => named.findIndex(other => isSame(answer, other)) < index)
  return twice === undefined ? undefined : { code: 'answers-alike', answer: twice }
}
