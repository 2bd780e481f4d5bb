import { chakra } from '@chakra-ui/react'
import { type ComponentType, Suspense } from 'react'
import type { Answer, ReadAnswer } from '~/core/boards/prompts/kinds'
import { lookOf } from './looks'

/** What stands under a prompt, to read. */
export function AnswerView({ read }: { read: ReadAnswer | undefined }) {
  if (!read?.begun) return <chakra.p color="quiet">Nothing written.</chakra.p>
  const look = lookOf(read.answer.kind)
  if (!look) return <chakra.p color="quiet">{UNKNOWN_KIND}</chakra.p>
  const Shown = look.Answer as ComponentType<{ answer: Answer }>
  return (
    <Suspense fallback={<chakra.p color="quiet">Opening…</chakra.p>}>
      <Shown answer={read.answer} />
    </Suspense>
  )
}

/** What all rooms' answers to a prompt come to together; nothing for kinds of which nothing can be said. */
export function TogetherView({ reads }: { reads: readonly ReadAnswer[] }) {
  const begun = reads.filter(read => read.begun).map(({ answer }) => answer)
  const [first] = begun
  const look = first && lookOf(first.kind)
  if (!look?.Together || begun.length < 2) return null
  const Shown = look.Together as ComponentType<{ answers: Answer[] }>
  return (
    <chakra.section
      bg="panel"
      borderWidth="1px"
      borderRadius="8px"
      p="12px"
      mb="12px"
      aria-labelledby="all-rooms-together"
    >
      <chakra.h3 id="all-rooms-together" fontSize="m" mb="8px">
        All rooms together
      </chakra.h3>
      <Suspense fallback={<chakra.p color="quiet">Opening…</chakra.p>}>
        <Shown answers={begun} />
      </Suspense>
    </chakra.section>
  )
}

export const UNKNOWN_KIND = 'This prompt is of a kind that is not known here. Load the page again.'
