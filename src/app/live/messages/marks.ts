import { Megaphone, MessageSquare } from 'lucide-react'
import type { MarkLook } from '../mark-look'

export const MESSAGES_MARKS = {
  broadcast: { icon: Megaphone, word: 'broadcast' },
  note: { icon: MessageSquare, word: 'note' },
} satisfies Record<string, MarkLook>
