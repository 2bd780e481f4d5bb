/**
 * Every cell is a shared text of its own, named by its row and column, so that cells made by two writers at once merge. Rows
 * that are given have ids by their place (`r0`); rows that are added, and those of people, are kept like cards: of people under
 * the participant's id, with the name the others see.
 */
import type * as Y from 'yjs'
import { addCard, cardsOf, isRemoved, readCards, standingIn } from '../cards/document'
import { PIECE_ID } from '../pieces'

export const LONGEST_CELL = 1_000
/** Most rows that are read. */
export const MOST_ROWS = 100

export const cellsName = (promptId: string): string => `cell:${promptId}`
export const cellOf = (doc: Y.Doc, promptId: string, row: string, column: number): Y.Text =>
  doc.getText(`${cellsName(promptId)}/${row}/${column}`)

export interface TableRow {
  id: string
  label: string
}

export const givenRow = (place: number): string => `r${place}`

/** Adds a row at the end, or somebody's own when they have none yet. */
export function addRow(doc: Y.Doc, promptId: string, { id, label }: TableRow): void {
  if (!readCards(doc, promptId).some(card => card.id === id)) addCard(doc, promptId, id, label)
}

/**
 * The rows the group added, or those of people in which something was begun; none twice. Only empty rows are taken away: one in
 * whose `columns` cells somebody wrote at that same moment stands there again.
 */
export function addedRows(doc: Y.Doc, promptId: string, columns: number): TableRow[] {
  // A root type that is asked for is made: of rows that are gone only those are, in which something stands.
  const isBegun = (row: string) =>
    Array.from({ length: columns }, (_, column) => `${cellsName(promptId)}/${row}/${column}`).some(
      name => doc.share.has(name) && doc.getText(name).length > 0,
    )
  const rows = new Map<string, TableRow>()
  for (const card of cardsOf(doc, promptId)) {
    if (rows.size >= MOST_ROWS) break
    for (const { id, text } of standingIn(card)) {
      if (!PIECE_ID.test(id) || rows.has(id) || (isRemoved(card) && !isBegun(id))) continue
      rows.set(id, { id, label: text.toString() })
    }
  }
  return [...rows.values()]
}
