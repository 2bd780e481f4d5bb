/** Longest broadcast or note, in characters: it has to be read in the middle of work. */
export const LONGEST_MESSAGE = 500

export interface Message {
  id: string
  kind: 'broadcast' | 'note'
  /** Null for a broadcast, which goes to every room. */
  roomId: string | null
  text: string
  from: string
  at: number
}
