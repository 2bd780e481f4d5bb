import { Box, chakra, Flex, Grid } from '@chakra-ui/react'
import { Undo2 } from 'lucide-react'
import { useMemo, useState } from 'react'
import type * as Y from 'yjs'
import { heapsOf, nameHeap, readHeaps, stacksOf } from '~/core/boards/prompts/cards/arrange'
import { byColumn, columnsOf } from '~/core/boards/prompts/cards/columns'
import {
  addCard,
  type Card,
  cardsOf,
  cardText,
  putCardBack,
  readCards,
  removeCard,
} from '~/core/boards/prompts/cards/document'
import { Button } from '../../ui/button'
import { newId } from '../../ui/by-chance'
import { TextArea } from '../../ui/fields'
import { Draggable } from '../dragging/draggable'
import type { PromptSpaceProps } from '../prompt-space'
import { useShared, useSharedText } from '../use-shared'
import { CARDS, type Called, LONGEST_CARD } from './called'
import { CardFrame, ColumnFrame, dropCard } from './card-frames'
import { HeapName } from './heap-name'
import { MoveCard } from './move-card'
import { NewCard } from './new-card'
import { RemoveCard, Removed } from './removed-cards'

/** Many short contributions, each with who wrote it: in columns and heaps where there are any. */
export function CardsSpace(props: PromptSpaceProps<'cards'> & { called?: Called }) {
  const { prompt, connection, readOnly, full, authors, myName, called = CARDS } = props
  const { doc } = connection
  const { mostEach, mostGroup } = prompt.settings
  const columns = columnsOf(prompt.settings)
  const cards = useArrangement(doc, prompt.id)
  const heaps = useHeaps(doc, prompt.id)
  const [justRemoved, setJustRemoved] = useState<string | null>(null)
  const mine = cards.filter(({ id }) => myName !== null && authors[`${prompt.id}/${id}`] === myName).length
  const limit = limitReached({ mine, all: cards.length, mostEach, mostGroup, called })
  const remove = (id: string) => {
    removeCard(doc, prompt.id, id)
    setJustRemoved(id)
  }
  const byPlace = byColumn({ cards, columns })
  return (
    <Box>
      {cards.length === 0 && readOnly && <chakra.p color="quiet">No {called.many} yet.</chakra.p>}
      <Draggable
        id={prompt.id}
        what={`The ${called.one}`}
        instead={`Press Move on the ${called.one} for where it can go.`}
        isOff={readOnly}
        onDrop={dropped => dropCard(doc, prompt.id, dropped)}
      >
        <Grid gap="12px" templateColumns="repeat(auto-fit, minmax(min(210px, 100%), 1fr))">
          {byPlace.map((inColumn, place) => (
            <Column
              key={columns[place]}
              {...props}
              called={called}
              place={place}
              name={columns[place] ?? ''}
              cards={inColumn}
              columns={columns}
              heaps={heaps}
              limit={limit}
              onRemove={remove}
            />
          ))}
        </Grid>
      </Draggable>
      <Box role="status">
        {justRemoved && !cards.some(({ id }) => id === justRemoved) && (
          <Flex align="center" gap="8px" mt="8px" fontSize="s">
            {capital(called.one)} removed.
            <Button size="small" onClick={() => putCardBack(doc, prompt.id, justRemoved)}>
              <Undo2 size={16} aria-hidden="true" /> Undo
            </Button>
          </Flex>
        )}
      </Box>
      {!readOnly && limit && (
        <chakra.p fontSize="s" color="quiet" mt="8px">
          {limit}
        </chakra.p>
      )}
      {!readOnly && !limit && columns.length === 1 && (
        <NewCard
          kept={`card-${connection.copyId}-${prompt.id}`}
          full={full}
          called={called}
          onAdd={text => addHere(props, called, text)}
        />
      )}
      <Removed doc={doc} promptId={prompt.id} authors={authors} readOnly={readOnly} called={called} />
    </Box>
  )
}

function addHere(
  { connection: { doc }, prompt }: PromptSpaceProps<'cards'>,
  called: Called,
  text: string,
  column = 0,
): void {
  const id = newId()
  doc.transact(() => {
    addCard(doc, prompt.id, id, text, column)
    called.onAdded?.(id)
  })
}

const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1)

/** The cards without what they say, in the order they are shown: writing on one draws none of the others anew. */
function useArrangement(doc: Y.Doc, promptId: string): Card[] {
  const arranged = useShared(cardsOf(doc, promptId) as unknown as Y.AbstractType<unknown>, () =>
    JSON.stringify(readCards(doc, promptId).map(card => ({ ...card, text: '' }))),
  )
  return useMemo(() => JSON.parse(arranged) as Card[], [arranged])
}

function useHeaps(doc: Y.Doc, promptId: string): ReadonlyMap<string, string> {
  const named = useShared(heapsOf(doc, promptId) as unknown as Y.AbstractType<unknown>, () =>
    JSON.stringify([...readHeaps(doc, promptId)]),
  )
  return useMemo(() => new Map(JSON.parse(named) as [string, string][]), [named])
}

interface Limits {
  mine: number
  all: number
  mostEach: number | undefined
  mostGroup: number | undefined
  called: Called
}

/** Why no more can be added; null while more can. */
function limitReached({ mine, all, mostEach, mostGroup, called }: Limits): string | null {
  const counted = (most: number) => (most === 1 ? `1 ${called.one}` : `${most} ${called.many}`)
  if (mostGroup !== undefined && all >= mostGroup) return `The group has its ${counted(mostGroup)}.`
  if (mostEach !== undefined && mine >= mostEach) return `You have written your ${counted(mostEach)}.`
  return null
}

interface ColumnProps extends PromptSpaceProps<'cards'> {
  called: Called
  place: number
  name: string
  cards: Card[]
  columns: readonly string[]
  heaps: ReadonlyMap<string, string>
  limit: string | null
  onRemove: (id: string) => void
}

function Column(props: ColumnProps) {
  const { prompt, connection, readOnly, full, place, name, cards, columns, heaps, limit, called } = props
  const { doc } = connection
  const stacks = stacksOf(cards)
  return (
    <ColumnFrame place={place} isAlone={columns.length === 1}>
      {name && (
        <chakra.h4 fontSize="m" mb="6px">
          {name}{' '}
          <chakra.span color="quiet" fontWeight="400">
            {cards.length}
          </chakra.span>
        </chakra.h4>
      )}
      <Grid
        as="ul"
        listStyleType="none"
        gap="8px"
        templateColumns="repeat(auto-fill, minmax(min(200px, 100%), 1fr))"
        aria-label={name || capital(called.many)}
      >
        {stacks.map(({ heap, cards: stacked }) =>
          heap === null ? (
            stacked.map(card => <OneCard key={card.id} {...props} card={card} column={place} />)
          ) : (
            <Box
              as="li"
              key={heap}
              gridColumn="1 / -1"
              borderWidth="1px"
              borderColor="edge"
              borderRadius="8px"
              p="8px"
            >
              <HeapName
                name={heaps.get(heap) ?? ''}
                readOnly={readOnly || full}
                onName={said => nameHeap(doc, prompt.id, heap, said)}
              />
              <Grid
                as="ul"
                listStyleType="none"
                gap="8px"
                templateColumns="repeat(auto-fill, minmax(min(180px, 100%), 1fr))"
                aria-label={heaps.get(heap) || 'Heap'}
              >
                {stacked.map(card => (
                  <OneCard key={card.id} {...props} card={card} column={place} />
                ))}
              </Grid>
            </Box>
          ),
        )}
      </Grid>
      {!readOnly && columns.length > 1 && !limit && (
        <NewCard
          kept={`card-${connection.copyId}-${prompt.id}-${place}`}
          full={full}
          called={called}
          column={name}
          onAdd={text => addHere(props, called, text, place)}
        />
      )}
    </ColumnFrame>
  )
}

/** A card of the arrangement, with its text and what can be done with it. */
function OneCard({ card, column, ...props }: ColumnProps & { card: Card; column: number }) {
  const { prompt, connection, readOnly, full, authors, myName, cards, columns, called, onRemove } = props
  const { doc } = connection
  const text = cardText(doc, prompt.id, card.id)
  if (!text) return null
  const author = authors[`${prompt.id}/${card.id}`]
  return (
    <CardFrame id={card.id}>
      <CardText text={text} author={author} readOnly={readOnly} full={full} called={called} />
      <Flex justify="space-between" align="center" color="quiet" fontSize="s" minH="28px" wrap="wrap">
        <span>
          {called.numbered && (
            <chakra.b color="ink" me="6px">
              {cards.findIndex(({ id }) => id === card.id) + 1}
            </chakra.b>
          )}
          {author}
        </span>
        {!readOnly && (
          <Flex wrap="wrap">
            {called.more?.(card.id)}
            {(cards.length > 1 || columns.length > 1) && (
              <MoveCard
                doc={doc}
                promptId={prompt.id}
                card={card}
                column={column}
                others={cards.filter(({ id }) => id !== card.id)}
                place={cards.findIndex(({ id }) => id === card.id)}
                columns={columns}
                called={called}
              />
            )}
            <RemoveCard
              text={text.toString()}
              author={author}
              mine={author === myName}
              called={called}
              onRemove={() => onRemove(card.id)}
            />
          </Flex>
        )}
      </Flex>
    </CardFrame>
  )
}

interface CardTextProps {
  text: Y.Text
  author: string | undefined
  readOnly: boolean
  full: boolean
  called: Called
}

function CardText({ text, author, readOnly, full, called }: CardTextProps) {
  const shared = useSharedText(text)
  if (readOnly) {
    return (
      <chakra.p whiteSpace="pre-wrap" overflowWrap="anywhere" flex="1">
        {shared.value}
      </chakra.p>
    )
  }
  return (
    <TextArea
      {...shared}
      readOnly={full}
      aria-label={`${capital(called.one)}${author ? ` by ${author}` : ''}`}
      maxLength={LONGEST_CARD}
      rows={1}
      minH="30px"
      p="2px"
      // Beside the handle it is dragged by.
      pe="22px"
      borderColor="transparent"
      bg="transparent"
      resize="none"
      css={{ fieldSizing: 'content' }}
      flex="1"
    />
  )
}
