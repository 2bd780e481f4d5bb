import { chakra, Flex } from '@chakra-ui/react'
import type { RoomWorkNow } from '~/contracts/live'
import type { LanePerson } from '~/core/live/door/shown'
import type { Mark } from '~/core/live/marks'
import type { Mend } from '~/core/live/rooms/alone'
import type { signalCounts } from '~/core/live/signals/counts'
import { Track } from '../../../lanes/track'
import { HelpTag } from '../../../live/help/help-tag'
import type { LiveView, Send } from '../../../live/live-view'
import { MendButton } from '../../../live/rooms/alone-notice'
import { laneButtonId } from '../../../live/rooms/lane-button'
import { PersonMenu } from '../../../live/rooms/person-menu'
import { SignalTags } from '../../../live/signals/signal-tags'
import { Button } from '../../../ui/button'
import { Tag } from '../../../ui/layout'
import { ANSWER_WORDS, type Answer } from '../needs/answers'
import type { LaneSize, Whole } from './lane-order'

export interface LaneProps {
  room: LiveView['rooms'][number]
  index: number
  rooms: LiveView['rooms']
  /** Whether the session has a list that somebody may not be on. */
  hasList: boolean
  people: LanePerson[]
  call: LiveView['help'][number] | undefined
  visits: LiveView['visits']
  marks: Mark[]
  clock: LiveView['clock']
  rounds: LiveView['rounds']
  lastVisitAt: number | undefined
  prompts: number
  /** What the room says it is done with; empty for nothing. */
  done: string
  /** By participant id. */
  roles: LiveView['roles']
  work: RoomWorkNow | undefined
  pageMadeAt: number
  /** Moves that mend it where one is alone in the room. */
  mends: Mend[] | undefined
  /** Why it needs somebody, beside a call and one alone, in words; empty for nothing. */
  reasons: string
  /** How many show each signal. */
  signals: ReturnType<typeof signalCounts>
  /** What answers the weightiest reason. */
  answer: Answer | null
  size: LaneSize
  whole: Whole
  /** A drawer stands open beside the lanes. */
  narrow: boolean
  onOpen: (roomId: string) => void
  onAnswer: (roomId: string, answer: Answer) => void
  send: Send
}

export function RoomButton({ room, onOpen }: Pick<LaneProps, 'room' | 'onOpen'>) {
  return (
    <button id={laneButtonId(room.id)} type="button" className="lane-room" onClick={() => onOpen(room.id)}>
      {room.name}
    </button>
  )
}

/** What asks for somebody, or says who is there; with the moves that mend it where one is alone. */
export function LaneTags({ people, call, visits, clock, work, mends, signals, send }: LaneProps) {
  const alone = clock !== null && people.length === 1
  return (
    <>
      {call && <HelpTag call={call} />}
      {alone && <Tag kind="ask">one alone</Tag>}
      {alone && mends?.map(mend => <MendButton key={mend.kind} mend={mend} short send={send} />)}
      <SignalTags counts={signals} />
      {work?.late !== undefined && <Tag kind="ask">came late</Tag>}
      {visits.map(visit => (
        <Tag key={visit.accountId} kind="live">
          {visit.joined ? `${visit.name} joins in` : `${visit.name} visits`}
        </Tag>
      ))}
    </>
  )
}

export function LanePeople({ people, rooms, hasList, clock, roles, send }: LaneProps) {
  return (
    <>
      {people.map(person => (
        <PersonMenu
          key={person.id}
          person={person}
          rooms={rooms}
          isGuest={hasList && !person.onList}
          inRound={clock !== null}
          role={roles[person.id]}
          send={send}
        />
      ))}
      {people.length === 0 && <span className="lane-small">Nobody yet</span>}
    </>
  )
}

/** What answers a call that nobody has taken, or the weightiest reason. */
export function AnswerButton({ room, call, answer, onOpen, onAnswer }: LaneProps) {
  if (call && !call.taken)
    return (
      <Button size="small" kind="ask" flexShrink="0" onClick={() => onOpen(room.id)}>
        Answer
      </Button>
    )
  if (!answer) return null
  return (
    <Button
      size="small"
      flexShrink="0"
      aria-label={`${ANSWER_WORDS[answer]}: ${room.name}`}
      onClick={() => onAnswer(room.id, answer)}
    >
      {ANSWER_WORDS[answer]}
    </Button>
  )
}

/** Its time, running to the right. */
export function LaneTrack({
  room,
  clock,
  rounds,
  marks,
  work,
  pageMadeAt,
  height,
  markWidth,
}: LaneProps & { height: number; markWidth?: number }) {
  // A room that stands ready for the next round has no past to show.
  const last = room.used ? rounds.past.at(-1) : undefined
  const pulse = work?.pulse ?? []
  if (clock) {
    const to = clock.graceEndsAt ?? clock.endsAt + clock.graceSeconds * 1000
    const span = { from: clock.startedAt, to, edges: [clock.endsAt] }
    return (
      <Track
        span={span}
        runningAt={pageMadeAt}
        pulse={pulse}
        marks={marks}
        height={height}
        markWidth={markWidth}
      />
    )
  }
  if (last) {
    return (
      <Track
        span={{ from: last.startedAt, to: last.endedAt, edges: [last.endedAt] }}
        runningAt={null}
        pulse={pulse}
        marks={marks}
        height={height}
        markWidth={markWidth}
      />
    )
  }
  return (
    <Flex
      h={`${height}px`}
      align="center"
      px="12px"
      borderWidth="1px"
      borderStyle="dashed"
      borderColor="line"
      borderRadius="4px"
      color="quiet"
      fontSize="s"
    >
      <chakra.span lineClamp={1}>Everyone stays together until you send them out.</chakra.span>
    </Flex>
  )
}

/** Why a room needs somebody. */
export const Reasons = ({ reasons, lines }: { reasons: string; lines: 1 | 2 }) => (
  <p className="lane-reasons lane-clamped" data-lines={lines} title={reasons}>
    {reasons}
  </p>
)

/** What was written last. */
export function Latest({ work, lines }: { work: RoomWorkNow | undefined; lines: 1 | 2 }) {
  return (
    <p className="lane-clamped" data-lines={lines}>
      {work?.latest ? (
        <>
          <span className="lane-quiet">{work.latest.who}: </span>
          {work.latest.text}
        </>
      ) : (
        <span className="lane-quiet">Nothing written yet</span>
      )}
    </p>
  )
}
