import { Box, chakra, Flex, Grid, Stack } from '@chakra-ui/react'
import { Plus, Undo2 } from 'lucide-react'
import { useState } from 'react'
import type * as Y from 'yjs'
import {
  addCard,
  cardsOf,
  cardText,
  putCardBack,
  readCards,
  removeCard,
  removedCards,
} from '~/core/boards/prompts/cards/document'
import { Button } from '../../ui/button'
import { Field, TextArea } from '../../ui/fields'
import { useKeptText } from '../../ui/use-kept'
import type { PromptSpaceProps } from '../prompt-space'
import { useShared, useSharedText } from '../use-shared'

const LONGEST_CARD = 400

/** Many short contributions, each with who wrote it. */
export function CardsSpace({ prompt, connection, readOnly, full, authors, myName }: PromptSpaceProps) {
  const { doc } = connection
  const ids = useShared(cardsOf(doc, prompt.id) as unknown as Y.AbstractType<unknown>, () =>
    readCards(doc, prompt.id)
      .map(card => card.id)
      .join(' '),
  )
  const [justRemoved, setJustRemoved] = useState<string | null>(null)
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
              myName={myName}
              readOnly={readOnly}
              full={full}
              onRemove={() => {
                removeCard(doc, prompt.id, id)
                setJustRemoved(id)
              }}
            />
          ) : null
        })}
      </Grid>
      <Box role="status">
        {justRemoved && !list.includes(justRemoved) && (
          <Flex align="center" gap="8px" mt="8px" fontSize="s">
            Card removed.
            <Button size="small" onClick={() => putCardBack(doc, prompt.id, justRemoved)}>
              <Undo2 size={16} aria-hidden="true" /> Undo
            </Button>
          </Flex>
        )}
      </Box>
      {!readOnly && (
        <NewCard
          kept={`card-${connection.copyId}-${prompt.id}`}
          full={full}
          onAdd={text => addCard(doc, prompt.id, crypto.randomUUID(), text)}
        />
      )}
      <Removed doc={doc} promptId={prompt.id} authors={authors} readOnly={readOnly} />
    </Box>
  )
}

interface CardProps {
  text: Y.Text
  author: string | undefined
  myName: string | null
  readOnly: boolean
  full: boolean
  onRemove: () => void
}

function Card({ text, author, myName, readOnly, full, onRemove }: CardProps) {
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
          readOnly={full}
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
      <Flex justify="space-between" align="center" color="quiet" fontSize="s" minH="28px" wrap="wrap">
        <span>{author}</span>
        {!readOnly && (
          <RemoveCard text={shared.value} author={author} mine={author === myName} onRemove={onRemove} />
        )}
      </Flex>
    </Box>
  )
}

interface RemoveCardProps {
  text: string
  author: string | undefined
  mine: boolean
  onRemove: () => void
}

/** One's own card goes at once, with undo; somebody else's only after a second thought. */
function RemoveCard({ text, author, mine, onRemove }: RemoveCardProps) {
  const [asking, setAsking] = useState(false)
  if (asking) {
    return (
      <Flex gap="6px" align="center" wrap="wrap" role="group" aria-label={`Remove ${author}’s card?`}>
        <span>Remove {author ? `${author}’s` : 'this'} card?</span>
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
      aria-label={`Remove the card: ${text.slice(0, 40)}`}
    >
      Remove
    </Button>
  )
}

interface RemovedProps {
  doc: Y.Doc
  promptId: string
  authors: PromptSpaceProps['authors']
  readOnly: boolean
}

/** Cards that were taken away; whoever works here can put them back. */
function Removed({ doc, promptId, authors, readOnly }: RemovedProps) {
  const ids = useShared(cardsOf(doc, promptId) as unknown as Y.AbstractType<unknown>, () =>
    removedCards(doc, promptId)
      .map(card => card.id)
      .join(' '),
  )
  if (ids === '') return null
  const cards = removedCards(doc, promptId)
  return (
    <chakra.details mt="10px" fontSize="s">
      <chakra.summary cursor="pointer" color="quiet" minH="24px">
        {cards.length === 1 ? '1 removed card' : `${cards.length} removed cards`}
      </chakra.summary>
      <Stack as="ul" listStyleType="none" gap="4px" mt="4px" aria-label="Removed cards">
        {cards.map(card => (
          <Flex as="li" key={card.id} gap="8px" align="center" justify="space-between">
            <chakra.span overflowWrap="anywhere">
              <chakra.s>{card.text}</chakra.s>{' '}
              <chakra.span color="quiet">{authors[`${promptId}/${card.id}`]}</chakra.span>
            </chakra.span>
            {!readOnly && (
              <Button
                size="small"
                aria-label={`Put back the card: ${card.text.slice(0, 40)}`}
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

interface NewCardProps {
  /** Where what is half typed is kept over a reload. */
  kept: string
  full: boolean
  onAdd: (text: string) => void
}

function NewCard({ kept, full, onAdd }: NewCardProps) {
  const [typed, setTyped] = useKeptText(kept)
  const add = () => {
    const text = typed.trim()
    if (!text || full) return
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
      <Button type="submit" minH="42px" disabled={full}>
        <Plus size={18} aria-hidden="true" /> Add card
      </Button>
    </Flex>
  )
}
