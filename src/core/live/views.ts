/**
 * What each reader may see of a session. A view is cut into sections so that only what changed is sent again.
 * Nothing leaves the server but a view, and a view holds nothing its reader may not see: a participant gets the
 * names of the people in their own room and nobody else's.
 */
import {
  ALL_TOPICS,
  type FacilitatorView,
  type LiveState,
  type ParticipantView,
  type ProjectorView,
} from './topics'

export type { FacilitatorView, ParticipantView, ProjectorView } from './topics'

export type Viewer =
  | { kind: 'facilitator' }
  | { kind: 'projector' }
  | { kind: 'participant'; participantId: string }

export type View = ParticipantView | FacilitatorView | ProjectorView

/** The view of one reader; null when they have none, as somebody who never joined. */
export function viewFor(state: LiveState, viewer: Viewer): View | null {
  if (viewer.kind === 'facilitator') return facilitatorView(state)
  if (viewer.kind === 'projector') return projectorView(state)
  return participantView(state, viewer.participantId)
}

export const facilitatorView = (state: LiveState) => viewOf(state, 'facilitator') as FacilitatorView

/** What the whole class may see. */
export const projectorView = (state: LiveState) => viewOf(state, 'projector') as ProjectorView

export function participantView(state: LiveState, participantId: string): ParticipantView | null {
  const me = state.participants.get(participantId)
  return me ? (viewOf(state, 'participant', me) as ParticipantView) : null
}

function viewOf(state: LiveState, reader: Viewer['kind'], me?: object): object {
  const view = {}
  for (const topic of ALL_TOPICS) Object.assign(view, topic.views[reader]?.(state, me))
  return view
}
