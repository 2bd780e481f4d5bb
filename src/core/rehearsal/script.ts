/** What a rehearsal is asked to play: how many come, and what they are like. */

/** Fewest and most simulated participants. */
export const FEWEST_PEOPLE = 2
export const MOST_PEOPLE = 200
/** With fewer on the list, so many: a class of which there is something to see. */
export const USUAL_PEOPLE = 40

/** Shares are in percent. */
export interface Script {
  /** On the list first; whoever is more than that comes in by a typed name. */
  people: number
  /** Never come. */
  absent: number
  /** Of those who come: come when the session has begun. */
  late: number
  /** Lose their line in a round, and mostly come back. */
  drop: number
  /** Read, and write nothing. */
  silent: number
  /** Write about three times as much as others. */
  busy: number
  /** Call for help. */
  asks: number
  /** Go to another room when they may. */
  moves: number
  speed: number
  /** The session goes on by itself as it is planned, and somebody at the front lets in, visits and calls back. */
  itself: boolean
  /** What is for the whole group takes a minute, however long it is planned. */
  short: boolean
}

/** A class as it often is: common practice, no source. */
export const usualScript = (listed: number): Script => ({
  people: Math.min(MOST_PEOPLE, Math.max(FEWEST_PEOPLE, listed || USUAL_PEOPLE)),
  absent: 10,
  late: 10,
  drop: 10,
  silent: 15,
  busy: 15,
  asks: 10,
  moves: 10,
  speed: 10,
  itself: false,
  short: false,
})
