/** Longest answer to a message, in characters. */
export const LONGEST_ANSWER = 280

/** So often one person can answer one message. */
export const MOST_ANSWERS = 5

/** So many messages a page can say at once that it has shown. */
export const MOST_SEEN_AT_ONCE = 50

/** Of so many of the last messages it is told who has not seen them yet. */
export const MOST_FOLLOWED = 10

/** What somebody answered to a message, and in which room; null with the whole group. */
export interface MessageAnswer {
  id: string
  messageId: string
  participantId: string
  roomId: string | null
  text: string
  at: number
}

/** Where those are who are in no room. */
export const NOT_IN_A_ROOM = ''

/** How far a message has come: to how many of those it is for now, and how many in which room have not seen it. */
export interface Seen {
  seen: number
  of: number
  /** By room id; nobody is named. */
  unseen: Readonly<Record<string, number>>
}
