import { DoorOpen, LogIn } from 'lucide-react'
import type { MarkLook } from '../mark-look'

export const ROOMS_MARKS = {
  joined: { icon: LogIn, word: 'came in' },
  left: { icon: DoorOpen, word: 'left' },
} satisfies Record<string, MarkLook>
