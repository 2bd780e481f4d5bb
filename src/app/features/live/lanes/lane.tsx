import { memo } from 'react'
import { LanePlace } from '../../../live/rooms/drag-people'
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
import { OneLineLane } from './one-line-lane'

/**
 * One room: who is in it, its time running to the right, the latest words, and when it was last visited. Drawn again only
 * when something of this room changed; what shows time ticks by itself.
 */
export const Lane = memo((props: LaneProps) =>
  props.size === 'full' ? <FullLane {...props} /> : <OneLineLane {...props} />,
)

function FullLane(props: LaneProps) {
  const { room, index, call, reasons, narrow, onOpen } = props
  return (
    <LanePlace
      id={room.id}
      name={room.name}
      className="lane-full"
      asks={call !== undefined || reasons !== ''}
      calls={call !== undefined}
      narrow={narrow}
    >
      <div>
        <div className="lane-line" data-wraps="">
          <RoomMark index={index} />
          <RoomButton room={room} onOpen={onOpen} />
          <LaneTags {...props} />
        </div>
        <div className="lane-people">
          <LanePeople {...props} />
        </div>
        {reasons && narrow && <Reasons reasons={reasons} lines={2} />}
      </div>
      <LaneTrack {...props} height={50} />
      {!narrow && <LaneFacts {...props} />}
    </LanePlace>
  )
}

/** Why it needs somebody, its latest words, how far it is, and what answers. */
function LaneFacts(props: LaneProps) {
  const { prompts, done, work, lastVisitAt, reasons } = props
  return (
    <div className="lane-facts">
      <div>
        {reasons && <Reasons reasons={reasons} lines={2} />}
        {prompts > 0 && <Latest work={work} lines={reasons ? 1 : 2} />}
        <p className="lane-quiet">
          {prompts > 0 && `${work?.answeredPrompts ?? 0} of ${prompts} begun · `}
          {done && <span className="lane-done">{done} · </span>}
          <VisitedAgo at={lastVisitAt} />
        </p>
      </div>
      <AnswerButton {...props} />
    </div>
  )
}
