import { z } from 'zod'
import { FEWEST_ANSWERS, LONGEST_ANSWER, LONGEST_QUESTION, MOST_ANSWERS } from '../live/questions/question'
import { otherAsks } from '../live/questions/schemas'

/** Most questions that can be ready in one segment. */
export const MOST_READY = 10

/** A quick question that is planned, to be asked by one press. */
export const readyQuestionSchema = z.object({
  text: z.string().min(1).max(LONGEST_QUESTION),
  asks: z.union([
    z.object({
      is: z.literal('choice'),
      answers: z.array(z.string().min(1).max(LONGEST_ANSWER)).min(FEWEST_ANSWERS).max(MOST_ANSWERS),
    }),
    otherAsks,
  ]),
})
export type ReadyQuestion = z.infer<typeof readyQuestionSchema>
