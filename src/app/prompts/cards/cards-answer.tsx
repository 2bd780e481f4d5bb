import { chakra, Stack } from '@chakra-ui/react'
import { byColumn } from '~/core/boards/prompts/cards/columns'
import type { Card } from '~/core/boards/prompts/cards/document'
import { stacksOf } from '~/core/boards/prompts/cards/heaps'
import type { Answer } from '~/core/boards/prompts/kinds'

/** Cards to read: under their columns, heaps together. */
export default function CardsAnswer({ answer }: { answer: Extract<Answer, { kind: 'cards' }> }) {
  const columns = byColumn(answer).map(cards => cards.filter(card => card.text.trim()))
  return columns.map((cards, place) => {
    const name = answer.columns?.[place] ?? ''
    return (
      <chakra.div key={name} mt={place > 0 ? '10px' : '0'}>
        {name && (
          <chakra.p fontWeight="600" mb="4px">
            {name}
          </chakra.p>
        )}
        {name && cards.length === 0 && <chakra.p color="quiet">Nothing written.</chakra.p>}
        <Stack gap="6px">
          {stacksOf(cards).map(({ heap, cards: stacked }) =>
            heap === null ? (
              <List key={stacked[0]?.id} cards={stacked} label={name || 'Cards'} />
            ) : (
              <chakra.div key={heap} borderStartWidth="3px" borderColor="edge" ps="8px">
                <chakra.p fontSize="s" color="quiet">
                  {answer.heaps?.[heap] ?? 'A heap'}
                </chakra.p>
                <List cards={stacked} label={answer.heaps?.[heap] ?? 'A heap'} />
              </chakra.div>
            ),
          )}
        </Stack>
      </chakra.div>
    )
  })
}

const List = ({ cards, label }: { cards: readonly Card[]; label: string }) => (
  <Stack as="ul" gap="6px" listStyleType="none" aria-label={label}>
    {cards.map(card => (
      <chakra.li
        key={card.id}
        bg="paper"
        borderWidth="1px"
        borderRadius="6px"
        px="8px"
        py="5px"
        whiteSpace="pre-wrap"
        overflowWrap="anywhere"
      >
        {card.text}
      </chakra.li>
    ))}
  </Stack>
)
