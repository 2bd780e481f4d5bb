import { chakra } from '@chakra-ui/react'
import type { ComponentType } from 'react'
import type { Answer, ReadAnswer } from '~/core/boards/prompts/kinds'
import { lookOf } from './looks'

/** What stands under a prompt, to read. */
export function AnswerView({ read }: { read: ReadAnswer | undefined }) {
  if (!read?.begun) return <chakra.p color="quiet">Nothing written.</chakra.p>
  const look = lookOf(read.answer.kind)
  if (!look) return <chakra.p color="quiet">{UNKNOWN_KIND}</chakra.p>
  const Shown = look.Answer as ComponentType<{ answer: Answer }>
  return <Shown answer={read.answer} />
}

export const UNKNOWN_KIND = 'This prompt is of a kind that is not known here. Load the page again.'
