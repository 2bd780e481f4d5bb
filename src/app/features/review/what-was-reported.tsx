import { chakra, Stack } from '@chakra-ui/react'
import type { ReportedThen } from '~/core/review/asked'
import { Section } from '../../ui/layout'

/** What was taken down of each room when the rooms reported. */
export function WhatWasReported({ reported }: { reported: ReportedThen[] }) {
  if (reported.length === 0) return null
  return (
    <Section title="Report back">
      {reported.map(({ rooms }, index) => (
        <Stack
          // biome-ignore lint/suspicious/noArrayIndexKey: they stand in the order in which they were.
          key={index}
          as="ol"
          listStyleType="none"
          gap="8px"
          mb="12px"
          aria-label={reported.length > 1 ? `Report back ${index + 1}` : 'Report back'}
        >
          {rooms.map(({ id, name, reporter, heardAt, points }) => (
            <chakra.li key={id} overflowWrap="anywhere">
              <b>{name}</b>
              <chakra.span color="quiet">
                {reporter !== '' && `, ${reporter}`}
                {heardAt === null && ', was not heard'}
              </chakra.span>
              {points !== '' && <chakra.p whiteSpace="pre-wrap">{points}</chakra.p>}
            </chakra.li>
          ))}
        </Stack>
      ))}
    </Section>
  )
}
