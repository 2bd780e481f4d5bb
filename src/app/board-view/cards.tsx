import { Box, chakra, Flex, Grid } from '@chakra-ui/react'
import { Plus } from 'lucide-react'
import { useState } from 'react'
import type * as Y from 'yjs'
import { addCard, cardsOf, cardText, readAnswer, removeCard } from '~/core/boards/document'
import { Button } from '../ui/button'
import { Field, TextArea } from '../ui/fields'
import type { PromptSpaceProps } from './prompt-space'
import { useShared, useSharedText } from './use-shared'

const LONGEST_CARD = 400

/** Many short contributions, each with who wrote it. */
export function Cards({ prompt, connection, readOnly, authors }: PromptSpaceProps) {
  const { doc } = connection
  const ids = useShared(cardsOf(doc, prompt.id) as unknown as Y.AbstractType<unknown>, () =>
    cardIds(doc, prompt),
  )
  const list = ids === '' ? [] : ids.split(' ')
  return (
    <Box>
      {list.length === 0 && readOnly && <chakra.p color="quiet">No cards yet.</chakra.p>}
      <Grid
        as="ul"
        listStyleType="none"
        gap="8px"
        templateColumns="repeat(auto-fill, minmax(200px, 1fr))"
        aria-label="Cards"
      >
        {list.map(id => {
          const text = cardText(doc, prompt.id, id)
          return text ? (
            <Card
              key={id}
              text={text}
              author={authors[`${prompt.id}/${id}`]}
              readOnly={readOnly}
              onRemove={() => removeCard(doc, prompt.id, id)}
            />
          ) : null
        })}
      </Grid>
      {!readOnly && <NewCard onAdd={text => addCard(doc, prompt.id, crypto.randomUUID(), text)} />}
    </Box>
  )
}

function cardIds(doc: Y.Doc, prompt: PromptSpaceProps['prompt']): string {
  const answer = readAnswer(doc, prompt)
  return answer.kind === 'cards' ? answer.cards.map(card => card.id).join(' ') : ''
}

interface CardProps {
  text: Y.Text
  author: string | undefined
  readOnly: boolean
  onRemove: () => void
}

function Card({ text, author, readOnly, onRemove }: CardProps) {
  const shared = useSharedText(text)
  return (
    <Box
      as="li"
      bg="panel"
      borderWidth="1px"
      borderRadius="6px"
      p="8px"
      display="flex"
      flexDirection="column"
    >
      {readOnly ? (
        <chakra.p whiteSpace="pre-wrap" overflowWrap="anywhere" flex="1">
          {shared.value}
        </chakra.p>
      ) : (
        <TextArea
          {...shared}
          aria-label={`Card${author ? ` by ${author}` : ''}`}
          maxLength={LONGEST_CARD}
          rows={1}
          minH="30px"
          p="2px"
          borderColor="transparent"
          bg="transparent"
          resize="none"
          css={{ fieldSizing: 'content' }}
          flex="1"
        />
      )}
      <Flex justify="space-between" align="center" color="quiet" fontSize="s" minH="28px">
        <span>{author}</span>
        {!readOnly && (
          <Button
            size="small"
            kind="bare"
            onClick={onRemove}
            aria-label={`Remove the card: ${shared.value.slice(0, 40)}`}
          >
            Remove
          </Button>
        )}
      </Flex>
    </Box>
  )
}

function NewCard({ onAdd }: { onAdd: (text: string) => void }) {
  const [typed, setTyped] = useState('')
  const add = () => {
    const text = typed.trim()
    if (!text) return
    onAdd(text)
    setTyped('')
  }
  return (
    <Flex
      as="form"
      gap="8px"
      mt="10px"
      align="flex-end"
      onSubmit={event => {
        event.preventDefault()
        add()
      }}
    >
      <Box flex="1">
        <Field label="New card" hideLabel>
          {parts => (
            <TextArea
              {...parts}
              value={typed}
              maxLength={LONGEST_CARD}
              rows={1}
              minH="42px"
              placeholder="Write a card"
              resize="none"
              css={{ fieldSizing: 'content' }}
              onChange={event => setTyped(event.target.value)}
              onKeyDown={event => {
                if (event.key !== 'Enter' || event.shiftKey || event.nativeEvent.isComposing) return
                event.preventDefault()
                add()
              }}
            />
          )}
        </Field>
      </Box>
      <Button type="submit" minH="42px">
        <Plus size={18} aria-hidden="true" /> Add card
      </Button>
    </Flex>
  )
}
