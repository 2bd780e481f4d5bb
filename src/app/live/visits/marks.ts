import { Ear } from 'lucide-react'
import type { MarkLook } from '../mark-look'

export const VISITS_MARKS = {
  visit: { icon: Ear, word: 'visit' },
} satisfies Record<string, MarkLook>
