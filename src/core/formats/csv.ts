import Papa from 'papaparse'

/** A table as read from text: every row a list of cells, all as text. */
export interface CsvTable {
  rows: string[][]
  /** For each row, the number a spreadsheet gives it: counted from 1, rows without any text included. */
  numbers: number[]
  /** Faults of form, such as a quote that never closes, with the number of the row where each was met. */
  faults: { row: number; message: string }[]
}

/** Rows that are read, empty ones too: four times those of the longest list. */
export const MOST_ROWS = 20_000
/** Characters from which the separator is found out. */
const GUESSED_FROM = 50_000
/** A quoted cell, with what stands before it. */
const QUOTED = /(^|[,;\t\r\n])"(?:[^"]|"")*"(?=[,;\t\r\n]|$)/g

/**
 * Reads comma separated values as RFC 4180 describes them; the separator may also be a semicolon or a tab, and
 * is found out. Rows without any text are left out. Never throws: faults of form are reported beside the rows.
 */
export function readCsv(text: string): CsvTable {
  const plain = text.replace(/^\uFEFF/, '')
  // Empty rows and separators within quotes would mislead the guess, and are needed afterwards.
  const { delimiter } = Papa.parse(plain.slice(0, GUESSED_FROM).replace(QUOTED, '$1x'), {
    preview: 20,
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t'],
  }).meta
  const result = Papa.parse<string[]>(plain, { delimiter, preview: MOST_ROWS })
  const faults = result.errors
    .filter(error => error.type === 'Quotes')
    .map(error => ({ row: (error.row ?? 0) + 1, message: 'a quotation mark is opened and never closed' }))
  const filled = result.data.flatMap((row, index) =>
    row.some(cell => cell.trim() !== '') ? [{ row, number: index + 1 }] : [],
  )
  return { rows: filled.map(({ row }) => row), numbers: filled.map(({ number }) => number), faults }
}

/** What other readers might take for a separator is quoted too. */
const WRITTEN = { newline: '\r\n', quotes: (cell: unknown) => /[;\t]/.test(String(cell)) }

/**
 * Writes comma separated values as RFC 4180 describes them, CRLF between records.
 * A cell that a spreadsheet would run as a formula gets an apostrophe before it (OWASP, "CSV Injection").
 */
export function writeCsv(rows: readonly (readonly (string | number)[])[]): string {
  return `${Papa.unparse(rows as (string | number)[][], { ...WRITTEN, escapeFormulae: true })}\r\n`
}

/**
 * A text as a file that people open: with the mark spreadsheets tell UTF-8 by, without which they read every accent as two odd
 * letters (common practice, no source). Readers of CSV leave it out, as `readCsv` does.
 */
export const asCsvFile = (text: string): string => `\uFEFF${text}`

/** As `writeCsv`, for tables that only this program reads again: cells stay exactly as they are. */
export const writePlainCsv = (rows: readonly (readonly string[])[]): string =>
  `${Papa.unparse(rows as string[][], WRITTEN)}\r\n`
