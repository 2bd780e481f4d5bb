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
  /** A drawer stands open beside the lanes. */
  narrow: boolean
  onOpen: (roomId: string) => void
  send: Send
}

/**
 * One room: who is in it, its time running to the right, the latest words, and when it was last visited. Drawn again only
 * when something of this room changed; what shows time ticks by itself.
 */
export const Lane = memo(function Lane(props: LaneProps) {
  const {
    room,
    index,
    rooms,
    hasList,
    people,
    call,
    visits,
    clock,
    prompts,
    done,
    roles,
    work,
    lastVisitAt,
    mends,
    narrow,
    onOpen,
    send,
  } = props
  const alone = clock !== null && people.length === 1
  return (
    <DropPlace
      id={room.id}
      as="li"
      aria-label={room.name}
      templateColumns={{ base: '1fr', md: narrow ? '190px 1fr' : '240px 1fr 230px' }}
      gap="10px"
      alignItems="center"
      borderLeftWidth="4px"
      borderColor={call ? 'ask' : 'transparent'}
      bg={call ? 'askWash' : 'transparent'}
      borderRadius="4px"
      px="8px"
      py="2px"
      css={{ contentVisibility: 'auto', containIntrinsicSize: 'auto 64px' }}
    >
      <Box minW="0">
        <Flex gap="8px" align="center" wrap="wrap">
          <RoomMark index={index} />
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
        <Flex wrap="wrap">
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
      </Box>
      <LaneTrack {...props} />
      {!narrow && (
        <Box fontSize="s" minW="0">
          {prompts > 0 && <Latest work={work} />}
          <Flex justify="space-between" align="center" gap="8px" color="quiet">
            <span>
              {prompts > 0 && `${work?.answeredPrompts ?? 0} of ${prompts} begun · `}
              {done && (
                <chakra.b color="live" fontWeight="600">
                  {done} ·{' '}
                </chakra.b>
              )}
              <VisitedAgo at={lastVisitAt} />
            </span>
            {call && (
              <Button size="small" kind="ask" onClick={() => onOpen(room.id)}>
                Answer
              </Button>
            )}
          </Flex>
        </Box>
      )}
    </DropPlace>
  )
})

function LaneTrack({ room, clock, rounds, marks, work, pageMadeAt }: LaneProps) {
  // A room that stands ready for the next round has no past to show.
  const last = room.used ? rounds.past.at(-1) : undefined
  const pulse = work?.pulse ?? []
  if (clock) {
    const to = clock.graceEndsAt ?? clock.endsAt + clock.graceSeconds * 1000
    const span = { from: clock.startedAt, to, edges: [clock.endsAt] }
    return <Track span={span} runningAt={pageMadeAt} pulse={pulse} marks={marks} />
  }
  if (last) {
    return (
      <Track
        span={{ from: last.startedAt, to: last.endedAt, edges: [last.endedAt] }}
        runningAt={null}
        pulse={pulse}
        marks={marks}
      />
    )
  }
  return (
    <Flex
      h="50px"
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

function Latest({ work }: { work: RoomWorkNow | undefined }) {
  return (
    <chakra.p lineClamp="2">
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
