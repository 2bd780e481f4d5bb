import { z } from 'zod'
import { median } from '../../../statistics/spread'
import { eachName, eachOf, followEach, readEach } from '../each/document'
import { type Asked, kindOf } from '../kind'
import { points } from '../markdown'
import { lines } from '../paper'
import { placesOfEach } from '../taking'

const LONGEST_REASON = 2_000
const end = (otherwise: string) => z.string().trim().max(40, 'Use at most 40 characters.').default(otherwise)

const settings = z.object({
  /** What its two ends mean. */
  low: end('Not at all'),
  high: end('Fully'),
  /** How many steps it has, both ends counted. */
  steps: z.number().int().min(2, 'At least 2 steps.').max(11, 'At most 11 steps.').default(5),
  reasons: z.boolean().default(false),
})

export type ScaleSettings = z.infer<typeof settings>

export const placedShape = z.object({
  /** From 1, the low end. */
  value: z.number().int().min(1).max(11).nullable(),
  reason: z.string().max(LONGEST_REASON),
})
export type Placed = z.infer<typeof placedShape>

export interface ScaleAnswer {
  promptId: string
  kind: 'scale'
  settings: Pick<ScaleSettings, 'low' | 'high' | 'steps'>
  placed: (Placed & { personId: string })[]
}

/** One person's answer in a line: `4 of 5: because`, or `–: because` while no place is taken. */
export function placedText(steps: number, { value, reason }: Placed): string {
  if (value === null) return reason.trim() && `–: ${reason.trim()}`
  return [`${value} of ${steps}`, reason.trim()].filter(Boolean).join(': ')
}

function readText(text: string): Placed {
  const [, value, reason] = /^(?:(\d{1,2}) of \d{1,2}|–)(?:: ([\s\S]*))?$/.exec(text) ?? []
  return { value: value === undefined ? null : Number(value), reason: reason ?? '' }
}

/** How many stand at each step, from the low end. */
export const spreadOf = ({
  settings: { steps },
  placed,
}: Pick<ScaleAnswer, 'settings' | 'placed'>): number[] =>
  Array.from({ length: steps }, (_, step) => placed.filter(({ value }) => value === step + 1).length)

const ends = ({ low, high, steps }: ScaleSettings) => ({ low, high, steps })

function read(doc: Parameters<typeof readEach>[0], { id, settings: set }: Asked<ScaleSettings>): ScaleAnswer {
  return {
    promptId: id,
    kind: 'scale',
    settings: ends(set),
    placed: readEach(doc, id, placedShape)
      .map(([personId, one]) => ({ ...one, personId }))
      .filter(({ value }) => value === null || value <= set.steps)
      .filter(one => placedText(set.steps, one) !== ''),
  }
}

const pieces = ({ settings: { steps }, placed }: ScaleAnswer) =>
  new Map(placed.map(one => [one.personId, placedText(steps, one)]))

const texts = (answer: ScaleAnswer) => [...pieces(answer).values()]

function summary({ settings: { steps }, placed }: ScaleAnswer): string {
  const values = placed.flatMap(({ value }) => (value === null ? [] : [value]))
  if (values.length === 0) return 'nobody has answered'
  const [least, most] = [Math.min(...values), Math.max(...values)]
  const spread = least === most ? `all at ${least}` : `middle ${median(values)}, from ${least} to ${most}`
  return `${values.length === 1 ? '1 answer' : `${values.length} answers`}, ${spread} of ${steps}`
}

/** Everybody takes a place between two ends, and says why. */
export const scale = kindOf({
  name: 'scale',
  settings,
  paper: ({ low, high, steps, reasons }) => [
    { is: 'scale', low, high, steps },
    ...(reasons ? [lines(2)] : []),
  ],
  roots: promptId => [eachName(promptId)],
  read,
  pieces,
  restore: ({ id, settings: set }, kept): ScaleAnswer => ({
    promptId: id,
    kind: 'scale',
    settings: ends(set),
    placed: [...kept].map(([personId, text]) => ({ ...readText(text), personId })),
  }),
  follow: (doc, prompt) => followEach(doc, prompt.id, () => pieces(read(doc, prompt))),
  mayWrite: (pieceId, personId) => pieceId === personId,
  putBack(doc, { id }, pieceId, text) {
    if (text === '') eachOf(doc, id).delete(pieceId)
    else eachOf(doc, id).set(pieceId, readText(text))
  },
  places: placesOfEach,
  done: ({ placed }) => placed.some(({ value }) => value !== null),
  summary,
  texts,
  markdown: answer => (texts(answer).length > 0 ? [points(texts(answer))] : []),
})
