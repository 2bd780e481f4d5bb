import { Stack } from '@chakra-ui/react'
import { Suspense } from 'react'
import { whenMet } from '../../prompts/when-met'
import type { MessagesProps } from './message-list'

const MessageList = whenMet(() => import('./message-list'))

/** Broadcasts and notes: on top of the page until put away, and kept below a fold afterwards. */
export function Messages(props: MessagesProps) {
  return (
    <Stack gap="8px" aria-live="assertive">
      {props.messages.length > 0 && (
        <Suspense fallback={null}>
          <MessageList {...props} />
        </Suspense>
      )}
    </Stack>
  )
}
