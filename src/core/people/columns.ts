/** What a free column of a cohort holds. Values are kept as text in one normal form for each kind. */
export const COLUMN_KINDS = ['text', 'number', 'yes-no'] as const
export type ColumnKind = (typeof COLUMN_KINDS)[number]

export interface Column {
  name: string
  kind: ColumnKind
}

/**
 * Whether a column can have this name. Values stand in objects by the names of their columns: what every object answers to by
 * itself cannot be one.
 */
export const canNameColumn = (name: string): boolean => !(name in Object.prototype)

/** The name of a column that is called so elsewhere: a header in a file, a question that was asked. */
export const columnNameOf = (called: string): string =>
  canNameColumn(called.trim()) ? called.trim() : `${called.trim()} (column)`

/** Most free columns of one cohort. */
export const MOST_COLUMNS = 30

const YES = new Set(['yes', 'y', 'true', 'x', '✓', 'ja', 'oui', 'si', 'sí', 'sim', 'tak'])
const NO = new Set(['no', 'n', 'false', '-', 'nein', 'nee', 'non', 'nao', 'não', 'nie'])

/** Reads a yes or no as lists write it; 1 and 0 count too. Undefined for anything else, an empty cell included. */
export function readYesNo(text: string): boolean | undefined {
  const word = text.trim().toLowerCase()
  if (YES.has(word) || word === '1') return true
  if (NO.has(word) || word === '0') return false
  return undefined
}

/** Reads a number with a decimal point or comma, blanks between thousands allowed. Undefined for anything else. */
export function readNumber(text: string): number | undefined {
  const tidy = text.trim().replace(/[\s\u00A0\u202F]/g, '')
  if (!/^[+-]?\d{1,15}([.,]\d{1,10})?$/.test(tidy)) return undefined
  return Number(tidy.replace(',', '.'))
}

/** The normal form of a cell in a column of this kind; undefined when it does not fit. Empty stays empty. */
export function columnValue(kind: ColumnKind, text: string): string | undefined {
  const trimmed = text.trim()
  if (trimmed === '' || kind === 'text') return trimmed
  if (kind === 'number') {
    const number = readNumber(trimmed)
    return number === undefined ? undefined : String(number)
  }
  const answer = readYesNo(trimmed)
  return answer === undefined ? undefined : answer ? 'yes' : 'no'
}

/** The kind that all values fit: numbers before yes/no, because 1 and 0 are more often counts. O(values). */
export function guessKind(values: readonly string[]): ColumnKind {
  const filled = values.filter(value => value.trim() !== '')
  if (filled.length === 0) return 'text'
  if (filled.every(value => readNumber(value) !== undefined)) return 'number'
  if (filled.every(value => readYesNo(value) !== undefined)) return 'yes-no'
  return 'text'
}

/** The columns of a cohort: those that were named, then those its people have values in, with a guess of their kind. */
export function columnsOf(
  named: readonly Column[],
  people: readonly { columns: Record<string, string> }[],
): Column[] {
  const known = new Set(named.map(column => column.name))
  const kept = named.filter(({ name }) => canNameColumn(name))
  const found = new Map<string, string[]>()
  for (const { columns } of people) {
    for (const [name, value] of Object.entries(columns)) {
      if (known.has(name) || !canNameColumn(name)) continue
      const values = found.get(name)
      if (values) values.push(value)
      else found.set(name, [value])
    }
  }
  return [...kept, ...[...found].map(([name, values]) => ({ name, kind: guessKind(values) }))]
}
