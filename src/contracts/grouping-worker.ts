import { z } from 'zod'
import { ROUNDS_METHODS } from '~/core/grouping/rounds/portfolio'
import { COLUMN_KINDS } from '~/core/people/columns'
import { aimForm, MOST_ROUNDS } from './forms/groupings'
import { keptRule } from './forms/rules'

/** A fair draw: every grouping of these sizes equally likely, but never the one before. */
const drawTask = z.object({
  kind: z.literal('draw'),
  personIds: z.array(z.string()),
  sizes: z.array(z.number().int().min(1)),
  seed: z.number().int(),
  previous: z.array(z.array(z.string())).optional(),
})

const pairPast = z.object({
  times: z.number(),
  minutes: z.number(),
  lastAt: z.number(),
  lastDay: z.string(),
  lastTitle: z.string(),
  weight: z.number().int(),
})

export const questionSchema = z.object({
  people: z.array(
    z.object({ id: z.string(), trainedToLead: z.boolean(), columns: z.record(z.string(), z.string()) }),
  ),
  groups: z.array(z.object({ name: z.string(), size: z.number().int().min(0) })),
  rules: z.array(keptRule),
  aims: z.array(aimForm),
  columns: z.array(z.object({ name: z.string(), kind: z.enum(COLUMN_KINDS) })),
  history: z.map(z.string(), pairPast),
  now: z.map(z.string(), z.number().int()),
  held: z.set(z.string()),
})

/** Better and better groupings by rules and aims; why rules contradict each other, when they do. */
const arrangeTask = z.object({
  kind: z.literal('arrange'),
  /** Only the first that is found: what the same task would show first when it is asked in earnest. */
  firstOnly: z.boolean().optional(),
  question: questionSchema,
  seed: z.number().int(),
  steps: z.number().int().min(1),
  before: z.array(z.array(z.string())).optional(),
})

/** Several rounds at once. */
const roundsTask = z.object({
  kind: z.literal('rounds'),
  question: questionSchema,
  rounds: z.number().int().min(2).max(MOST_ROUNDS),
  /** For each round the place of the group somebody stays in, by person id. */
  seats: z.array(z.map(z.string(), z.number().int().min(0))),
  seed: z.number().int(),
  steps: z.number().int().min(1),
})

/** Groups made whole again with as few people moved as can be. */
const repairTask = z.object({
  kind: z.literal('repair'),
  question: questionSchema,
  seed: z.number().int(),
  steps: z.number().int().min(1),
})

/** What groups as they stand cost, and what random ones would. */
const judgeTask = z.object({
  kind: z.literal('judge'),
  question: questionSchema,
  groups: z.array(z.array(z.string())),
})

const id = z.object({ id: z.number().int() })
/** What the page asks the grouping worker. */
export const workerRequest = id.and(
  z.discriminatedUnion('kind', [drawTask, arrangeTask, roundsTask, repairTask, judgeTask]),
)

const pair = z.tuple([z.string(), z.string()])
export const workerReply = id.and(
  z.discriminatedUnion('kind', [
    z.object({
      kind: z.literal('drawn'),
      groups: z.array(z.array(z.string())),
      /** Null when there was nothing to differ from, false when no other grouping exists. */
      differs: z.boolean().nullable(),
    }),
    z.object({
      kind: z.literal('step'),
      groups: z.array(z.array(z.string())),
      broken: z.number(),
      cost: z.number(),
      bound: z.number(),
      proved: z.boolean(),
      steps: z.number(),
      sameAsBefore: z.boolean(),
      done: z.boolean(),
    }),
    z.object({
      kind: z.literal('rounds-step'),
      rounds: z.array(z.array(z.array(z.string()))),
      repeats: z.number(),
      leastRepeats: z.number(),
      broken: z.number(),
      cost: z.number(),
      proved: z.boolean(),
      method: z.enum(ROUNDS_METHODS),
      steps: z.number(),
      done: z.boolean(),
    }),
    z.object({
      kind: z.literal('repair-step'),
      groups: z.array(z.array(z.string())),
      moves: z.array(z.object({ personId: z.string(), from: z.number(), to: z.number() })),
      broken: z.number(),
      proved: z.boolean(),
      steps: z.number(),
      done: z.boolean(),
    }),
    z.object({
      kind: z.literal('contradiction'),
      contradiction: z
        .object({
          apart: z.array(pair),
          together: z.array(pair),
          placed: z.array(z.object({ personId: z.string(), groupName: z.string() })),
          leads: z.number().nullable(),
          sizes: z.array(z.number()),
          smallest: z.boolean(),
        })
        .nullable(),
    }),
    z.object({
      kind: z.literal('judged'),
      cost: z.number(),
      aims: z.array(z.object({ aim: aimForm, cost: z.number() })),
      bound: z.number(),
      /** What 1,000 random groupings of these sizes cost, sorted. */
      random: z.array(z.number()),
    }),
  ]),
)

type Task = z.input<
  typeof drawTask | typeof arrangeTask | typeof roundsTask | typeof repairTask | typeof judgeTask
>
export type WorkerTask = Task
export type WorkerRequest = Task & { id: number }
export type WorkerReply = z.infer<typeof workerReply>
/** A reply without its number. */
export type WorkerAnswer = WorkerReply extends infer Reply
  ? Reply extends unknown
    ? Omit<Reply, 'id'>
    : never
  : never
