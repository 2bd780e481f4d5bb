/** What can be asked and answered, as it is written down. */
import { z } from 'zod'
import { idSchema } from '../ids'
import {
  FEWEST_STEPS,
  LARGEST_NUMBER,
  LONGEST_ANSWER,
  LONGEST_END,
  LONGEST_QUESTION,
  LONGEST_TEXT,
  LONGEST_UNIT,
  LONGEST_WORD,
  MOST_ANSWERS,
  MOST_STEPS,
  MOST_WORDS,
} from './question'

export const answerSchema = z.union([
  z.number().min(-LARGEST_NUMBER).max(LARGEST_NUMBER),
  z.string().max(LONGEST_TEXT),
  z.array(z.string().max(LONGEST_WORD)).max(MOST_WORDS),
])
/** All but a choice, whose answers stand beside it. */
export const otherAsks = z.discriminatedUnion('is', [
  z.object({
    is: z.literal('scale'),
    steps: z.number().int().min(FEWEST_STEPS).max(MOST_STEPS),
    least: z.string().max(LONGEST_END),
    most: z.string().max(LONGEST_END),
  }),
  z.object({ is: z.literal('number'), unit: z.string().max(LONGEST_UNIT) }),
  z.object({ is: z.enum(['words', 'text']) }),
])
/** How it is asked; what is left out is as it always was: of each, with names, until it is closed. */
export const terms = {
  asks: otherAsks.optional(),
  by: z.enum(['each', 'room']).optional(),
  anonymous: z.boolean().optional(),
}
export const events = {
  'question-asked': {
    questionId: idSchema,
    text: z.string().max(LONGEST_QUESTION),
    answers: z.array(z.string().max(LONGEST_ANSWER)).max(MOST_ANSWERS),
    ...terms,
    endsAt: z.number().optional(),
    again: idSchema.optional(),
  },
  /** `roomId` where it is the answer of a room. */
  'question-answered': {
    questionId: idSchema,
    participantId: idSchema,
    answer: answerSchema,
    roomId: idSchema.optional(),
  },
  /** Somebody has answered; what, is kept apart. */
  'answer-noted': { questionId: idSchema, participantId: idSchema },
  /** Answers of three or more together, in an order that says nothing of who gave which. */
  'answers-drawn': {
    questionId: idSchema,
    participantIds: z.array(idSchema),
    answers: z.array(answerSchema),
  },
  /** The server ended before these were written down: they can be given anew. */
  'answers-lost': { questionId: idSchema, participantIds: z.array(idSchema) },
  'question-closed': { questionId: idSchema },
}
