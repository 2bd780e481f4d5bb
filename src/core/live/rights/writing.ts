/** Who writes on the boards of rooms; read by pages as well, so nothing but names and types. */
export const WHO_WRITES = ['all', 'lead', 'scribe', 'turn', 'nobody'] as const
/**
 * Everybody; whoever leads, or keeps the notes; one after the other, whoever has the pen; or nobody but a facilitator who joins in.
 */
export type WhoWrites = (typeof WHO_WRITES)[number]

export interface RightsState {
  /** In rooms of which nothing else was said. */
  writing: WhoWrites
  /** By room id. */
  writingIn: Readonly<Record<string, WhoWrites>>
  /** Whom the pen was given, by room id, where people write in turns. */
  pens: Readonly<Record<string, string>>
  /** By participant id: for the time being they write nothing. */
  muted: Readonly<Record<string, true>>
  /** By participant id: the name they typed is off everybody's screen. */
  hiddenNames: Readonly<Record<string, true>>
}

/** What somebody in a room is told where not everybody writes. */
export interface WritingHere {
  who: WhoWrites
  /** Who writes; null when it is everybody but those who are muted, or nobody. */
  by: { id: string; shownName: string } | null
  mayWrite: boolean
  muted: boolean
  /** The pen can be passed on, or taken up where somebody has gone with it. */
  mayPass: boolean
}
