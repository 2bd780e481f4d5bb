import { Check, CircleQuestionMark, DoorOpen, Hand, Hourglass, type LucideIcon } from 'lucide-react'
import type { Signal } from '~/core/live/signals/signal'

/** How each signal looks, and what whoever gives it says with it. */
export const SIGNAL_LOOK: Record<Signal, { icon: LucideIcon; says: string }> = {
  hand: { icon: Hand, says: 'I want to speak' },
  done: { icon: Check, says: 'I am done' },
  'more-time': { icon: Hourglass, says: 'I need more time' },
  lost: { icon: CircleQuestionMark, says: 'I am lost' },
  'stepped-out': { icon: DoorOpen, says: 'I am out for a moment' },
}
