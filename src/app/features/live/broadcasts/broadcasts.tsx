import { chakra, Stack } from '@chakra-ui/react'
import type { LiveView, Send } from '../../../live/live-view'
import { Drawer } from '../drawer'
import { Compose } from './compose'
import { Said } from './said'
import { Waiting } from './waiting'

/** The button that shows them, to which the focus goes back. */
export const BROADCASTS = 'broadcasts'

interface BroadcastsProps {
  sessionId: string
  view: LiveView
  timeZone: string
  onClose: () => void
  send: Send
}

/** Saying something to all or to some, now or later; and what was said, how far it has come, and what came back. */
export function Broadcasts({ sessionId, view, timeZone, onClose, send }: BroadcastsProps) {
  const said = view.messages.toReversed()
  return (
    <Drawer label="Broadcasts" title="Broadcasts" onClose={onClose}>
      <Stack gap="16px">
        <Compose sessionId={sessionId} view={view} send={send} />
        {view.scheduled.length > 0 && <Waiting view={view} timeZone={timeZone} send={send} />}
        <section aria-labelledby="said-so-far">
          <chakra.h3 id="said-so-far" fontWeight="650" mb="6px">
            Said so far
          </chakra.h3>
          {said.length === 0 ? (
            <chakra.p color="quiet">Nothing yet.</chakra.p>
          ) : (
            <Stack as="ul" listStyleType="none" gap="12px">
              {said.map(message => (
                <Said key={message.id} message={message} view={view} timeZone={timeZone} send={send} />
              ))}
            </Stack>
          )}
        </section>
      </Stack>
    </Drawer>
  )
}
