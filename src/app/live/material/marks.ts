import { Paperclip } from 'lucide-react'
import type { MarkLook } from '../mark-look'

export const MATERIAL_MARKS = {
  material: { icon: Paperclip, word: 'got material' },
} satisfies Record<string, MarkLook>
