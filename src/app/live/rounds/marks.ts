import { Hourglass } from 'lucide-react'
import type { MarkLook } from '../mark-look'

export const ROUNDS_MARKS = {
  warning: { icon: Hourglass, word: 'warning' },
} satisfies Record<string, MarkLook>
