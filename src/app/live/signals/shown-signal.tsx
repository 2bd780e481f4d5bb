import type { Signal } from '~/core/live/signals/signal'
import { SIGNAL_LOOK } from './signal-look'

/** What one shows the facilitator just now, as its button says it. */
export default function ShownSignal({ signal }: { signal: Signal }) {
  const { icon: Icon, says } = SIGNAL_LOOK[signal]
  return (
    <>
      <Icon size={18} aria-hidden="true" /> {says}
    </>
  )
}
