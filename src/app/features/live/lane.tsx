import { Box, chakra, Flex } from '@chakra-ui/react'
import { memo } from 'react'
import type { RoomWorkNow } from '~/contracts/live'
import type { LanePerson } from '~/core/live/door/shown'
import type { Mark } from '~/core/live/marks'
import type { Mend } from '~/core/live/rooms/alone'
import { Track } from '../../lanes/track'
import { HelpTag } from '../../live/help/help-tag'
import type { LiveView, Send } from '../../live/live-view'
import { MendButton } from '../../live/rooms/alone-notice'
import { DropPlace } from '../../live/rooms/drag-people'
import { laneButtonId } from '../../live/rooms/lane-button'
import { PersonMenu } from '../../live/rooms/person-menu'
import { VisitedAgo } from '../../live/visits/visited-ago'
import { Button } from '../../ui/button'
import { Tag } from '../../ui/layout'
import { RoomMark } from '../../ui/room-mark'
import type { LaneSize } from './lane-order'
import { ANSWER_WORDS, type Answer } from './needs/answers'

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
  /** What answers the weightiest reason. */
  answer: Answer | null
  size: LaneSize
  /** A drawer stands open beside the lanes. */
  narrow: boolean
  onOpen: (roomId: string) => void
  onAnswer: (roomId: string, answer: Answer) => void
  send: Send
}

/**
 * One room: who is in it, its time running to the right, the latest words, and when it was last visited. Drawn again only
 * when something of this room changed; what shows time ticks by itself.
 */
export const Lane = memo(function Lane(props: LaneProps) {
  const { room, rooms, hasList, people, call, clock, roles, reasons, size, narrow, send } = props
  const isDense = size === 'dense'
  if (size === 'folded') return <FoldedLane {...props} />
  return (
    <DropPlace
      id={room.id}
      as="li"
      aria-label={room.name}
      templateColumns={{
        base: '1fr',
        md: narrow ? '190px 1fr' : isDense ? '300px 1fr 230px' : '240px 1fr 230px',
      }}
      gap={{ base: '4px', md: '10px' }}
      alignItems="center"
      borderLeftWidth="4px"
      borderColor={call || reasons ? 'ask' : 'transparent'}
      bg={call ? 'askWash' : 'transparent'}
      borderRadius="4px"
      px="8px"
      py={isDense ? '0' : '2px'}
      css={{ contentVisibility: 'auto', containIntrinsicSize: `auto ${isDense ? 38 : 64}px` }}
    >
      <Box minW="0">
        <LaneName {...props} />
        {/* Names that find no place in the one line of a dense lane stand in the room's drawer. */}
        <Flex
          wrap="wrap"
          maxH={{ base: 'none', md: isDense ? '20px' : 'none' }}
          overflow={isDense ? 'hidden' : undefined}
        >
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
          {people.length === 0 && (
            <chakra.span color="quiet" fontSize="s" px="6px">
              Nobody yet
            </chakra.span>
          )}
        </Flex>
        {reasons && (
          <chakra.p
            display={narrow ? undefined : { base: 'block', md: 'none' }}
            color="ask"
            fontSize="s"
            fontWeight="600"
          >
            {reasons}
          </chakra.p>
        )}
      </Box>
      <LaneTrack {...props} height={isDense ? 36 : 50} />
      {!narrow && <LaneFacts {...props} />}
    </DropPlace>
  )
})

/** A room that needs nobody, where there are many: one line, from which it is opened. */
function FoldedLane(props: LaneProps) {
  const { room, index, people, prompts, done, work, lastVisitAt, narrow, onOpen } = props
  const here = people.filter(({ connected }) => connected).length
  return (
    <DropPlace
      id={room.id}
      as="li"
      aria-label={room.name}
      templateColumns={{ base: '1fr auto', md: narrow ? '190px 1fr' : '300px 1fr 230px' }}
      gap="10px"
      alignItems="center"
      px="12px"
      fontSize="s"
      css={{ contentVisibility: 'auto', containIntrinsicSize: 'auto 24px' }}
    >
      <Flex gap="8px" align="center" minW="0">
        <RoomMark index={index} size={16} />
        <RoomButton room={room} onOpen={onOpen} />
        <chakra.span color="quiet" whiteSpace="nowrap">
          {here === people.length ? people.length : `${here} of ${people.length} here`}
        </chakra.span>
      </Flex>
      <Box display={{ base: 'none', md: 'block' }}>
        <LaneTrack {...props} marks={NO_MARKS} height={18} />
      </Box>
      {!narrow && (
        <chakra.span color="quiet" whiteSpace="nowrap" overflow="hidden" textOverflow="ellipsis">
          {prompts > 0 && `${work?.answeredPrompts ?? 0} of ${prompts} begun · `}
          {done && `${done} · `}
          <VisitedAgo at={lastVisitAt} />
        </chakra.span>
      )}
    </DropPlace>
  )
}

const NO_MARKS: Mark[] = []

function RoomButton({ room, onOpen }: Pick<LaneProps, 'room' | 'onOpen'>) {
  return (
    <chakra.button
      id={laneButtonId(room.id)}
      type="button"
      fontWeight="650"
      minH="24px"
      cursor="pointer"
      textAlign="left"
      _hover={{ textDecoration: 'underline' }}
      onClick={() => onOpen(room.id)}
    >
      {room.name}
    </chakra.button>
  )
}

function LaneName(props: LaneProps) {
  const { room, index, people, call, visits, clock, work, mends, size, onOpen, send } = props
  const alone = clock !== null && people.length === 1
  return (
    <Flex gap={size === 'dense' ? '0 8px' : '8px'} align="center" wrap="wrap">
      <RoomMark index={index} size={size === 'dense' ? 18 : 20} />
      <RoomButton room={room} onOpen={onOpen} />
      {size === 'dense' && people.length > 0 && (
        <chakra.span color="quiet" fontSize="s">
          {people.length}
        </chakra.span>
      )}
      {call && <HelpTag at={call.at} />}
      {alone && <Tag kind="ask">one alone</Tag>}
      {alone && mends?.map(mend => <MendButton key={mend.kind} mend={mend} short send={send} />)}
      {work?.late !== undefined && <Tag kind="ask">came late</Tag>}
      {visits.map(visit => (
        <Tag key={visit.accountId} kind="live">
          {visit.name} visits
        </Tag>
      ))}
    </Flex>
  )
}

/** Why it needs somebody, or its latest words; and how far it is, with what answers. */
function LaneFacts(props: LaneProps) {
  const { room, call, prompts, done, work, lastVisitAt, reasons, answer, size, onOpen, onAnswer } = props
  return (
    <Flex fontSize="s" minW="0" gap="8px" align="center" justify="space-between">
      <Box minW="0">
        {reasons && (
          <chakra.p
            color="ask"
            fontWeight="600"
            display={{ base: 'none', md: '-webkit-box' }}
            lineClamp={size === 'dense' ? 1 : 2}
            title={reasons}
          >
            {reasons}
          </chakra.p>
        )}
        {prompts > 0 && !(reasons && size === 'dense') && (
          <Latest work={work} lines={reasons || size === 'dense' ? 1 : 2} />
        )}
        <chakra.p color="quiet" lineClamp={size === 'dense' ? 1 : undefined}>
          {prompts > 0 && `${work?.answeredPrompts ?? 0} of ${prompts} begun · `}
          {done && (
            <chakra.b color="live" fontWeight="600">
              {done} ·{' '}
            </chakra.b>
          )}
          <VisitedAgo at={lastVisitAt} />
        </chakra.p>
      </Box>
      {call ? (
        <Button size="small" kind="ask" onClick={() => onOpen(room.id)}>
          Answer
        </Button>
      ) : (
        answer && (
          <Button
            size="small"
            flexShrink="0"
            aria-label={`${ANSWER_WORDS[answer]}: ${room.name}`}
            onClick={() => onAnswer(room.id, answer)}
          >
            {ANSWER_WORDS[answer]}
          </Button>
        )
      )}
    </Flex>
  )
}
function LaneTrack({ room, clock, rounds, marks, work, pageMadeAt, height }: LaneProps & { height: number }) {
  // A room that stands ready for the next round has no past to show.
  const last = room.used ? rounds.past.at(-1) : undefined
  const pulse = work?.pulse ?? []
  if (clock) {
    const to = clock.graceEndsAt ?? clock.endsAt + clock.graceSeconds * 1000
    const span = { from: clock.startedAt, to, edges: [clock.endsAt] }
    return <Track span={span} runningAt={pageMadeAt} pulse={pulse} marks={marks} height={height} />
  }
  if (last) {
    return (
      <Track
        span={{ from: last.startedAt, to: last.endedAt, edges: [last.endedAt] }}
        runningAt={null}
        pulse={pulse}
        marks={marks}
        height={height}
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
      Everyone stays together until you send them out.
    </Flex>
  )
}

function Latest({ work, lines }: { work: RoomWorkNow | undefined; lines: 1 | 2 }) {
  return (
    <chakra.p lineClamp={lines}>
      {work?.latest ? (
        <>
          <chakra.span color="quiet">{work.latest.who}: </chakra.span>
          {work.latest.text}
        </>
      ) : (
        <chakra.span color="quiet">Nothing written yet</chakra.span>
      )}
    </chakra.p>
  )
}
