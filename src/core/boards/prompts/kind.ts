/**
 * What a kind of prompt is: everything about one way of answering, in one folder. A kind says what can be set about it, where
 * its answers lie in a board's document, how they are read from writers who are not trusted, which pieces of them have
 * authors of their own, and how they are summed up and written out. `kinds.ts` is the one list of them.
 */
import type { BlockContent } from 'mdast'
import type * as Y from 'yjs'
import type { z } from 'zod'
import type { Paper } from './paper'
import type { Place, Takeable } from './place'

/** A text that changed. */
export interface ChangedPiece {
  id: string
  /** What it says now; the empty text when it was taken away. */
  text: string
  /** What it said before, for kinds that look after who may write what. */
  before?: string
  /** The part of the document it lies in, for kinds of many pieces. */
  part?: unknown
  /** The number it was written under, for pieces that are one entry. */
  writer?: number
}

/** A piece whose id is not one, is taken, or was changed by its writer, with the id it is to have. */
export interface Mend {
  piece: Y.Map<unknown>
  id: string
}

/** Follows what stands under one prompt as its document changes. */
export interface Follower {
  /** The pieces a transaction changed. `touched` are the prompt's root types, or the parts right under them, it reached into. */
  changed(touched: ReadonlySet<unknown>): ChangedPiece[]
  /** Ids that have to be put right since this was last asked; `freshId` gives one nobody has had. */
  mends?(freshId: () => string): Mend[]
}

/** One thing a board asks for, as a kind sees it: where its answer lies, and what is set about it. */
export interface Asked<Settings> {
  id: string
  settings: Settings
}

export interface Kind<Name extends string, Settings extends z.ZodType, Answer extends { kind: Name }> {
  name: Name
  /** It is only read: nothing can be written under it, and it is no task of the group's. */
  nothingToWrite?: true
  /** What can be set about it. What an empty form means must be a valid setting. */
  settings: Settings
  /** The space to answer on paper; `people` are the names of the group, where they are known. */
  paper(settings: z.infer<Settings>, people: readonly string[]): Paper[]
  /** What has to be set before it can be used, in words for its author; null when nothing is missing. */
  missing?(settings: z.infer<Settings>): string | null
  /** Names of the root types of the document it lies in. */
  roots(promptId: string): string[]
  /** Reads what stands there. Whatever does not have the expected shape is left out. O(size of the content). */
  read(doc: Y.Doc, asked: Asked<z.infer<Settings>>): Answer
  /** The pieces that have authors of their own, by id. */
  pieces(answer: Answer): Map<string, string>
  /** The answer that was made of such pieces: all that is left of how a board stood at an earlier time. */
  restore(asked: Asked<z.infer<Settings>>, pieces: ReadonlyMap<string, string>): Answer
  /** For kinds of many pieces, whose changes can be found without reading all of them. */
  follow?(doc: Y.Doc, asked: Asked<z.infer<Settings>>): Follower
  /** Whether somebody may write a piece; without it whoever is at the board may. `personId` is a participant's. */
  mayWrite?(pieceId: string, personId: string): boolean
  /** Brings a piece that somebody wrote who may not back to what it said; the empty text when there was none. */
  putBack?(doc: Y.Doc, asked: Asked<z.infer<Settings>>, pieceId: string, text: string): void
  /** Where a piece lies that is taken off the board for good; a kind under which nobody writes words of their own has none. */
  places?(doc: Y.Doc, asked: Asked<z.infer<Settings>>, piece: Takeable): Place[]
  /** What can be taken off by itself, for kinds of which that is not a piece. */
  takeable?(answer: Answer): Takeable[]
  /** What was taken away and can be put back, in the order it stood there. */
  removed?(doc: Y.Doc, promptId: string): { id: string; text: string }[]
  /** Whether the group need not do more. That it has begun is seen from its pieces. */
  done(answer: Answer): boolean
  /** In a few words, to compare rooms by. */
  summary(answer: Answer): string
  /** The texts, one for each row of a table. Empty when nothing stands there. */
  texts(answer: Answer): string[]
  /** The same as blocks of Markdown. */
  markdown(answer: Answer): BlockContent[]
}

/** Checks a kind against its own answer. */
export const kindOf = <Name extends string, Settings extends z.ZodType, Answer extends { kind: Name }>(
  kind: Kind<Name, Settings, Answer>,
): Kind<Name, Settings, Answer> => kind
