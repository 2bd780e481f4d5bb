import { Box, chakra, Flex } from '@chakra-ui/react'
import { DropPlace } from '../../../live/rooms/drag-people'
import { VisitedAgo } from '../../../live/visits/visited-ago'
import { RoomMark } from '../../../ui/room-mark'
import {
  AnswerButton,
  LanePeople,
  type LaneProps,
  LaneTags,
  LaneTrack,
  Latest,
  RoomButton,
} from './lane-parts'

/**
 * A room where there are many: all of it in one line, so that twelve are in sight at once. Names that find no place in it stand
 * in the room's drawer, and as a number beside the room's.
 */
export function DenseLane(props: LaneProps) {
  const { room, index, people, call, reasons, narrow, onOpen } = props
  return (
    <DropPlace
      id={room.id}
      as="li"
      aria-label={room.name}
      templateColumns={{ base: '1fr', md: narrow ? '160px 220px 1fr' : '170px 240px 1fr 300px' }}
      gap={{ base: '2px', md: '8px' }}
      alignItems="center"
      borderLeftWidth="4px"
      borderColor={call || reasons ? 'ask' : 'transparent'}
      bg={call ? 'askWash' : 'transparent'}
      borderRadius="4px"
      px="8px"
      css={{ contentVisibility: 'auto', containIntrinsicSize: 'auto 32px' }}
    >
      <Flex gap="8px" align="center" minW="0">
        <RoomMark index={index} size={18} />
        <RoomButton room={room} onOpen={onOpen} />
        {people.length > 0 && (
          <chakra.span color="quiet" fontSize="s">
            {people.length}
          </chakra.span>
        )}
      </Flex>
      <Flex wrap="wrap" align="center" gap="0 6px" maxH={{ base: 'none', md: '28px' }} overflow="hidden">
        <LaneTags {...props} />
        <LanePeople {...props} />
      </Flex>
      <LaneTrack {...props} height={28} />
      {!narrow && <DenseFacts {...props} />}
    </DropPlace>
  )
}

function DenseFacts(props: LaneProps) {
  const { prompts, done, work, lastVisitAt, reasons } = props
  return (
    <Flex fontSize="s" minW="0" gap="8px" align="center">
      <Box minW="0" flex="1">
        {reasons ? (
          <chakra.p color="ask" fontWeight="600" lineClamp={1} title={reasons}>
            {reasons}
          </chakra.p>
        ) : (
          prompts > 0 && <Latest work={work} lines={1} />
        )}
      </Box>
      <chakra.span color={done ? 'live' : 'quiet'} fontWeight={done ? '600' : undefined} whiteSpace="nowrap">
        {done || (prompts > 0 && `${work?.answeredPrompts ?? 0} of ${prompts} begun`)}
        {lastVisitAt !== undefined && (
          <>
            {' · '}
            <VisitedAgo at={lastVisitAt} />
          </>
        )}
      </chakra.span>
      <AnswerButton {...props} />
    </Flex>
  )
}
