import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { Eye, Megaphone, MessageSquare, Reply } from 'lucide-react'
import type { ObservedThen, SaidThen } from '~/core/review/said'
import { timeOfDay } from '~/core/schedule/session-time'
import { Section } from '../../ui/layout'

interface Times {
  timeZone: string
}

/** What facilitators said, to whom, and what was answered. */
export function WhatWasSaid({ said, timeZone }: { said: SaidThen[] } & Times) {
  if (said.length === 0) return null
  return (
    <Section title="What was said">
      <Stack as="ul" listStyleType="none" gap="12px" aria-label="What was said">
        {said.map(({ id, kind, at, from, to, text, thing, seen, answers }) => {
          const Icon = kind === 'broadcast' ? Megaphone : MessageSquare
          return (
            <Box as="li" key={id}>
              <Flex fontSize="s" color="quiet" gap="6px" align="center" wrap="wrap">
                <Icon size={16} aria-hidden="true" />
                {timeOfDay(at, timeZone)}, {from}, to {to?.join(', ') ?? 'everybody'} · seen by {seen}
              </Flex>
              <chakra.p whiteSpace="pre-wrap" overflowWrap="anywhere">
                {text}
              </chakra.p>
              {thing !== null && (
                <chakra.p fontSize="s" overflowWrap="anywhere">
                  With: {thing}
                </chakra.p>
              )}
              {answers.length > 0 && (
                <Stack as="ul" listStyleType="none" gap="2px" mt="2px" aria-label={`Answers to ${text}`}>
                  {answers.map(answer => (
                    <Flex as="li" key={answer.id} gap="6px" fontSize="s" align="flex-start">
                      <chakra.span flexShrink="0" pt="2px">
                        <Reply size={16} aria-hidden="true" />
                      </chakra.span>
                      <chakra.span overflowWrap="anywhere" minW="0">
                        <b>{answer.by}</b>
                        {answer.room !== null && ` (${answer.room})`}: {answer.text}
                      </chakra.span>
                    </Flex>
                  ))}
                </Stack>
              )}
            </Box>
          )
        })}
      </Stack>
    </Section>
  )
}

/** What facilitators noted down on rooms and people: it stands on no other page, and in no file. */
export function WhatWasObserved({ observed, timeZone }: { observed: ObservedThen[] } & Times) {
  if (observed.length === 0) return null
  return (
    <Section title="Observations">
      <chakra.p fontSize="s" color="quiet" mb="8px">
        Facilitators alone read these; they are in none of the downloads.
      </chakra.p>
      <Stack as="ul" listStyleType="none" gap="10px" aria-label="Observations">
        {observed.map(({ id, at, from, on, text }) => (
          <Box as="li" key={id}>
            <Flex fontSize="s" color="quiet" gap="6px" align="center" wrap="wrap">
              <Eye size={16} aria-hidden="true" />
              {timeOfDay(at, timeZone)}, {from}, on <b>{on}</b>
            </Flex>
            <chakra.p whiteSpace="pre-wrap" overflowWrap="anywhere">
              {text}
            </chakra.p>
          </Box>
        ))}
      </Stack>
    </Section>
  )
}
