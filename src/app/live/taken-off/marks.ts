import { EyeOff, Undo2 } from 'lucide-react'
import type { MarkLook } from '../mark-look'

export const TAKEN_OFF_MARKS = {
  'taken-off': { icon: EyeOff, word: 'taken off the board' },
  'given-back': { icon: Undo2, word: 'given back to the board' },
} satisfies Record<string, MarkLook>
