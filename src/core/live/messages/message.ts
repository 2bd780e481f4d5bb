import type { GivenThing } from '../material/given'

/** Longest broadcast or note, in characters: it has to be read in the middle of work. */
export const LONGEST_MESSAGE = 500

/** So many broadcasts can wait for their time at once. */
export const MOST_SCHEDULED = 20

/** Longest time a broadcast can wait, in minutes. */
export const LONGEST_WAIT = 240

export interface Message {
  id: string
  kind: 'broadcast' | 'note'
  /** The rooms it is for, whoever is in them; null for everybody. */
  roomIds: readonly string[] | null
  /** The one person it is for, wherever they are; null for all that are meant. */
  toId: string | null
  text: string
  /** What is said with it: a link, or something of the library. */
  thing: GivenThing | null
  from: string
  at: number
}

/** A broadcast that waits for its time. */
export interface ScheduledMessage extends Omit<Message, 'kind' | 'toId'> {
  /** Only for rooms that have not done this part by then; null for all it is for. */
  notDone: string | null
}

export interface MessagesState {
  messages: Message[]
  /** Broadcasts that wait for their time, the next first. */
  scheduled: readonly ScheduledMessage[]
  /** Message ids each participant has put away. */
  putAway: Readonly<Record<string, string[]>>
}
