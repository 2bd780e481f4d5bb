import { Box, chakra, Flex, Grid } from '@chakra-ui/react'
import { Undo2 } from 'lucide-react'
import { useMemo, useState, useSyncExternalStore } from 'react'
import type * as Y from 'yjs'
import { Arrangement } from '~/core/boards/prompts/cards/arrangement'
import { byColumn, columnsOf } from '~/core/boards/prompts/cards/columns'
import { addCard, isBegunUnder, putCardBack, removeCard } from '~/core/boards/prompts/cards/document'
import { heapsOf, readHeaps } from '~/core/boards/prompts/cards/heaps'
import { Button } from '../../ui/button'
import { newId } from '../../ui/by-chance'
import { loadAgain } from '../../ui/load-again'
import { useSame } from '../../ui/use-same'
import { Draggable } from '../dragging/draggable'
import type { PromptSpaceProps } from '../prompt-space'
import { useShared } from '../use-shared'
import { CARDS, type Called, capital } from './called'
import type { CardsHere } from './cards-here'
import { Column } from './column'
import { NewCard } from './new-card'
import { Removed } from './removed-cards'
import { useUnhurried } from './unhurried'

/** How cards are moved is fetched after the board shows. */
const fetchWays = () => loadAgain(() => import('./move-ways'))

/** Many short contributions, each with who wrote it: in columns and heaps where there are any. */
export function CardsSpace(props: PromptSpaceProps<'cards'> & { called?: Called }) {
  const { prompt, connection, readOnly, full, myName, called = CARDS } = props
  const { doc } = connection
  const { mostEach, mostGroup } = prompt.settings
  const columns = useSame(columnsOf(prompt.settings))
  const arrangement = useMemo(() => new Arrangement(doc, prompt.id), [doc, prompt.id])
  const cards = useSyncExternalStore(arrangement.follow, arrangement.get, arrangement.get)
  // One's own bear one's name, and count, also before the server has said so, or without a line.
  const authors = useMemo(() => {
    const fresh = cards.filter(card => props.authors[`${prompt.id}/${card.id}`] === undefined)
    const own = myName === null ? [] : fresh.filter(card => isBegunUnder(card, doc.clientID))
    if (own.length === 0) return props.authors
    return {
      ...props.authors,
      ...Object.fromEntries(own.map(({ id }) => [`${prompt.id}/${id}`, myName ?? ''])),
    }
  }, [cards, props.authors, prompt.id, myName, doc])
  const heaps = useHeaps(doc, prompt.id)
  const [justRemoved, setJustRemoved] = useState<string | null>(null)
  const mine = cards.filter(({ id }) => myName !== null && authors[`${prompt.id}/${id}`] === myName).length
  const limit = limitReached({ mine, all: cards.length, mostEach, mostGroup, called })
  const here = useMemo(
    (): CardsHere => ({
      doc,
      promptId: prompt.id,
      readOnly,
      full,
      arrangement,
      columns,
      called,
      onRemove(id) {
        removeCard(doc, prompt.id, id)
        setJustRemoved(id)
      },
    }),
    [doc, prompt.id, readOnly, full, arrangement, columns, called],
  )
  const drawn = useUnhurried(cards, authors)
  const byPlace = useMemo(() => byColumn({ cards: drawn.cards, columns }), [drawn.cards, columns])
  return (
    <Box>
      {cards.length === 0 && readOnly && <chakra.p color="quiet">No {called.many} yet.</chakra.p>}
      <Draggable
        id={prompt.id}
        what={`The ${called.one}`}
        instead={`Press Move on the ${called.one} for where it can go.`}
        isOff={readOnly}
        along={fetchWays}
        onDrop={dropped =>
          fetchWays().then(
            ({ dropCard }) => dropCard(doc, prompt.id, dropped),
            () => undefined,
          )
        }
      >
        <Grid gap="12px" templateColumns="repeat(auto-fit, minmax(min(210px, 100%), 1fr))">
          {byPlace.map((inColumn, place) => (
            <Column
              key={columns[place]}
              here={here}
              place={place}
              cards={inColumn}
              heaps={heaps}
              authors={drawn.authors}
              myName={myName}
            >
              {!readOnly && columns.length > 1 && !limit && (
                <NewCard
                  kept={`card-${connection.copyId}-${prompt.id}-${place}`}
                  full={full}
                  called={called}
                  column={columns[place]}
                  onAdd={text => addHere(props, called, text, place)}
                />
              )}
            </Column>
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
      <Removed here={here} authors={authors} />
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
