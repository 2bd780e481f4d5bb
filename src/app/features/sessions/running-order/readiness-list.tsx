import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { memo } from 'react'
import type { Concern } from '~/core/schedule/readiness'
import { Button } from '../../../ui/button'

/** Drawn again only when it says something else: a long plan has one for each of its rounds. */
const ConcernLine = memo(function ConcernLine({
  segmentId,
  text,
  onShow,
}: Pick<Concern, 'segmentId' | 'text'> & { onShow: (segmentId: string) => void }) {
  return (
    <Flex as="li" gap="8px" align="center" wrap="wrap">
      <Flex gap="8px">
        <chakra.span color="ask" aria-hidden="true">
          ●
        </chakra.span>
        <span>{text}</span>
      </Flex>
      {segmentId !== null && (
        <Button size="small" kind="bare" onClick={() => onShow(segmentId)}>
          Show it
        </Button>
      )}
    </Flex>
  )
})

/** What would go wrong, each with the way to where it is mended. */
export function ReadinessList({
  concerns,
  onShow,
}: {
  concerns: Concern[]
  onShow: (segmentId: string) => void
}) {
  return (
    <Box as="section" aria-label="Readiness" mt="14px">
      <chakra.h3 fontSize="m" mb="6px">
        Readiness
      </chakra.h3>
      {concerns.length === 0 ? (
        <chakra.p color="quiet">Nothing stands in the way.</chakra.p>
      ) : (
        <Stack as="ul" gap="4px" listStyleType="none">
          {concerns.map(({ segmentId, code, text }) => (
            <ConcernLine
              key={`${segmentId} ${code} ${text}`}
              segmentId={segmentId}
              text={text}
              onShow={onShow}
            />
          ))}
        </Stack>
      )}
    </Box>
  )
}
