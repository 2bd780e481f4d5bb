import type { LucideIcon } from 'lucide-react'

/** How a mark looks on a lane, and its word: the legend and the list of marks use the same. */
export interface MarkLook {
  icon: LucideIcon
  word: string
  /** It asks for somebody. */
  ask?: boolean
}
