import { KeyRound } from 'lucide-react'
import type { MarkLook } from '../mark-look'

export const HIDDEN_TEXTS_MARKS = {
  'hidden-text-opened': { icon: KeyRound, word: 'hidden text opened' },
} satisfies Record<string, MarkLook>
