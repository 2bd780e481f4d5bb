import { Check, LifeBuoy } from 'lucide-react'
import type { MarkLook } from '../mark-look'

export const HELP_MARKS = {
  help: { icon: LifeBuoy, word: 'help call', ask: true },
  helped: { icon: Check, word: 'help answered' },
} satisfies Record<string, MarkLook>
