import { chakra, Flex, Stack } from '@chakra-ui/react'
import { useState, useSyncExternalStore } from 'react'
import { putCardBack } from '~/core/boards/prompts/cards/document'
import { Button } from '../../ui/button'
import type { PromptSpaceProps } from '../prompt-space'
import type { Called } from './called'
import type { CardsHere } from './cards-here'

interface RemoveCardProps {
  text: string
  author: string | undefined
  mine: boolean
  called: Called
  onRemove: () => void
}

/** One's own card goes at once, with undo; somebody else's only after a second thought. */
export function RemoveCard({ text, author, mine, called, onRemove }: RemoveCardProps) {
  const [asking, setAsking] = useState(false)
  if (asking) {
    return (
      <Flex
        gap="6px"
        align="center"
        wrap="wrap"
        role="group"
        aria-label={`Remove ${author}’s ${called.one}?`}
      >
        <span>
          Remove {author ? `${author}’s` : 'this'} {called.one}?
        </span>
        <Button size="small" kind="stop" onClick={onRemove}>
          Remove it
        </Button>
        <Button size="small" onClick={() => setAsking(false)}>
          Keep it
        </Button>
      </Flex>
    )
  }
  return (
    <Button
      size="small"
      kind="bare"
      onClick={() => (mine ? onRemove() : setAsking(true))}
      aria-label={`Remove the ${called.one}: ${text.slice(0, 40)}`}
    >
      Remove
    </Button>
  )
}

interface RemovedProps {
  here: Pick<CardsHere, 'doc' | 'promptId' | 'readOnly' | 'called' | 'arrangement'>
  authors: PromptSpaceProps['authors']
}

/** Cards that were taken away; whoever works here can put them back. Those that said nothing are left out. */
export function Removed({ here, authors }: RemovedProps) {
  const { doc, promptId, readOnly, called, arrangement } = here
  const removed = useSyncExternalStore(arrangement.follow, arrangement.getRemoved, arrangement.getRemoved)
  const cards = removed
    .map(({ id, text }) => ({ id, text: text.toString() }))
    .filter(({ text }) => text.trim() !== '')
  if (cards.length === 0) return null
  return (
    <chakra.details mt="10px" fontSize="s">
      <chakra.summary cursor="pointer" color="quiet" minH="24px">
        {cards.length === 1 ? `1 removed ${called.one}` : `${cards.length} removed ${called.many}`}
      </chakra.summary>
      <Stack as="ul" listStyleType="none" gap="4px" mt="4px" aria-label={`Removed ${called.many}`}>
        {cards.map(card => (
          <Flex as="li" key={card.id} gap="8px" align="center" justify="space-between">
            <chakra.span overflowWrap="anywhere">
              <chakra.s>{card.text}</chakra.s>{' '}
              <chakra.span color="quiet">{authors[`${promptId}/${card.id}`]}</chakra.span>
            </chakra.span>
            {!readOnly && (
              <Button
                size="small"
                aria-label={`Put back the ${called.one}: ${card.text.slice(0, 40)}`}
                onClick={() => putCardBack(doc, promptId, card.id)}
              >
                Put back
              </Button>
            )}
          </Flex>
        ))}
      </Stack>
    </chakra.details>
  )
}
