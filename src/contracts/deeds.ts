import type { RemovableKind } from './removals'

/** What is kept of who did what: accounts, people, exports and removals. */
export const DEED_KINDS = [
  'signed-in',
  'signed-out-elsewhere',
  'password-changed',
  'account-made',
  'link-made',
  'link-used',
  'list-imported',
  'import-taken-back',
  'person-added',
  'person-changed',
  'people-removed',
  'people-put-back',
  'list-exported',
  'review-exported',
  'removed',
  'put-back',
] as const
export type DeedKind = (typeof DEED_KINDS)[number]

/** One of them, as it is read again. */
export interface Deed {
  id: number
  at: Date
  byName: string
  kind: DeedKind
  /** What kind of thing it was done with; null where that goes without saying. */
  thing: RemovableKind | null
  /** What it was called then, or the name of a file or browser. */
  about: string
  /** How many people. */
  count: number | null
}
