/** A facilitator in a room, as those in it see them. */
export interface Visitor {
  name: string
  /** By which their cursor and what they write is known while they write along; null while they only listen. */
  writesAs: string | null
}

/** The name of somebody who is no participant, beside what they write. */
export const asFacilitator = (name: string): string => `${name} (facilitator)`
