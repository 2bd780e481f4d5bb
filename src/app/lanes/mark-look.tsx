import {
  Check,
  DoorOpen,
  Ear,
  Hourglass,
  LifeBuoy,
  LogIn,
  type LucideIcon,
  Megaphone,
  MessageSquare,
  Plug,
  Unplug,
} from 'lucide-react'
import type { MarkKind } from '~/core/review/marks'

/** How a mark looks on a lane, and its word: the legend and the list of marks use the same. */
export const MARK_LOOK: Record<MarkKind, { icon: LucideIcon; word: string; ask?: boolean }> = {
  joined: { icon: LogIn, word: 'came in' },
  left: { icon: DoorOpen, word: 'left' },
  dropped: { icon: Unplug, word: 'dropped' },
  back: { icon: Plug, word: 'came back' },
  broadcast: { icon: Megaphone, word: 'broadcast' },
  note: { icon: MessageSquare, word: 'note' },
  visit: { icon: Ear, word: 'visit' },
  help: { icon: LifeBuoy, word: 'help call', ask: true },
  warning: { icon: Hourglass, word: 'warning' },
  helped: { icon: Check, word: 'help answered' },
}
