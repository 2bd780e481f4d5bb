import type { ReadAnswer } from '~/core/boards/prompts/kinds'

/** What is put up on the projector as it stands now; null when nothing is. */
export type PutUpNow = {
  prompts: readonly { id: string; text: string }[]
  rooms: readonly { name: string; answers: Readonly<Record<string, ReadAnswer>> }[]
} | null

/** The same for participants' pages; much of it is seen on the projector only. */
export type PutUpOnPage = PutUpNow | 'too-much'
