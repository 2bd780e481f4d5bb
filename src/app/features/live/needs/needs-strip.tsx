import { chakra, Flex } from '@chakra-ui/react'
import { useState } from 'react'
import { REASON_KINDS, type ReasonKind, type RoomNeed } from '~/core/live/needs/needs'
import { REASON_NAMES, reasonWords } from '~/core/live/needs/words'
import type { LiveView } from '../../../live/live-view'
import { Button } from '../../../ui/button'
import { Tick } from '../../../ui/fields'

interface NeedsStripProps {
  view: LiveView
  needs: readonly RoomNeed[]
  now: number
  off: ReadonlySet<ReasonKind>
  onSwitch: (kind: ReasonKind, on: boolean) => void
  onOpen: (roomId: string) => void
}

/** So many rooms are told with their reason, and so many by name in all; the others are counted. */
const WITH_REASON = 3
const BY_NAME = 12

/** Which rooms need somebody, always on the screen wherever their lanes are; and what counts as a reason. */
export function NeedsStrip({ view, needs, now, off, onSwitch, onOpen }: NeedsStripProps) {
  const [choosing, setChoosing] = useState(false)
  const names = new Map(view.rooms.map(({ id, name }) => [id, name]))
  const inNeed = needs.filter(({ points }) => points > 0)
  return (
    <Flex
      as="section"
      aria-label="Who needs you next"
      position="sticky"
      top="0"
      zIndex="5"
      bg="paper"
      py="4px"
      gap="4px 8px"
      align="center"
      wrap="wrap"
      fontSize="s"
    >
      <chakra.span color="quiet">{inNeed.length > 0 ? 'Next:' : 'No room needs anybody now.'}</chakra.span>
      {inNeed.slice(0, BY_NAME).map(({ roomId, reasons }, place) => (
        <chakra.button
          key={roomId}
          type="button"
          px="8px"
          minH="26px"
          borderWidth="1px"
          borderColor={reasons[0]?.kind === 'help' ? 'ask' : 'edge'}
          bg={reasons[0]?.kind === 'help' ? 'askWash' : 'panel'}
          borderRadius="4px"
          cursor="pointer"
          textAlign="left"
          onClick={() => onOpen(roomId)}
        >
          <b>{names.get(roomId)}</b>
          {place < WITH_REASON && reasons[0] && `: ${reasonWords(reasons[0], now)}`}
        </chakra.button>
      ))}
      {inNeed.length > BY_NAME && <span>and {inNeed.length - BY_NAME} more</span>}
      <Button
        size="small"
        kind="bare"
        ml="auto"
        aria-expanded={choosing}
        onClick={() => setChoosing(!choosing)}
      >
        What counts
      </Button>
      {choosing && (
        <Flex flexBasis="100%" gap="4px 16px" wrap="wrap" role="group" aria-label="What counts as a reason">
          {REASON_KINDS.map(kind => (
            <Tick
              key={kind}
              checked={!off.has(kind)}
              onChange={event => onSwitch(kind, event.target.checked)}
            >
              {REASON_NAMES[kind]}
            </Tick>
          ))}
        </Flex>
      )}
    </Flex>
  )
}
