import { Box, chakra, Flex } from '@chakra-ui/react'
import type { Mark } from '~/core/live/marks'
import { DropPlace } from '../../../live/rooms/drag-people'
import { SignalTags } from '../../../live/signals/signal-tags'
import { VisitedAgo } from '../../../live/visits/visited-ago'
import { RoomMark } from '../../../ui/room-mark'
import { type LaneProps, LaneTrack, RoomButton } from './lane-parts'

/** A room that needs nobody, where there are very many: one low line, from which it is opened. */
export function FoldedLane(props: LaneProps) {
  const { room, index, people, signals, prompts, done, work, lastVisitAt, narrow, onOpen } = props
  const here = people.filter(({ connected }) => connected).length
  return (
    <DropPlace
      id={room.id}
      as="li"
      aria-label={room.name}
      templateColumns={{ base: '1fr auto', md: narrow ? '250px 1fr' : '250px 1fr 230px' }}
      gap="8px"
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
        <SignalTags counts={signals} />
      </Flex>
      <Box display={{ base: 'none', md: 'block' }}>
        <LaneTrack {...props} marks={NO_MARKS} height={16} />
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
