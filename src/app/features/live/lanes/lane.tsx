import { Box, chakra, Flex } from '@chakra-ui/react'
import { memo } from 'react'
import { DropPlace } from '../../../live/rooms/drag-people'
import { VisitedAgo } from '../../../live/visits/visited-ago'
import { RoomMark } from '../../../ui/room-mark'
import { DenseLane } from './dense-lane'
import { FoldedLane } from './folded-lane'
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
 * One room: who is in it, its time running to the right, the latest words, and when it was last visited. Drawn again only
 * when something of this room changed; what shows time ticks by itself.
 */
export const Lane = memo(function Lane(props: LaneProps) {
  if (props.size === 'folded') return <FoldedLane {...props} />
  if (props.size === 'dense') return <DenseLane {...props} />
  return <FullLane {...props} />
})

function FullLane(props: LaneProps) {
  const { room, index, call, reasons, narrow, onOpen } = props
  return (
    <DropPlace
      id={room.id}
      as="li"
      aria-label={room.name}
      templateColumns={{ base: '1fr', md: narrow ? '190px 1fr' : '240px 1fr 230px' }}
      gap="10px"
      alignItems="center"
      borderLeftWidth="4px"
      borderColor={call || reasons ? 'ask' : 'transparent'}
      bg={call ? 'askWash' : 'transparent'}
      borderRadius="4px"
      px="8px"
      py="2px"
      css={{ contentVisibility: 'auto', containIntrinsicSize: 'auto 64px' }}
    >
      <Box minW="0">
        <Flex gap="8px" align="center" wrap="wrap">
          <RoomMark index={index} />
          <RoomButton room={room} onOpen={onOpen} />
          <LaneTags {...props} />
        </Flex>
        <Flex wrap="wrap">
          <LanePeople {...props} />
        </Flex>
        {reasons && narrow && <Reasons reasons={reasons} />}
      </Box>
      <LaneTrack {...props} height={50} />
      {!narrow && <LaneFacts {...props} />}
    </DropPlace>
  )
}

const Reasons = ({ reasons }: Pick<LaneProps, 'reasons'>) => (
  <chakra.p color="ask" fontSize="s" fontWeight="600" lineClamp={2} title={reasons}>
    {reasons}
  </chakra.p>
)

/** Why it needs somebody, its latest words, how far it is, and what answers. */
function LaneFacts(props: LaneProps) {
  const { prompts, done, work, lastVisitAt, reasons } = props
  return (
    <Flex fontSize="s" minW="0" gap="8px" align="center" justify="space-between">
      <Box minW="0">
        {reasons && <Reasons reasons={reasons} />}
        {prompts > 0 && <Latest work={work} lines={reasons ? 1 : 2} />}
        <chakra.p color="quiet">
          {prompts > 0 && `${work?.answeredPrompts ?? 0} of ${prompts} begun · `}
          {done && (
            <chakra.b color="live" fontWeight="600">
              {done} ·{' '}
            </chakra.b>
          )}
          <VisitedAgo at={lastVisitAt} />
        </chakra.p>
      </Box>
      <AnswerButton {...props} />
    </Flex>
  )
}
