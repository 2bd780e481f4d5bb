import type * as Y from 'yjs'
import { z } from 'zod'
import { eachName, eachOf, followEach, readEach } from '../each/document'
import { type Asked, kindOf } from '../kind'
import { points as bullets } from '../markdown'
import { readingAll, WHOLE_ANSWER } from '../pieces'
import { type Given, givenListShape, MOST_POINTS, readShared, sharedName } from './document'

const settings = z.object({
  /** The prompt to whose cards or lines points are given: see `things.ts`. */
  over: z.string().max(40).default(''),
  /** Whether each has points of their own to give, or the group shares out one sum. */
  by: z.enum(['each', 'group']).default('each'),
  /** How many there are to give. */
  points: z
    .number()
    .int()
    .min(1, 'At least one point.')
    .max(MOST_POINTS, `At most ${MOST_POINTS} points.`)
    .default(3),
})

export type PointsSettings = z.infer<typeof settings>
type PointsPrompt = Asked<PointsSettings>

export interface PointsAnswer {
  promptId: string
  kind: 'points'
  settings: Pick<PointsSettings, 'by' | 'points'>
  /** Everybody's points, or the group's by nobody. */
  given: { personId: string | null; points: Given[] }[]
}

export const sumOf = (given: readonly Given[]): number => given.reduce((sum, { count }) => sum + count, 0)

/** Somebody's points, a line for each card, most first: `2 Otters`. */
const givenText = (given: readonly Given[]): string =>
  given
    .toSorted((one, other) => other.count - one.count || (one.label < other.label ? -1 : 1))
    .map(({ label, count }) => `${count} ${label}`)
    .join('\n')

/** Lines as `givenText` writes them. Which cards they were is known by what the cards said. */
const readText = (text: string): Given[] =>
  text.split('\n').flatMap((line): Given[] => {
    const [, count, label = ''] = /^(\d{1,3}) (.*)$/.exec(line) ?? []
    return count === undefined ? [] : [{ id: label.slice(0, 40), label, count: Number(count) }]
  })

/** What every card or line got, most first; those that were given nothing are not in it. */
export function totalsOf({ given }: Pick<PointsAnswer, 'given'>): Given[] {
  const totals = new Map<string, Given>()
  for (const { id, label, count } of given.flatMap(({ points }) => points)) {
    totals.set(id, { id, label, count: (totals.get(id)?.count ?? 0) + count })
  }
  return [...totals.values()].sort(
    (one, other) => other.count - one.count || (one.label < other.label ? -1 : 1),
  )
}

function read(doc: Y.Doc, { id, settings: set }: PointsPrompt): PointsAnswer {
  const given =
    set.by === 'group'
      ? [{ personId: null, points: readShared(doc, id) }]
      : readEach(doc, id, givenListShape).map(([personId, points]) => ({ personId, points }))
  return {
    promptId: id,
    kind: 'points',
    settings: { by: set.by, points: set.points },
    // Who gives more than there is has given nothing; a group that did so at the same moment takes some back.
    given: given.filter(
      ({ points }) => points.length > 0 && (set.by === 'group' || sumOf(points) <= set.points),
    ),
  }
}

const pieces = ({ given }: PointsAnswer) =>
  new Map(given.map(({ personId, points }) => [personId ?? WHOLE_ANSWER, givenText(points)]))

const totalTexts = (answer: PointsAnswer) =>
  totalsOf(answer).map(({ label, count }) => `${label}: ${count === 1 ? '1 point' : `${count} points`}`)

/** Points are given to the cards or lines of an earlier prompt. */
export const points = kindOf({
  name: 'points',
  settings,
  paper: ({ by, points: all }) => [
    {
      is: 'text',
      text:
        by === 'each'
          ? `Everybody marks the cards or lines above with ${all} points.`
          : `Share out ${all} points over the cards or lines above.`,
    },
  ],
  missing: ({ over }) =>
    over === ''
      ? 'Say what points are given to: add a prompt for cards, a list to put in order or a checklist before this one.'
      : null,
  roots: promptId => [eachName(promptId), sharedName(promptId)],
  read,
  pieces,
  restore: ({ id, settings: set }, kept): PointsAnswer => ({
    promptId: id,
    kind: 'points',
    settings: { by: set.by, points: set.points },
    given: [...kept].map(([pieceId, text]) => ({
      personId: pieceId === WHOLE_ANSWER ? null : pieceId,
      points: readText(text),
    })),
  }),
  follow(doc, prompt) {
    const now = () => pieces(read(doc, prompt))
    return prompt.settings.by === 'each' ? followEach(doc, prompt.id, now) : readingAll(now)
  },
  mayWrite: (pieceId, personId) => pieceId === WHOLE_ANSWER || pieceId === personId,
  putBack(doc, { id }, pieceId, text) {
    if (text === '') eachOf(doc, id).delete(pieceId)
    else eachOf(doc, id).set(pieceId, readText(text))
  },
  done: ({ given, settings: { by, points: all } }) =>
    by === 'each' ? given.length > 0 : given.some(({ points: shared }) => sumOf(shared) === all),
  summary({ given }) {
    const all = given.reduce((sum, { points: own }) => sum + sumOf(own), 0)
    return all === 1 ? '1 point given' : `${all} points given`
  },
  texts: answer => [...pieces(answer).values()],
  markdown: answer => (answer.given.length > 0 ? [bullets(totalTexts(answer))] : []),
})
