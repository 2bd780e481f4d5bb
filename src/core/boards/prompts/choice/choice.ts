import type * as Y from 'yjs'
import { z } from 'zod'
import { eachName, eachOf, followEach, readEach } from '../each/document'
import { type Asked, type Follower, kindOf } from '../kind'
import { paragraph, points } from '../markdown'
import { lines } from '../paper'
import { readingAll, WHOLE_ANSWER } from '../pieces'
import { labels, letterOf } from '../settings'
import { placesOfEach } from '../taking'
import { becauseName, becauseOf, type Chosen, chosenShape, decidedName, decidedOf } from './document'

const settings = z.object({
  /** What there is to choose from, two to six. */
  options: labels({ least: 2, most: 6, longest: 80, called: 'answers' }).prefault(['Yes', 'No']),
  /** Whether the group chooses once, or each for themselves. */
  by: z.enum(['group', 'each']).default('group'),
  /** Whether there is space to say why. */
  reasons: z.boolean().default(false),
})

export type ChoiceSettings = z.infer<typeof settings>
type ChoicePrompt = Asked<ChoiceSettings>

export interface ChoiceAnswer {
  promptId: string
  kind: 'choice'
  options: string[]
  by: ChoiceSettings['by']
  /** What was chosen: the group's one answer, by nobody; or each person's own. */
  chosen: (Chosen & { personId: string | null })[]
}

/** One answer in a line: `B Reeds: because`, `B Reeds`, or `–: because` while nothing is chosen. */
export function chosenText(options: readonly string[], { answer, reason }: Chosen): string {
  const said = answer === null ? '–' : `${letterOf(answer)} ${options[answer]}`
  return answer === null && !reason.trim() ? '' : [said, reason.trim()].filter(Boolean).join(': ')
}

/** A line as `chosenText` writes it; its letter says where what was chosen ends. */
function readText(options: readonly string[], text: string): Chosen {
  const answer = options.findIndex((option, place) => {
    const said = `${letterOf(place)} ${option}`
    return text === said || text.startsWith(`${said}: `)
  })
  const said = answer < 0 ? '–' : `${letterOf(answer)} ${options[answer]}`
  return { answer: answer < 0 ? null : answer, reason: text.slice(said.length + 2) }
}

/** How many chose what, in the order of the options. */
export const countsOf = ({ options, chosen }: ChoiceAnswer): number[] =>
  options.map((_, place) => chosen.filter(({ answer }) => answer === place).length)

function decision(doc: Y.Doc, { id, settings: { options } }: ChoicePrompt): Chosen {
  const kept = decidedOf(doc, id).get('answer')
  const known = typeof kept === 'number' && options[kept] !== undefined
  return { answer: known ? kept : null, reason: becauseOf(doc, id).toString() }
}

function read(doc: Y.Doc, prompt: ChoicePrompt): ChoiceAnswer {
  const { options, by } = prompt.settings
  const all =
    by === 'group'
      ? [{ ...decision(doc, prompt), personId: null }]
      : readEach(doc, prompt.id, chosenShape).map(([personId, one]) => ({ ...one, personId }))
  const chosen = all.filter(({ answer }) => answer === null || options[answer] !== undefined)
  return {
    promptId: prompt.id,
    kind: 'choice',
    options,
    by,
    chosen: chosen.filter(one => chosenText(options, one) !== ''),
  }
}

const pieces = ({ options, chosen }: ChoiceAnswer) =>
  new Map(chosen.map(one => [one.personId ?? WHOLE_ANSWER, chosenText(options, one)]))

const texts = ({ options, chosen }: ChoiceAnswer) => chosen.map(one => chosenText(options, one))

function summary(answer: ChoiceAnswer): string {
  const { options, by, chosen } = answer
  const [first] = chosen
  if (by === 'group') {
    return first?.answer == null ? 'not decided' : `${letterOf(first.answer)} ${options[first.answer]}`
  }
  if (chosen.every(each => each.answer === null)) return 'nobody has chosen'
  return countsOf(answer)
    .map((count, place) => `${letterOf(place)} ${options[place]} ${count}`)
    .join(', ')
}

function follow(doc: Y.Doc, prompt: ChoicePrompt): Follower {
  const now = () => pieces(read(doc, prompt))
  return prompt.settings.by === 'each' ? followEach(doc, prompt.id, now) : readingAll(now)
}

/** One of several is chosen, by the group or by each, and why. */
export const choice = kindOf({
  name: 'choice',
  settings,
  paper: ({ options, reasons }) => [
    { is: 'boxes', labels: options.map((option, place) => `${letterOf(place)}. ${option}`) },
    ...(reasons ? [lines(2)] : []),
  ],
  roots: promptId => [decidedName(promptId), becauseName(promptId), eachName(promptId)],
  read,
  pieces,
  restore: ({ id, settings: { options, by } }, kept): ChoiceAnswer => ({
    promptId: id,
    kind: 'choice',
    options,
    by,
    chosen: [...kept].map(([pieceId, text]) => ({
      ...readText(options, text),
      personId: pieceId === WHOLE_ANSWER ? null : pieceId,
    })),
  }),
  follow,
  mayWrite: (pieceId, personId) => pieceId === WHOLE_ANSWER || pieceId === personId,
  putBack(doc, { id, settings: { options } }, pieceId, text) {
    if (text === '') eachOf(doc, id).delete(pieceId)
    else eachOf(doc, id).set(pieceId, readText(options, text))
  },
  // Of what a group decides together its reason.
  places: (doc, prompt, piece) =>
    prompt.settings.by === 'group'
      ? [{ is: 'text', text: becauseOf(doc, prompt.id) }]
      : placesOfEach(doc, prompt, piece),
  done: ({ chosen }) => chosen.some(({ answer }) => answer !== null),
  summary,
  texts,
  markdown: answer =>
    answer.by === 'group'
      ? texts(answer).map(paragraph)
      : texts(answer).length > 0
        ? [points(texts(answer))]
        : [],
})
