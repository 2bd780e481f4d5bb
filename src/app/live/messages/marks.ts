import { Megaphone, MessageSquare, MessageSquareQuote, MessageSquareReply, Reply } from 'lucide-react'
import type { MarkLook } from '../mark-look'

export const MESSAGES_MARKS = {
  broadcast: { icon: Megaphone, word: 'broadcast' },
  answer: { icon: Reply, word: 'answer' },
  comment: { icon: MessageSquareQuote, word: 'comment' },
  'comment-answer': { icon: MessageSquareReply, word: 'answer to a comment' },
  note: { icon: MessageSquare, word: 'note' },
} satisfies Record<string, MarkLook>
