import { useDeferredValue, useMemo } from 'react'
import type { StandingCard } from '~/core/boards/prompts/cards/document'

/** So many are drawn at once; a phone has them in sight. */
const FEW = 40

interface Drawn {
  cards: readonly StandingCard[]
  /** Who began which. */
  authors: Readonly<Record<string, string>>
}

/**
 * What is drawn of a long list: as it was, until the page has time to draw it as it is. Whoever writes meanwhile is answered
 * first. Of a list of which nothing was drawn yet its first cards stand there at once.
 */
export function useUnhurried(cards: Drawn['cards'], authors: Drawn['authors']): Drawn {
  const now = useMemo(() => ({ cards, authors }), [cards, authors])
  const later = useDeferredValue(now)
  return useMemo(() => {
    if (now.cards.length <= FEW) return now
    return later.cards.length === 0 ? { ...now, cards: now.cards.slice(0, FEW) } : later
  }, [now, later])
}
