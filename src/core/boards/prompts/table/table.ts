import type * as Y from 'yjs'
import { z } from 'zod'
import { editText } from '../../text-edit'
import { cardsName, cardsOf } from '../cards/document'
import { type Asked, kindOf } from '../kind'
import { points } from '../markdown'
import { emptyRows } from '../paper'
import { readingAll } from '../pieces'
import { labels } from '../settings'
import { addedRows, cellOf, cellsName, givenRow, LONGEST_CELL, type TableRow } from './document'

const settings = z.object({
  columns: labels({ least: 1, most: 6, longest: 60, called: 'columns' }).prefault(['Answer']),
  /** Whether its rows are given, added by the group, or one for each person of the group, whom the others ask. */
  rows: z.enum(['added', 'given', 'people']).default('added'),
  /** The rows that are given. */
  lines: labels({ least: 0, most: 20, longest: 80, called: 'rows' }).prefault([]),
})

export type TableSettings = z.infer<typeof settings>
type TablePrompt = Asked<TableSettings>

export interface TableAnswer {
  promptId: string
  kind: 'table'
  columns: string[]
  rows: (TableRow & { cells: string[] })[]
  /** `people`: each row is about somebody, who does not write in it. */
  rowsAre: TableSettings['rows']
}

export function rowsOf(doc: Y.Doc, { id, settings: { rows, lines, columns } }: TablePrompt): TableRow[] {
  if (rows === 'given') return lines.map((label, place) => ({ id: givenRow(place), label }))
  return addedRows(doc, id, columns.length).map(row => (rows === 'people' ? row : { ...row, label: '' }))
}

const read = (doc: Y.Doc, prompt: TablePrompt): TableAnswer => ({
  promptId: prompt.id,
  kind: 'table',
  columns: prompt.settings.columns,
  rowsAre: prompt.settings.rows,
  rows: rowsOf(doc, prompt).map(row => ({
    ...row,
    cells: prompt.settings.columns.map((_, column) =>
      cellOf(doc, prompt.id, row.id, column).toString().slice(0, LONGEST_CELL),
    ),
  })),
})

const isFilled = ({ cells }: TableAnswer['rows'][number]) => cells.some(cell => cell.trim() !== '')

/** A piece for each cell, `row/c0`; of a person's row also who they are. */
const pieces = ({ rows, rowsAre }: TableAnswer) =>
  new Map(
    rows.flatMap(({ id, label, cells }): [string, string][] => [
      ...(rowsAre === 'people' && label ? [[id, label] as [string, string]] : []),
      ...cells.flatMap((cell, column): [string, string][] => (cell ? [[`${id}/c${column}`, cell]] : [])),
    ]),
  )

function restore(
  { id: promptId, settings: set }: TablePrompt,
  kept: ReadonlyMap<string, string>,
): TableAnswer {
  const given = set.rows === 'given' ? set.lines.map((label, place) => ({ id: givenRow(place), label })) : []
  const ids = new Set([...given.map(({ id }) => id), ...[...kept.keys()].map(key => key.split('/')[0] ?? '')])
  const labelled = new Map(given.map(({ id, label }) => [id, label]))
  return {
    promptId,
    kind: 'table',
    columns: set.columns,
    rowsAre: set.rows,
    rows: [...ids].map(id => ({
      id,
      label: labelled.get(id) ?? kept.get(id) ?? '',
      cells: set.columns.map((_, column) => kept.get(`${id}/c${column}`) ?? ''),
    })),
  }
}

/** A row in a line: `Ana: Bird heron; Why tall`, of one column `Ana: heron`. */
function rowText({ columns }: TableAnswer, { label, cells }: TableAnswer['rows'][number]): string {
  const said = cells.flatMap((cell, column) =>
    cell.trim() ? [columns.length > 1 ? `${columns[column]} ${cell.trim()}` : cell.trim()] : [],
  )
  return [label.trim(), said.join('; ')].filter(Boolean).join(': ')
}

const texts = (answer: TableAnswer) => answer.rows.filter(isFilled).map(row => rowText(answer, row))

const [rowIn, columnIn] = [
  (pieceId: string) => pieceId.split('/c')[0] ?? '',
  (pieceId: string) => Number(pieceId.split('/c')[1]),
]

/** A table to fill in: rows that are given, added, or of the group's people, who ask each other. */
export const table = kindOf({
  name: 'table',
  settings,
  paper: ({ columns, rows, lines: given }, people) => [
    {
      is: 'grid',
      columns,
      first: rows === 'given' ? given : rows === 'people' && people.length > 0 ? people : emptyRows(6),
    },
  ],
  missing: ({ rows, lines }) =>
    rows === 'given' && lines.length === 0 ? 'Write the rows that are given, one a line.' : null,
  roots: promptId => [cardsName(promptId), cellsName(promptId)],
  read,
  pieces,
  restore,
  follow: (doc, prompt) =>
    readingAll(
      () => pieces(read(doc, prompt)),
      pieceId =>
        pieceId.includes('/')
          ? cellOf(doc, prompt.id, rowIn(pieceId), columnIn(pieceId))
          : cardsOf(doc, prompt.id),
    ),
  // Rows of people bear their ids; nobody fills in their own.
  mayWrite: (pieceId, personId) => !pieceId.startsWith(`${personId}/`),
  putBack(doc, { id }, pieceId, text) {
    if (pieceId.includes('/')) editText(cellOf(doc, id, rowIn(pieceId), columnIn(pieceId)), text)
  },
  // Names of people come from the list.
  takeable: answer =>
    [...pieces(answer)].filter(([id]) => id.includes('/')).map(([pieceId, text]) => ({ pieceId, text })),
  places: (doc, { id }, { pieceId }) => [
    { is: 'text', text: cellOf(doc, id, rowIn(pieceId), columnIn(pieceId)) },
  ],
  done({ rows, rowsAre }) {
    const counted = rowsAre === 'given' ? rows : rows.filter(isFilled)
    return counted.length > 0 && counted.every(({ cells }) => cells.every(cell => cell.trim() !== ''))
  },
  summary({ rows }) {
    const count = rows.filter(isFilled).length
    return count === 1 ? '1 row filled in' : `${count} rows filled in`
  },
  texts,
  markdown: answer => (texts(answer).length > 0 ? [points(texts(answer))] : []),
})
