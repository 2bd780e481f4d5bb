import { chakra } from '@chakra-ui/react'
import { useVirtualizer } from '@tanstack/react-virtual'
import { type RefObject, useMemo, useRef } from 'react'
import type { PairMet } from '~/core/history/met'
import { pairKey } from '~/core/history/pairs'
import { metText } from './met-text'

interface MatrixProps {
  people: { id: string; shownName: string }[]
  pairs: PairMet[]
  shows: 'times' | 'minutes'
  marked: string
}

/** A matrix of that many people is drawn whole; of a larger one, what is in sight. */
const DRAWN_WHOLE = 40
/** Of a cell, in pixels. */
const [WIDTH, HEIGHT] = [26, 22]
/** Room for the names at the head of the columns, as far as it matters for what is in sight. */
const HEAD = 120

/** Cells small enough for forty people; the number is in every cell, its shade only helps the eye. */
export function MetMatrix({ people, pairs, shows, marked }: MatrixProps) {
  const holder = useRef<HTMLDivElement>(null)
  const byPair = useMemo(() => new Map(pairs.map(met => [pairKey(...met.pair), met])), [pairs])
  const most = useMemo(() => pairs.reduce((most, met) => Math.max(most, met[shows]), 1), [pairs, shows])
  const rows = useInSight(people, holder, false)
  const columns = useInSight(people, holder, true)
  const across = 1 + columns.inSight.length + (columns.before > 0 ? 1 : 0) + (columns.after > 0 ? 1 : 0)
  return (
    <chakra.div
      ref={holder}
      overflow="auto"
      maxH="78vh"
      tabIndex={0}
      role="region"
      aria-label="Matrix of who has met whom"
    >
      <chakra.table
        borderCollapse="collapse"
        fontSize="s"
        lineHeight="1"
        fontVariantNumeric="tabular-nums"
        aria-rowcount={people.length + 1}
        aria-colcount={people.length + 1}
      >
        <thead>
          <tr>
            <Corner />
            <Beside width={columns.before} />
            {columns.inSight.map(person => (
              <ColumnHead key={person.id} scope="col" color={person.id === marked ? 'live' : undefined}>
                {person.shownName}
              </ColumnHead>
            ))}
            <Beside width={columns.after} />
          </tr>
        </thead>
        <tbody>
          <Above height={rows.before} across={across} />
          {rows.inSight.map(row => (
            <chakra.tr key={row.id} outline={row.id === marked ? '2px solid var(--live)' : undefined}>
              <RowHead scope="row">{row.shownName}</RowHead>
              <Beside width={columns.before} />
              {columns.inSight.map(column => (
                <Met
                  key={column.id}
                  row={row}
                  column={column}
                  met={byPair.get(pairKey(row.id, column.id))}
                  shows={shows}
                  most={most}
                />
              ))}
              <Beside width={columns.after} />
            </chakra.tr>
          ))}
          <Above height={rows.after} across={across} />
        </tbody>
      </chakra.table>
    </chakra.div>
  )
}

type MatrixPerson = MatrixProps['people'][number]

/** The people of a long list whose rows, or columns, are in sight, and how many pixels stand before and after them. */
function useInSight(people: MatrixPerson[], holder: RefObject<HTMLDivElement | null>, horizontal: boolean) {
  const isLong = people.length > DRAWN_WHOLE
  const size = horizontal ? WIDTH : HEIGHT
  const virtual = useVirtualizer({
    count: people.length,
    getScrollElement: () => holder.current,
    estimateSize: () => size,
    horizontal,
    overscan: 8,
    scrollMargin: HEAD,
    initialRect: { width: 700, height: 500 },
    enabled: isLong,
  })
  if (!isLong) return { before: 0, after: 0, inSight: people }
  const drawn = virtual.getVirtualItems()
  const [first, last] = [drawn[0]?.index ?? 0, drawn.at(-1)?.index ?? -1]
  return {
    before: first * size,
    after: (people.length - 1 - last) * size,
    inSight: people.slice(first, last + 1),
  }
}

interface MetProps {
  row: MatrixPerson
  column: MatrixPerson
  met: PairMet | undefined
  shows: 'times' | 'minutes'
  most: number
}

function Met({ row, column, met, shows, most }: MetProps) {
  if (row.id === column.id) return <Cell bg="sunk" />
  const value = met?.[shows] ?? 0
  const shade = 10 + Math.round((value / most) * 28)
  return (
    <Cell
      title={`${row.shownName} and ${column.shownName}: ${met ? metText(met) : 'never'}`}
      style={value > 0 ? { background: `color-mix(in srgb, var(--live) ${shade}%, transparent)` } : undefined}
    >
      {value > 0 ? Math.round(value) || '<1' : ''}
    </Cell>
  )
}

/** Stands for columns out of sight. */
const Beside = ({ width }: { width: number }) =>
  width > 0 ? <td aria-hidden="true" style={{ minWidth: `${width}px` }} /> : null

/** Stands for rows out of sight. */
const Above = ({ height, across }: { height: number; across: number }) =>
  height > 0 ? (
    <tr style={{ height: `${height}px` }}>
      <td colSpan={across} />
    </tr>
  ) : null

const Cell = chakra('td', {
  base: {
    minW: `${WIDTH}px`,
    h: `${HEIGHT}px`,
    boxSizing: 'border-box',
    textAlign: 'center',
    borderWidth: '1px',
    p: '0',
  },
})
const RowHead = chakra('th', {
  base: {
    textAlign: 'right',
    fontWeight: '500',
    pr: '6px',
    whiteSpace: 'nowrap',
    position: 'sticky',
    insetInlineStart: '0',
    bg: 'paper',
  },
})
const ColumnHead = chakra('th', {
  base: {
    writingMode: 'vertical-rl',
    transform: 'rotate(180deg)',
    fontWeight: '500',
    textAlign: 'left',
    py: '6px',
    px: '0',
    whiteSpace: 'nowrap',
    bg: 'paper',
  },
})
const Corner = chakra('td', { base: { bg: 'paper' } })
