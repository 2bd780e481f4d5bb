/**
 * What each reader may see of a session. A view is cut into sections so that only what changed is sent again.
 * Nothing leaves the server but a view, and a view holds nothing its reader may not see: a participant gets the
 * names of the people in their own room and nobody else's.
 */
import { Reading } from './reading'
import { rememberBoth } from './remember'
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
  return viewAfter(null, state, viewer)?.view ?? null
}

export const facilitatorView = (state: LiveState) =>
  viewFor(state, { kind: 'facilitator' }) as FacilitatorView

/** What the whole class may see. */
export const projectorView = (state: LiveState) => viewFor(state, { kind: 'projector' }) as ProjectorView

export const participantView = (state: LiveState, participantId: string) =>
  viewFor(state, { kind: 'participant', participantId }) as ParticipantView | null

/** A view, and what it was made of. */
export interface MadeView {
  readonly view: View
  readonly state: LiveState
  readonly me: object | undefined
  /** What each topic gave to it, in their order. */
  readonly parts: readonly object[]
}

/**
 * The view of one reader, made from the one they had: a topic that reads nothing of the state that has changed since gives what it gave
 * before, as the same objects. `before` may be of any earlier state, or of a later one that was never reached.
 */
export function viewAfter(before: MadeView | null, state: LiveState, viewer: Viewer): MadeView | null {
  const me = viewer.kind === 'participant' ? state.participants.get(viewer.participantId) : undefined
  if (viewer.kind === 'participant' && !me) return null
  if (!before || before.me !== me) {
    const parts = TOPIC_VIEWS[viewer.kind].map(({ show }) => show(state, me))
    return { view: Object.assign({}, ...parts), state, me, parts }
  }
  const stale = staleBetween(before.state, state)(viewer.kind)
  if (stale.length === 0) return { ...before, state }
  const parts = [...before.parts]
  // Copied from one like it, which is several times as fast as put together from all parts; and not at all where it reads the same.
  let copy: Record<string, unknown> | null = null
  for (const at of stale) {
    const part = (TOPIC_VIEWS[viewer.kind][at] as TopicView).show(state, me) as Record<string, unknown>
    parts[at] = part
    for (const name in part) {
      const seen: Record<string, unknown> = copy ?? (before.view as Record<string, unknown>)
      if (seen[name] === part[name]) continue
      copy ??= { ...before.view }
      copy[name] = part[name]
    }
  }
  const view = copy ? (copy as View) : before.view
  return { view, state, me, parts }
}

/** The topics, by their place, that read something which is another in the later state; the same for all readers of a kind. */
const staleBetween = rememberBoth((before: LiveState, state: LiveState) => {
  const changed = (Object.keys(state) as (keyof LiveState)[]).filter(name => before[name] !== state[name])
  const known = new Map<Viewer['kind'], { stale: readonly number[]; namesRead: number }>()
  return (reader: Viewer['kind']): readonly number[] => {
    let found = known.get(reader)
    if (found?.namesRead !== namesRead) {
      const stale = TOPIC_VIEWS[reader].flatMap(({ read }, at) =>
        changed.some(name => read.has(name)) ? [at] : [],
      )
      found = { stale, namesRead }
      known.set(reader, found)
    }
    return found.stale
  }
})

/** How many names all topics together have read so far: one more, and what is stale is looked for again. */
let namesRead = 0

interface TopicView {
  /** What it has ever read of a state, whoever the reader was. */
  read: Reading
  show: (state: LiveState, me?: object) => object
}

/** How each topic shows itself to each kind of reader, with what it reads of the state noted down while it does. */
const TOPIC_VIEWS: Readonly<Record<Viewer['kind'], readonly TopicView[]>> = {
  facilitator: topicViews('facilitator'),
  projector: topicViews('projector'),
  participant: topicViews('participant'),
}

function topicViews(reader: Viewer['kind']): TopicView[] {
  return ALL_TOPICS.flatMap(({ views }) => {
    const show = views[reader]
    if (!show) return []
    const read = new Reading(() => namesRead++)
    return [{ read, show: (state, me) => show(read.noted(state), me) }]
  })
}
