import { Speech } from 'lucide-react'
import type { MarkLook } from '../mark-look'

export const REPORT_MARKS = {
  reports: { icon: Speech, word: 'reports' },
} satisfies Record<string, MarkLook>
