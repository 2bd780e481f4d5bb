import { Box, chakra } from '@chakra-ui/react'
import { type ReactNode, useEffect, useRef } from 'react'
import type { Line } from '~/core/live/talk/line'

interface TalkLinesProps<One extends Line> {
  lines: readonly One[]
  /** What can be done with a line. */
  moves?: (line: One) => ReactNode
}

/** The lines of a room's talk, the newest in sight. */
export function TalkLines<One extends Line>({ lines, moves }: TalkLinesProps<One>) {
  const list = useRef<HTMLDivElement>(null)
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is about when there are more.
  useEffect(() => {
    list.current?.scrollTo({ top: list.current.scrollHeight })
  }, [lines.length])
  return (
    <Box
      ref={list}
      role="log"
      aria-label="Talk of this room"
      // Scrolled with the keyboard as well.
      tabIndex={0}
      maxH={{ base: '38vh', md: '260px' }}
      overflowY="auto"
      fontSize="s"
    >
      {lines.length === 0 && <chakra.p color="quiet">Nothing has been said here yet.</chakra.p>}
      {lines.map(line => (
        <chakra.p key={line.id} py="2px" overflowWrap="anywhere">
          <b>{line.by}</b>{' '}
          {line.gone && line.text === '' ? (
            <chakra.span color="quiet">taken off by a facilitator</chakra.span>
          ) : (
            line.text
          )}
          {moves?.(line)}
        </chakra.p>
      ))}
    </Box>
  )
}
