/** Where in a board's document a piece lies that can be taken off the board for good (see `taking.ts`). */
import type * as Y from 'yjs'

/** What can be taken by itself, and how it reads. */
export interface Takeable {
  pieceId: string
  text: string
}

/** One place of a document in which a piece, or some of it, lies. */
export type Place =
  | { is: 'card'; cards: Y.Array<Y.Map<unknown>>; id: string }
  /** `gone` is left in its place, where the place must not be taken again. */
  | { is: 'entry'; map: Y.Map<unknown>; key: string; gone?: string }
  | { is: 'text'; text: Y.Text }
  | { is: 'lines'; at: LinesPlace }

/** Lines of a rich text that read as they were said to. */
export interface LinesPlace {
  /** What they say, each by itself. */
  read(): string[]
  take(): void
  /** Puts them at the end. */
  give(lines: readonly string[]): void
}
