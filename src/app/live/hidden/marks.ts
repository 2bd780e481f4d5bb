import { KeyRound } from 'lucide-react'
import type { MarkLook } from '../mark-look'

export const HIDDEN_TEXTS_MARKS = {
  'hidden-text-opened': { icon: KeyRound, word: 'opened what was hidden' },
} satisfies Record<string, MarkLook>
