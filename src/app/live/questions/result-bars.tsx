import { Box, chakra } from '@chakra-ui/react'
import { placesOf } from '~/core/live/questions/question'
import type { Results } from '~/core/live/questions/results'

interface ResultBarsProps {
  results: Results
  /** What the same came to when it was asked before. */
  before: Results | null
  large?: boolean
}

/** How often each answer was given. */
export function ResultBars({ results: { asks, counts }, before, large = false }: ResultBarsProps) {
  const most = Math.max(1, ...counts)
  return (
    <chakra.dl
      display="grid"
      gridTemplateColumns="minmax(60px, max-content) 1fr"
      gap={large ? '10px 20px' : '4px 12px'}
      m="0"
      fontSize={large ? 'xl' : 'm'}
    >
      {(placesOf(asks) ?? []).map(({ answer, name }, index) => (
        <Box key={answer} display="contents">
          <chakra.dt overflowWrap="anywhere" maxW="40vw">
            {name}
          </chakra.dt>
          <chakra.dd display="flex" alignItems="center" gap="8px" m="0">
            <Box
              aria-hidden="true"
              h={large ? '28px' : '12px'}
              borderRadius="3px"
              bg="live"
              style={{ width: `${(70 * (counts[index] ?? 0)) / most}%` }}
            />
            {counts[index] ?? 0}
            {before && !before.tooFew && (
              <chakra.span color="quiet" whiteSpace="nowrap">
                (before: {before.counts[index] ?? 0})
              </chakra.span>
            )}
          </chakra.dd>
        </Box>
      ))}
    </chakra.dl>
  )
}
