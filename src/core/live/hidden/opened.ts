export interface HiddenTextsState {
  /** Which hidden prompts are open, by room id and then prompt id: with the participant who opened it, null for a facilitator. */
  hiddenOpened: Readonly<Record<string, Readonly<Record<string, string | null>>>>
  /** And since when, in milliseconds since 1970. */
  hiddenOpenedAt: Readonly<Record<string, Readonly<Record<string, number>>>>
}

const NONE: Readonly<Record<string, string | null>> = {}

/** What is open in a room. */
export const openedIn = ({ hiddenOpened }: HiddenTextsState, roomId: string) => hiddenOpened[roomId] ?? NONE
