/** The one list of kinds of prompts, and what follows from it: all types are inferred from the kinds themselves. */
import type { BlockContent } from 'mdast'
import type * as Y from 'yjs'
import { z } from 'zod'
import { cards } from './cards/cards'
import { checklist } from './checklist/checklist'
import { choice } from './choice/choice'
import { file } from './file/file'
import { hiddenText } from './hidden-text/hidden-text'
import type { Follower, Kind } from './kind'
import { link } from './link/link'
import type { Paper } from './paper'
import { pictures } from './pictures/pictures'
import { readingAll } from './pieces'
import type { Place, Takeable } from './place'
import { points } from './points/points'
import { putInOrder } from './put-in-order/put-in-order'
import { scale } from './scale/scale'
import { sheet } from './sheet/sheet'
import { shortAnswers } from './short-answers/short-answers'
import { sketch } from './sketch/sketch'
import { table } from './table/table'
import { words } from './words/words'
import { yesNo } from './yes-no/yes-no'

export const KINDS = {
  cards,
  sheet,
  'yes-no': yesNo,
  choice,
  scale,
  'short-answers': shortAnswers,
  table,
  checklist,
  'put-in-order': putInOrder,
  points,
  words,
  link,
  file,
  pictures,
  sketch,
  'hidden-text': hiddenText,
}

type Kinds = typeof KINDS
export type PromptKind = keyof Kinds
export const PROMPT_KINDS = Object.keys(KINDS) as [PromptKind, ...PromptKind[]]

/** One thing a board asks for, with what is set about the space to answer it, and the part it stands in unless that is the first. */
export type Prompt = {
  [Name in PromptKind]: {
    id: string
    kind: Name
    text: string
    settings: z.infer<Kinds[Name]['settings']>
    part?: string | undefined
  }
}[PromptKind]

/** What stands under a prompt. */
export type Answer = ReturnType<Kinds[PromptKind]['read']>

const promptId = z.string().min(1).max(40)

/** A prompt whose text is as `text` says. Without settings it has those of an empty form, as all had before there were any. */
export const promptSchemaWith = (text: z.ZodType<string>): z.ZodType<Prompt, Prompt> =>
  z.discriminatedUnion(
    'kind',
    Object.values(KINDS).map(({ name, settings }) =>
      z.object({
        id: promptId,
        kind: z.literal(name),
        text,
        settings: (settings as z.ZodType).prefault({}),
        part: promptId.optional(),
      }),
    ) as never,
  ) as unknown as z.ZodType<Prompt, Prompt>

/** A prompt as it is kept. */
export const promptSchema = promptSchemaWith(z.string())

/** A kind as the functions over all kinds see it. */
type AnyKind = Kind<PromptKind, z.ZodType<object>, Answer>

/** Throws for a kind that this version does not know: it is never taken for another. */
function kindNamed(name: string): AnyKind {
  const kind = Object.hasOwn(KINDS, name) ? (KINDS as unknown as Record<string, AnyKind>)[name] : undefined
  if (!kind) throw new Error(`There is no kind of prompt "${name}".`)
  return kind
}

/** Reads what stands in a copy under one prompt. O(size of the prompt's content). */
export const readAnswer = (doc: Y.Doc, prompt: Prompt): Answer => kindNamed(prompt.kind).read(doc, prompt)

/** All answers of a copy, in the order of the prompts. */
export const readAnswers = (doc: Y.Doc, { prompts }: { prompts: readonly Prompt[] }): Answer[] =>
  prompts.map(prompt => readAnswer(doc, prompt))

/** The pieces of an answer that have authors of their own, by id. */
export const piecesOf = (answer: Answer): Map<string, string> => kindNamed(answer.kind).pieces(answer)

/** An answer as it was when it was made of these pieces; those without a text had been taken away. */
export const restoredAnswer = (prompt: Prompt, pieces: ReadonlyMap<string, string>): Answer =>
  kindNamed(prompt.kind).restore(prompt, new Map([...pieces].filter(([, text]) => text !== '')))

/** Whether anything stands under the prompt. */
export const isBegun = (answer: Answer): boolean => piecesOf(answer).size > 0

/** Whether the group need not do more. */
export const isDone = (answer: Answer): boolean => kindNamed(answer.kind).done(answer)

/** In a few words, to compare rooms by. */
export const summaryOf = (answer: Answer): string => kindNamed(answer.kind).summary(answer)

/** An answer as it is read afterwards: with whether anything stands there, and what it comes to. */
export interface ReadAnswer {
  answer: Answer
  begun: boolean
  done: boolean
  /** In a few words. */
  summary: string
}

export const readFully = (doc: Y.Doc, prompt: Prompt): ReadAnswer => inFull(readAnswer(doc, prompt))

export function inFull(answer: Answer): ReadAnswer {
  return { answer, begun: isBegun(answer), done: isDone(answer), summary: summaryOf(answer) }
}

/** The texts of an answer, one for each row of a table; none when nothing stands there. */
export const textsOf = (answer: Answer): string[] => kindNamed(answer.kind).texts(answer)

/** An answer as blocks of Markdown; none when nothing stands there. */
export const markdownOf = (answer: Answer): BlockContent[] => kindNamed(answer.kind).markdown(answer)

/** What stands under a prompt that can be taken off the board by itself, and how it reads. */
export function takeableIn(answer: Answer): Takeable[] {
  const kind = kindNamed(answer.kind)
  if (!kind.places) return []
  return kind.takeable?.(answer) ?? [...kind.pieces(answer)].map(([pieceId, text]) => ({ pieceId, text }))
}

/** The places of a piece that is taken off the board, or given back to it. */
export const placesUnder = (doc: Y.Doc, prompt: Prompt, piece: Takeable): Place[] =>
  kindNamed(prompt.kind).places?.(doc, prompt, piece) ?? []

/** What was taken away under a prompt and can be put back. */
export const removedUnder = (doc: Y.Doc, prompt: Prompt): { id: string; text: string }[] =>
  kindNamed(prompt.kind).removed?.(doc, prompt.id) ?? []

/** Follows what stands under a prompt as its document changes. */
export function followerOf(doc: Y.Doc, prompt: Prompt): Follower {
  const kind = kindNamed(prompt.kind)
  return kind.follow?.(doc, prompt) ?? readingAll(() => kind.pieces(kind.read(doc, prompt)))
}

/** Whether somebody may write a piece of a prompt's answer. */
export const mayWrite = (prompt: Prompt, pieceId: string, participantId: string): boolean =>
  kindNamed(prompt.kind).mayWrite?.(pieceId, participantId) ?? true

/** Brings a piece that somebody wrote who may not back to what it said. */
export const putBack = (doc: Y.Doc, prompt: Prompt, pieceId: string, text: string): void =>
  kindNamed(prompt.kind).putBack?.(doc, prompt, pieceId, text)

/** What has to be set before a prompt can be used; null when nothing is missing. */
export const missingIn = (prompt: Prompt): string | null =>
  kindNamed(prompt.kind).missing?.(prompt.settings) ?? null

/** The space under a prompt on paper; `people` are the names of the group, where they are known. */
export const paperOf = (prompt: Prompt, people: readonly string[]): Paper[] =>
  kindNamed(prompt.kind).paper(prompt.settings, people)

/** Names of the root types of a document that a prompt's answer lies in. */
export const rootsOf = (prompt: Prompt): string[] => kindNamed(prompt.kind).roots(prompt.id)
