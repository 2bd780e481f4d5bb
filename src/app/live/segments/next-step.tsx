import { Coffee, Users } from 'lucide-react'
import { Button } from '../../ui/button'
import { BAR } from '../bar'
import type { LiveView, Send } from '../live-view'

/** The id of the button that goes on, whatever it says: one key presses it. */
export const NEXT_STEP = 'next-step'

/** The one next step, said in full, where it is no round: those are sent out. */
export function NextStep({
  next,
  send,
}: {
  next: NonNullable<LiveView['order']>['segments'][number]
  send: Send
}) {
  const Icon = next.kind === 'break' ? Coffee : Users
  return (
    <Button
      id={NEXT_STEP}
      kind="main"
      {...BAR}
      title="Key: n"
      onClick={() => send({ type: 'next-segment', segmentId: next.id })}
    >
      <Icon size={20} aria-hidden="true" /> {next.name}, {next.minutes} min
    </Button>
  )
}
