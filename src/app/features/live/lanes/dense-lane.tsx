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

/**
 * A room where there are many: all of it in one line, so that twelve are in sight at once. Names that find no place in it stand
 * in the room's drawer, and as a number beside the room's.
 */
export function DenseLane(props: LaneProps) {
  const { room, index, people, call, reasons, narrow, onOpen } = props
  return (
    <LanePlace
      id={room.id}
      name={room.name}
      className="lane-dense"
      asks={call !== undefined || reasons !== ''}
      calls={call !== undefined}
      narrow={narrow}
    >
      <div className="lane-line">
        <RoomMark index={index} size={18} />
        <RoomButton room={room} onOpen={onOpen} />
        {people.length > 0 && <span className="lane-small">{people.length}</span>}
      </div>
      <div className="lane-people">
        <LaneTags {...props} />
        <LanePeople {...props} />
      </div>
      <LaneTrack {...props} height={26} markWidth={6.2} />
      {!narrow && <DenseFacts {...props} />}
    </LanePlace>
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
