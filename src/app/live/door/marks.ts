import { Plug, Unplug } from 'lucide-react'
import type { MarkLook } from '../mark-look'

export const DOOR_MARKS = {
  dropped: { icon: Unplug, word: 'dropped' },
  back: { icon: Plug, word: 'came back' },
} satisfies Record<string, MarkLook>
