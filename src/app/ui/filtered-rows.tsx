import { Box, chakra } from '@chakra-ui/react'
import { type ReactNode, useEffect, useState } from 'react'
import { Field, Input } from './fields'
import { Rows } from './layout'
import { moveByArrows } from './list-keys'

/** So many rows are seen at a glance; more have a field to filter them. */
const AT_A_GLANCE = 6
/** So many rows are drawn; the others are found by typing. */
const MOST_DRAWN = 40
/** The server draws what fits a window: the rest would keep everybody else waiting. */
const FIRST_DRAWN = 10

interface FilteredRowsProps<Item> {
  label: string
  items: readonly Item[]
  /** What an item is found by. */
  words: (item: Item) => string[]
  isFoundBy: (typed: string, ...words: string[]) => boolean
  /** Draws an item as a `Row` with a key. */
  children: (item: Item) => ReactNode
}

/** A list of links, one a row: type to filter when there are many, arrow keys to move. */
export function FilteredRows<Item>({ label, items, words, isFoundBy, children }: FilteredRowsProps<Item>) {
  const [typed, setTyped] = useState('')
  const [drawn, setDrawn] = useState(FIRST_DRAWN)
  useEffect(() => setDrawn(MOST_DRAWN), [])
  const shown = items.filter(item => isFoundBy(typed, ...words(item)))
  return (
    <Box onKeyDown={moveByArrows}>
      {items.length > AT_A_GLANCE && (
        <Box w="260px" mb="10px">
          <Field label={`Find in ${label}`} hideLabel>
            {parts => (
              <Input
                {...parts}
                type="search"
                placeholder="Find by name"
                value={typed}
                onChange={event => setTyped(event.target.value)}
              />
            )}
          </Field>
        </Box>
      )}
      <Rows label={label}>{shown.slice(0, drawn).map(children)}</Rows>
      <chakra.p
        color="quiet"
        role="status"
        mt={shown.length === 0 || shown.length > MOST_DRAWN ? '8px' : undefined}
      >
        {shown.length === 0 && 'Nothing here is called that.'}
        {shown.length > MOST_DRAWN && `${shown.length - MOST_DRAWN} more: type the start of a name.`}
      </chakra.p>
    </Box>
  )
}
