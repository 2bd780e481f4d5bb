import { PenLine } from 'lucide-react'
import type { MarkLook } from '../mark-look'

export const RIGHTS_MARKS = {
  rights: { icon: PenLine, word: 'who may' },
} satisfies Record<string, MarkLook>
