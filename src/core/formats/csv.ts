import Papa from 'papaparse'

/** A table as read from text: every row a list of cells, all as text. */
export interface CsvTable {
  rows: string[][]
  /** For each row, the number a spreadsheet gives it: counted from 1, rows without any text included. */
  numbers: number[]
  /** Faults of form, such as a quote that never closes, with the number of the row where each was met. */
  faults: { row: number; message: string }[]
}

/**
 * Reads comma separated values as RFC 4180 describes them; the separator may also be a semicolon or a tab, and
 * is found out. Rows without any text are left out. Never throws: faults of form are reported beside the rows.
 */
export function readCsv(text: string): CsvTable {
  const plain = text.replace(/^\uFEFF/, '')
  // Empty rows would mislead the guess, and are needed for counting the others.
  const { delimiter } = Papa.parse(plain, {
    preview: 20,
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t'],
  }).meta
  const result = Papa.parse<string[]>(plain, { delimiter })
  const faults = result.errors
    .filter(error => error.type === 'Quotes')
    .map(error => ({ row: (error.row ?? 0) + 1, message: 'a quotation mark is opened and never closed' }))
  const filled = result.data.flatMap((row, place) =>
    row.some(cell => cell.trim() !== '') ? [{ row, number: place + 1 }] : [],
  )
  return { rows: filled.map(({ row }) => row), numbers: filled.map(({ number }) => number), faults }
}

/**
 * Writes comma separated values as RFC 4180 describes them, CRLF between records.
 * A cell that a spreadsheet would run as a formula gets an apostrophe before it (OWASP, "CSV Injection").
 */
export function writeCsv(rows: readonly (readonly (string | number)[])[]): string {
  return `${Papa.unparse(rows as (string | number)[][], { newline: '\r\n', escapeFormulae: true })}\r\n`
}

/** As `writeCsv`, for tables that only this program reads again: cells stay exactly as they are. */
export const writePlainCsv = (rows: readonly (readonly string[])[]): string =>
  `${Papa.unparse(rows as string[][], { newline: '\r\n' })}\r\n`
