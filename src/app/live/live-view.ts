import type { Mark } from '~/core/live/marks'
import type { FacilitatorRequest, ParticipantRequest } from '~/core/live/topics'
import type { FacilitatorView } from '~/core/live/views'

/** What the facilitator's page shows: the view, and the marks of the round on its lanes. */
export type LiveView = FacilitatorView & { marks: Mark[] }

/**
 * Sends a command and says whether it was accepted; what was refused is shown in words on the page, or told to whoever wants to say
 * it at its place.
 */
export type Send = (request: FacilitatorRequest, onRefused?: (message: string) => void) => Promise<boolean>

/** Sends what a participant asks for, and says whether it was accepted. */
export type SendFromPlace = (request: ParticipantRequest) => Promise<boolean>
