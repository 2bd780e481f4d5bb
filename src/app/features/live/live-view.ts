import type { FacilitatorRequest } from '~/contracts/live'
import type { FacilitatorView } from '~/core/live/views'
import type { Mark } from '~/core/review/marks'

/** What the facilitator's page shows: the view, and the marks of the round on its lanes. */
export type LiveView = FacilitatorView & { marks: Mark[] }

/** Sends a command and says whether it was accepted; what was refused is shown in words on the page. */
export type Send = (request: FacilitatorRequest) => Promise<boolean>
