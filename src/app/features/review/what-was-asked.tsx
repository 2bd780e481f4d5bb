import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { MessageCircle, MessageCircleQuestion, Reply } from 'lucide-react'
import type { QuestionNow } from '~/core/live/questions/shown'
import type { CommentedThen } from '~/core/review/asked'
import { timeOfDay } from '~/core/schedule/session-time'
import { calledOf, changeText } from '../../live/questions/question-words'
import { ResultsShown } from '../../live/questions/results-shown'
import { WhoAnswered } from '../../live/questions/who-answered'
import { Section } from '../../ui/layout'

/** Quick questions, with what they came to. */
export function WhatWasAsked({ asked }: { asked: QuestionNow[] }) {
  if (asked.length === 0) return null
  return (
    <Section title="Questions">
      <Stack as="ul" listStyleType="none" gap="16px" aria-label="Questions">
        {asked.map(({ results, before, change, named }) => (
          <chakra.li key={results.id} borderWidth="1px" borderRadius="8px" p="10px 12px">
            <Flex gap="6px" align="center" mb="6px" wrap="wrap">
              <MessageCircleQuestion size={16} aria-hidden="true" />
              <chakra.b overflowWrap="anywhere">{calledOf(results)}</chakra.b>
              <chakra.span color="quiet" fontSize="s">
                {results.answered === 1 ? '1 answer' : `${results.answered} answers`}
                {results.anonymous && ', without names'}
                {before !== null && ', asked again'}
              </chakra.span>
            </Flex>
            <ResultsShown results={results} before={before} drawn />
            {change && <p>{changeText(change)}</p>}
            {named.length > 0 && <WhoAnswered named={named} />}
          </chakra.li>
        ))}
      </Stack>
    </Section>
  )
}

/** What facilitators remarked on the work, and what became of it. */
export function WhatWasCommented({ commented, timeZone }: { commented: CommentedThen[]; timeZone: string }) {
  if (commented.length === 0) return null
  return (
    <Section title="Comments">
      <Stack as="ul" listStyleType="none" gap="12px" aria-label="Comments">
        {commented.map(({ id, at, from, room, asks, quote, text, settledBy, answers }) => (
          <Box as="li" key={id}>
            <Flex fontSize="s" color="quiet" gap="6px" align="center" wrap="wrap">
              <MessageCircle size={16} aria-hidden="true" />
              {timeOfDay(at, timeZone)}, {from}, in {room}
              {asks !== '' && ` on “${asks}”`} ·{' '}
              {settledBy === null ? 'not dealt with' : `dealt with by ${settledBy}`}
            </Flex>
            {quote !== '' && (
              <chakra.blockquote
                borderLeftWidth="3px"
                ps="8px"
                color="quiet"
                overflowWrap="anywhere"
                whiteSpace="pre-wrap"
              >
                {quote}
              </chakra.blockquote>
            )}
            <chakra.p whiteSpace="pre-wrap" overflowWrap="anywhere">
              {text}
            </chakra.p>
            {answers.map(answer => (
              <Flex key={answer.id} gap="6px" fontSize="s" align="flex-start">
                <chakra.span flexShrink="0" pt="2px">
                  <Reply size={16} aria-hidden="true" />
                </chakra.span>
                <chakra.span overflowWrap="anywhere" minW="0">
                  <b>{answer.by}</b>: {answer.text}
                </chakra.span>
              </Flex>
            ))}
          </Box>
        ))}
      </Stack>
    </Section>
  )
}
