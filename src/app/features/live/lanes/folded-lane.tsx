import type { Mark } from '~/core/live/marks'
import { LanePlace } from '../../../live/rooms/drag-people'
import { SignalTags } from '../../../live/signals/signal-tags'
import { VisitedAgo } from '../../../live/visits/visited-ago'
import { RoomMark } from '../../../ui/room-mark'
import { type LaneProps, LaneTrack, RoomButton } from './lane-parts'

/** A room that needs nobody, where there are very many: one low line, from which it is opened. */
export function FoldedLane(props: LaneProps) {
  const { room, index, people, signals, prompts, done, work, lastVisitAt, narrow, onOpen } = props
  const here = people.filter(({ connected }) => connected).length
  return (
    <LanePlace
      id={room.id}
      name={room.name}
      className="lane-folded"
      asks={false}
      calls={false}
      narrow={narrow}
    >
      <div className="lane-line">
        <RoomMark index={index} size={16} />
        <RoomButton room={room} onOpen={onOpen} />
        <span className="lane-quiet lane-short">
          {here === people.length ? people.length : `${here} of ${people.length} here`}
        </span>
        <SignalTags counts={signals} />
      </div>
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
    </LanePlace>
  )
}

const NO_MARKS: Mark[] = []
