import { Megaphone, MessageSquare, Reply } from 'lucide-react'
import type { MarkLook } from '../mark-look'

export const MESSAGES_MARKS = {
  broadcast: { icon: Megaphone, word: 'broadcast' },
  answer: { icon: Reply, word: 'answer' },
  note: { icon: MessageSquare, word: 'note' },
} satisfies Record<string, MarkLook>
