import { type Places, placesSchema, type Terms, termsSchema } from '../../schedule/terms'
import type { Participant } from '../door/people'
import type { EventsOf } from '../topic'

export interface MovesState {
  /** Of the round that runs, or else of the next. */
  terms: Terms
  /** While people choose their room before a round; null when they do not. */
  choosing: Places | null
  /** As last said: it also bounds who may change rooms in a round. */
  places: Places
}

export const events = {
  'terms-set': termsSchema.shape,
  'choosing-opened': placesSchema.shape,
  'choosing-closed': {},
}
export type MovesEvent = EventsOf<typeof events>

/** Whether somebody goes into their room by themselves: who has no page to accept on, nor anybody's to go along with, can not. */
export const isInvited = (
  { hasDevice, besideId }: Pick<Participant, 'hasDevice' | 'besideId'>,
  { invited }: Terms,
): boolean => invited && (hasDevice || besideId !== null)
