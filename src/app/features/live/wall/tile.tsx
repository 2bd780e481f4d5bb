import { Box, chakra, Flex } from '@chakra-ui/react'
import { maxBy } from 'lodash-es'
import { CircleAlert } from 'lucide-react'
import { memo } from 'react'
import type { WallCell, WallTile } from '~/core/live/wall/tiles'
import { RoomMark } from '../../../ui/room-mark'

export type TileSize = 'large' | 'middle' | 'small'

interface TileProps {
  tile: WallTile
  name: string
  /** Where the room stands among the rooms. */
  index: number
  size: TileSize
  /** Why it needs somebody, in words; empty for nothing. */
  reason: string
  calls: boolean
  buttonId: string
  onOpen: (roomId: string) => void
}

/** A room's board from far: how much stands under each prompt, where something is new, and who is there. */
export const Tile = memo(function Tile({
  tile,
  name,
  index,
  size,
  reason,
  calls,
  buttonId,
  onOpen,
}: TileProps) {
  const { roomId, people, cells } = tile
  return (
    <li>
      <chakra.button
        id={buttonId}
        type="button"
        display="flex"
        flexDirection="column"
        alignItems="stretch"
        w="full"
        h="full"
        minH={size === 'small' ? '58px' : '92px'}
        p={size === 'small' ? '4px 6px' : '8px'}
        textAlign="left"
        verticalAlign="top"
        bg={calls ? 'askWash' : 'panel'}
        borderWidth="2px"
        borderColor={reason ? 'ask' : 'line'}
        borderRadius="6px"
        cursor="pointer"
        onClick={() => onOpen(roomId)}
      >
        <TileHead name={name} index={index} people={people} reason={reason} isSmall={size === 'small'} />
        {size === 'large' ? (
          <Box>
            {cells.map(cell => (
              <PromptLine key={cell.promptId} cell={cell} />
            ))}
          </Box>
        ) : (
          <Flex gap="3px">
            {cells.map(cell => (
              <Cell key={cell.promptId} cell={cell} hasRoom={cells.length <= 6} />
            ))}
          </Flex>
        )}
        {size === 'middle' && <Newest cells={cells} />}
        {reason && (
          <chakra.div
            color="ask"
            fontSize="s"
            fontWeight="600"
            lineHeight="1.25"
            mt="3px"
            lineClamp={2}
            title={reason}
            srOnly={size === 'small'}
          >
            {reason}
          </chakra.div>
        )}
      </chakra.button>
    </li>
  )
})

interface TileHeadProps extends Pick<TileProps, 'name' | 'index' | 'reason'> {
  people: number
  isSmall: boolean
}

/** So many rooms leave no line for the reason of one: it is a sign in the place of its mark; words stand above the wall, and in the room. */
function TileHead({ name, index, people, reason, isSmall }: TileHeadProps) {
  return (
    <Flex gap={isSmall ? '4px' : '6px'} align={isSmall ? 'flex-start' : 'center'} mb="4px">
      {isSmall && reason ? (
        <chakra.span color="ask" flexShrink="0">
          <CircleAlert size={16} aria-hidden="true" />
        </chakra.span>
      ) : (
        <RoomMark index={index} size={16} />
      )}
      <chakra.b
        fontSize={isSmall ? 's' : 'm'}
        lineHeight="1.15"
        lineClamp={isSmall ? 2 : 1}
        overflowWrap="anywhere"
        title={name}
      >
        {name}
      </chakra.b>
      <chakra.span color="quiet" fontSize="s" ml="auto" srOnly={isSmall}>
        {people}
        <chakra.span srOnly> here</chakra.span>
      </chakra.span>
    </Flex>
  )
}

/** What a cell says to whoever hears it. */
const cellWords = ({ number, pieces, isLit, here }: WallCell): string =>
  [`prompt ${number}: ${pieces}`, isLit && 'just now', here.length > 0 && `${here.join(', ')} there`]
    .filter(Boolean)
    .join(', ')

/** Filled when something is new, quiet while nothing stands there. */
const litLook = ({ isLit, pieces }: WallCell) => ({
  borderColor: isLit ? 'live' : 'edge',
  bg: isLit ? 'live' : 'transparent',
  color: isLit ? 'onLive' : pieces > 0 ? 'ink' : 'quiet',
})

/** One prompt as a field: how many pieces, filled when something is new, a dot for each who wrote there last. */
function Cell({ cell, hasRoom }: { cell: WallCell; hasRoom: boolean }) {
  const { pieces, here } = cell
  return (
    <Box
      flex="1"
      minW="0"
      textAlign="center"
      borderWidth="1px"
      {...litLook(cell)}
      borderRadius="3px"
      lineHeight="1.2"
      title={cell.text}
    >
      <chakra.span srOnly>{cellWords(cell)} </chakra.span>
      <Box aria-hidden="true" fontWeight="650" fontSize="m" minH="19px">
        {hasRoom && (pieces > 0 ? pieces : '·')}
      </Box>
      <Box aria-hidden="true" fontSize="xs" lineHeight="0.7" h="9px" overflow="hidden" letterSpacing="1px">
        {'•'.repeat(Math.min(here.length, 4))}
      </Box>
    </Box>
  )
}

/** One prompt with what was written last, for tiles with room for it. */
function PromptLine({ cell }: { cell: WallCell }) {
  const { number, pieces, latest, isLit, here } = cell
  return (
    <Flex gap="6px" align="baseline" fontSize="s" lineHeight="1.35" mb="2px">
      <chakra.span
        flexShrink="0"
        minW="26px"
        textAlign="center"
        borderRadius="3px"
        borderWidth="1px"
        {...litLook(cell)}
        fontWeight="650"
      >
        <chakra.span srOnly>prompt {number}: </chakra.span>
        {pieces}
        {isLit && <chakra.span srOnly> just now</chakra.span>}
      </chakra.span>
      <Box minW="0">
        <chakra.div lineClamp={1} color={latest ? undefined : 'quiet'}>
          {latest || cell.text}
        </chakra.div>
        {here.length > 0 && (
          <chakra.div color="quiet" fontSize="xs" lineClamp={1}>
            {here.join(', ')}
          </chakra.div>
        )}
      </Box>
    </Flex>
  )
}

/** The newest words under any prompt. */
function Newest({ cells }: { cells: readonly WallCell[] }) {
  const newest = maxBy(
    cells.filter(({ latest }) => latest),
    'at',
  )
  return (
    <chakra.div fontSize="s" lineHeight="1.3" mt="4px" lineClamp={2} color={newest ? undefined : 'quiet'}>
      {newest?.latest ?? 'Nothing written yet'}
    </chakra.div>
  )
}
