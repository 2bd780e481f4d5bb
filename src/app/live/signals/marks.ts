import { Hand } from 'lucide-react'

export const SIGNALS_MARKS = { signal: { icon: Hand, word: 'signal' } }
