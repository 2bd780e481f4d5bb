import { LifeBuoy } from 'lucide-react'
import type { ParticipantView } from '~/core/live/views'
import { Button } from '../../ui/button'
import type { SendFromPlace } from '../live-view'

/** Calling for help, and taking it back. */
export function HelpButton({ help, onSend }: { help: ParticipantView['help']; onSend: SendFromPlace }) {
  return help ? (
    <Button size="large" onClick={() => onSend({ type: 'withdraw-help', helpId: help.id })}>
      Not needed any more
    </Button>
  ) : (
    <Button kind="ask" size="large" onClick={() => onSend({ type: 'call-help' })}>
      <LifeBuoy size={20} aria-hidden="true" /> Call for help
    </Button>
  )
}
