import { Box, chakra, Flex, Grid } from '@chakra-ui/react'
import type { RoomWorkNow } from '~/contracts/live'
import { roughLength } from '~/core/schedule/session-time'
import { Track } from '../../lanes/track'
import { useServerNow } from '../../live-client/server-clock'
import { Button } from '../../ui/button'
import { Tag } from '../../ui/layout'
import { RoomMark } from '../../ui/room-mark'
import type { LiveView, Send } from './live-view'
import { PersonMenu } from './person-menu'

interface LaneProps {
  room: LiveView['rooms'][number]
  place: number
  view: LiveView
  work: RoomWorkNow | undefined
  pageMadeAt: number
  /** A drawer stands open beside the lanes. */
  narrow: boolean
  onOpen: () => void
  send: Send
}

/** One room: who is in it, its time running to the right, the latest words, and when it was last visited. */
export function Lane({ room, place, view, work, pageMadeAt, narrow, onOpen, send }: LaneProps) {
  const now = useServerNow(pageMadeAt)
  const people = view.people.filter(person =>
    view.clock ? person.inRoom && person.roomId === room.id : person.admitted && person.roomId === room.id,
  )
  const call = view.help.find(candidate => candidate.roomId === room.id)
  const visits = view.visits.filter(visit => visit.roomId === room.id)
  return (
    <Grid
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
    >
      <Box minW="0">
        <Flex gap="8px" align="center" wrap="wrap">
          <RoomMark place={place} />
          <chakra.button
            type="button"
            fontWeight="650"
            minH="24px"
            cursor="pointer"
            textAlign="left"
            _hover={{ textDecoration: 'underline' }}
            onClick={onOpen}
          >
            {room.name}
          </chakra.button>
          {call && <Tag kind="ask">help, {roughLength(now - call.at)}</Tag>}
          {visits.map(visit => (
            <Tag key={visit.accountId} kind="live">
              {visit.name} visits
            </Tag>
          ))}
        </Flex>
        <Flex wrap="wrap">
          {people.map(person => (
            <PersonMenu key={person.id} person={person} view={view} now={now} send={send} />
          ))}
          {people.length === 0 && (
            <chakra.span color="quiet" fontSize="s" px="6px">
              Nobody yet
            </chakra.span>
          )}
        </Flex>
      </Box>
      <LaneTrack view={view} work={work} roomId={room.id} now={now} />
      {!narrow && (
        <Box fontSize="s" minW="0">
          <Latest work={work} />
          <Flex justify="space-between" align="center" gap="8px" color="quiet">
            <span>
              {work?.answeredPrompts ?? 0} of {view.board.prompts.length} begun ·{' '}
              {room.lastVisitAt ? `visited ${ago(now - room.lastVisitAt)}` : 'not visited'}
            </span>
            {call && (
              <Button size="small" kind="ask" onClick={onOpen}>
                Answer
              </Button>
            )}
          </Flex>
        </Box>
      )}
    </Grid>
  )
}

const ago = (milliseconds: number) => {
  const length = roughLength(milliseconds)
  return length === 'just now' ? length : `${length} ago`
}

function LaneTrack({
  view,
  work,
  roomId,
  now,
}: {
  view: LiveView
  work: RoomWorkNow | undefined
  roomId: string
  now: number
}) {
  const { clock, session } = view
  const last = session.pastRounds.at(-1)
  const marks = view.marks.filter(mark => mark.roomId === roomId)
  const pulse = work?.pulse ?? []
  if (clock) {
    const to = clock.graceEndsAt ?? clock.endsAt + session.graceSeconds * 1000
    return (
      <Track
        span={{ from: clock.startedAt, to, edges: [clock.endsAt] }}
        now={now}
        pulse={pulse}
        marks={marks}
      />
    )
  }
  if (last) {
    return (
      <Track
        span={{ from: last.startedAt, to: last.endedAt, edges: [last.endedAt] }}
        now={null}
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
