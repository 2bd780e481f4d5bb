import { type ReactNode, startTransition, useState } from 'react'
import { useOnInView } from 'react-intersection-observer'
import type { Mark } from '~/core/live/marks'
import { DRAGGED, LanePlace } from '../../../live/rooms/drag-people'
import { SignalTags } from '../../../live/signals/signal-tags'
import { VisitedAgo } from '../../../live/visits/visited-ago'
import { RoomMark } from '../../../ui/room-mark'
import {
  AnswerButton,
  LanePeople,
  type LaneProps,
  LaneTags,
  LaneTrack,
  Latest,
  Reasons,
  RoomButton,
} from './lane-parts'

/**
 * A room where there are many, in one line. Whatever becomes of it (it needs somebody, or nobody any more; it comes into sight),
 * the line and the button in it stay the same elements, and so does the focus.
 */
export function OneLineLane(props: LaneProps) {
  const { near, ref } = useNear(props.whole)
  const { room, index, size, people, call, reasons, signals, narrow, onOpen } = props
  const folded = size === 'folded'
  return (
    <LanePlace
      id={room.id}
      name={room.name}
      className={folded ? 'lane-folded' : 'lane-dense'}
      asks={!folded && (call !== undefined || reasons !== '')}
      calls={!folded && call !== undefined}
      narrow={narrow}
      watched={ref}
    >
      <div className="lane-line">
        {near ? <RoomMark index={index} size={folded ? 16 : 18} /> : null}
        <RoomButton room={room} onOpen={onOpen} />
        {folded ? <Here people={people} /> : people.length > 0 && <Small>{people.length}</Small>}
        {folded && near && <SignalTags counts={signals} />}
      </div>
      {near ? folded ? <Folded {...props} /> : <Dense {...props} /> : <Far {...props} />}
    </LanePlace>
  )
}

/** A lane is drawn whole before it comes into sight: from so much of the window's height above and below it on. */
const NEAR = '50% 0px'

/** Whether all of a lane is drawn, and what follows where its element stands. */
function useNear(whole: LaneProps['whole']) {
  const [near, setNear] = useState(whole !== 'near')
  const ref = useOnInView<HTMLLIElement>(
    (inView, { target }) => {
      // One after the other: a screen of lanes drawn at once would hold up who scrolls.
      if (inView || !isInUse(target)) startTransition(() => setNear(inView))
    },
    { rootMargin: NEAR },
  )
  return { near: near || whole === 'always', ref }
}

/** Somebody has the focus there or a menu open, or drags a name to a lane far from where it came from. */
const isInUse = (lane: Element) =>
  lane.matches(':focus-within') ||
  lane.querySelector('[aria-expanded=true]') !== null ||
  document.querySelector(`.${DRAGGED}`) !== null

const Small = ({ children }: { children: ReactNode }) => <span className="lane-small">{children}</span>

function Here({ people }: Pick<LaneProps, 'people'>) {
  const here = people.filter(({ connected }) => connected).length
  return (
    <span className="lane-quiet lane-short">
      {here === people.length ? people.length : `${here} of ${people.length} here`}
    </span>
  )
}

/** Out of sight: what the browser's own search and a screen reader find there, and nothing to look at. */
const Far = ({ people, reasons }: LaneProps) => (
  <span className="lane-small">
    {people.map(({ shownName }) => shownName).join(', ')}
    {reasons && ` · ${reasons}`}
  </span>
)

/** A room that needs somebody. Names that find no place stand in the room's drawer, and as a number beside the room's. */
function Dense(props: LaneProps) {
  return (
    <>
      <div className="lane-people">
        <LaneTags {...props} />
        <LanePeople {...props} />
      </div>
      <LaneTrack {...props} height={26} markWidth={6.2} />
      {!props.narrow && <DenseFacts {...props} />}
    </>
  )
}

function DenseFacts(props: LaneProps) {
  const { prompts, done, work, lastVisitAt, reasons } = props
  return (
    <div className="lane-facts">
      <div>
        {reasons ? <Reasons reasons={reasons} lines={1} /> : prompts > 0 && <Latest work={work} lines={1} />}
      </div>
      <span className={`lane-short ${done ? 'lane-done' : 'lane-quiet'}`}>
        {done || (prompts > 0 && `${work?.answeredPrompts ?? 0} of ${prompts} begun`)}
        {lastVisitAt !== undefined && (
          <>
            {' · '}
            <VisitedAgo at={lastVisitAt} />
          </>
        )}
      </span>
      <AnswerButton {...props} />
    </div>
  )
}

/** One that needs nobody, where there are very many. */
function Folded(props: LaneProps) {
  const { prompts, done, work, lastVisitAt, narrow } = props
  return (
    <>
      <div className="lane-time">
        <LaneTrack {...props} marks={NO_MARKS} height={16} />
      </div>
      {!narrow && (
        <span className="lane-quiet lane-short">
          {prompts > 0 && `${work?.answeredPrompts ?? 0} of ${prompts} begun · `}
          {done && `${done} · `}
          <VisitedAgo at={lastVisitAt} />
        </span>
      )}
    </>
  )
}

const NO_MARKS: Mark[] = []
