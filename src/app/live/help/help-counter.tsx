import { Box, chakra } from '@chakra-ui/react'
import { LifeBuoy } from 'lucide-react'
import { Button } from '../../ui/button'
import { BAR } from '../bar'
import type { HelpCalls } from './use-help-calls'

/** Rooms that call, wherever their lanes are. */
export function HelpCounter({ calls }: { calls: HelpCalls }) {
  const [first] = calls.waiting
  const count = calls.waiting.length
  return (
    <Box role="status">
      {first && (
        <Button {...BAR} kind="ask" title="Key: h" onClick={calls.go}>
          <LifeBuoy size={20} aria-hidden="true" />
          <span>
            {/* However long its name is, all else in the bar keeps its place. */}
            <chakra.span
              display="inline-block"
              verticalAlign="bottom"
              overflow="hidden"
              textOverflow="ellipsis"
              whiteSpace="nowrap"
              maxW="170px"
            >
              {count === 1 ? first.roomName : `${count} rooms`}
            </chakra.span>{' '}
            {count === 1 ? 'calls' : 'call'}
          </span>
        </Button>
      )}
    </Box>
  )
}
