import { chakra, Flex } from '@chakra-ui/react'
import { Button } from '../../ui/button'
import { Message } from '../../ui/layout'
import type { LiveView, Send } from '../live-view'
import { HELP_REASON_WORDS } from './reason-words'

interface AnswerHelpProps {
  call: LiveView['help'][number]
  /** Who called. */
  who: string
  accountId: string
  send: Send
}

/** In so many minutes one can say to come. */
const MINUTES = [2, 5]

/** A call for help in its room: why, who goes there, and saying that one does. */
export function AnswerHelp({ call: { id, reason, taken }, who, accountId, send }: AnswerHelpProps) {
  const take = (minutes: number) => send({ type: 'take-help', helpId: id, minutes })
  const isMine = taken?.accountId === accountId
  return (
    <Message kind="problem">
      <chakra.p mb="6px">
        {who} calls for help{reason && ` (${HELP_REASON_WORDS[reason]})`}.{' '}
        {taken && !isMine
          ? `${taken.name} goes there.`
          : isMine
            ? 'The room knows that you come.'
            : 'Answer with a visit, or with a note.'}
      </chakra.p>
      {!(taken && !isMine) && (
        <Flex gap="6px" wrap="wrap">
          <Button size="small" aria-pressed={isMine} onClick={() => take(0)}>
            I go there
          </Button>
          {MINUTES.map(minutes => (
            <Button key={minutes} size="small" onClick={() => take(minutes)}>
              In {minutes} min
            </Button>
          ))}
          {isMine && (
            <Button size="small" onClick={() => send({ type: 'let-help-go', helpId: id })}>
              Not me after all
            </Button>
          )}
        </Flex>
      )}
    </Message>
  )
}
