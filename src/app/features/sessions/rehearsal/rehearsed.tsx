import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { useFetcher } from 'react-router'
import type { RehearsalReport } from '~/core/rehearsal/report'
import type { Segment } from '~/core/schedule/running-order'
import { Button } from '../../../ui/button'
import { When } from '../../../ui/when'

interface RehearsedProps {
  sessionId: string
  report: RehearsalReport | null
  segments: readonly Segment[]
  onShow: (segmentId: string) => void
}

/** What the last rehearsal showed, each with the way to where it is mended. */
export function Rehearsed({ sessionId, report, segments, onShow }: RehearsedProps) {
  const forget = useFetcher()
  if (!report || forget.state !== 'idle') return null
  const { at, people, rounds, written, findings } = report
  return (
    <Box as="section" aria-label="What the rehearsal showed" mt="14px">
      <Flex gap="4px 12px" align="baseline" wrap="wrap" mb="6px">
        <chakra.h3 fontSize="m">What the rehearsal showed</chakra.h3>
        <chakra.span color="quiet" fontSize="s">
          <When at={new Date(at)} />: {counted(people, 'simulated participant')}, {counted(rounds, 'round')},{' '}
          {counted(written, 'contribution')}
        </chakra.span>
        <forget.Form method="post" action={`/sessions/${sessionId}/rehearse`}>
          <Button type="submit" size="small" kind="bare" name="intent" value="forget">
            Put away
          </Button>
        </forget.Form>
      </Flex>
      {findings.length === 0 ? (
        <chakra.p color="quiet">Nobody was alone or waited long, and rooms got to everything.</chakra.p>
      ) : (
        <Stack as="ul" gap="4px" listStyleType="none">
          {findings.map(({ segmentId, code, text }) => (
            <Flex as="li" key={`${segmentId} ${code} ${text}`} gap="8px" align="center" wrap="wrap">
              <Flex gap="8px">
                <chakra.span color="ask" aria-hidden="true">
                  ●
                </chakra.span>
                <span>{text}</span>
              </Flex>
              {segmentId !== null && segments.some(({ id }) => id === segmentId) && (
                <Button size="small" kind="bare" onClick={() => onShow(segmentId)}>
                  Show it
                </Button>
              )}
            </Flex>
          ))}
        </Stack>
      )}
    </Box>
  )
}

const counted = (count: number, what: string) => `${count} ${what}${count === 1 ? '' : 's'}`
