/** Columns that cards stand in. */
import type { StandingCard } from './document'

/** The columns that are shown; one without a name when there are none. */
export const columnsOf = ({ columns }: { columns?: string[] | undefined }): string[] =>
  columns?.length ? columns : ['']

/** Cards column by column; those of a column there is not stand in the first. */
export const byColumn = <Placed extends Pick<StandingCard, 'column'>>({
  cards,
  columns = [''],
}: {
  cards: readonly Placed[]
  columns?: readonly string[] | undefined
}): Placed[][] =>
  columns.map((_, place) =>
    cards.filter(({ column = 0 }) => (columns[column] === undefined ? 0 : column) === place),
  )
