import { Box, chakra } from '@chakra-ui/react'
import type { PutUpShown } from '~/core/live/put-up/shown'

type Results = Extract<PutUpShown, { is: 'question' }>['results']

/** How often each answer was given. */
export function ResultBars({
  results: { answers, counts },
  large = false,
}: {
  results: Results
  large?: boolean
}) {
  const most = Math.max(1, ...counts)
  return (
    <chakra.dl
      display="grid"
      gridTemplateColumns="minmax(60px, max-content) 1fr"
      gap={large ? '10px 20px' : '4px 12px'}
      m="0"
      fontSize={large ? 'xl' : 'm'}
    >
      {answers.map((answer, index) => (
        <Box key={answer} display="contents">
          <chakra.dt overflowWrap="anywhere" maxW="40vw">
            {answer}
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
          </chakra.dd>
        </Box>
      ))}
    </chakra.dl>
  )
}
