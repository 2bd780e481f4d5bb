/** A field of a worksheet, and what stands in it. */
export interface FieldAsked {
  label: string
  /** For a number: what is counted in, maybe nothing; null for words. */
  unit: string | null
  least: number | null
  most: number | null
}

const NUMBER = String.raw`-?\d+(?:[.,]\d+)?`
const LIMITS = new RegExp(String.raw`^(${NUMBER})?\s*(?:to|–|\.\.)\s*(${NUMBER})?$`)

/** A number as people write it, with a point or a comma; null for anything else. */
export function numberIn(text: string): number | null {
  const said = text.trim()
  return new RegExp(`^${NUMBER}$`).test(said) ? Number(said.replace(',', '.')) : null
}

/**
 * Reads a field as its author wrote it in a line: `Who you asked` for words; `Depth | cm` for a number with its unit, and
 * `Depth | cm | 0 to 300` with limits, one of which may be left out.
 */
export function fieldIn(line: string): FieldAsked {
  const [label = '', unit, limits = ''] = line.split('|').map(part => part.trim())
  const [, least, most] = LIMITS.exec(limits) ?? []
  return {
    label,
    unit: unit ?? null,
    least: least === undefined ? null : numberIn(least),
    most: most === undefined ? null : numberIn(most),
  }
}

/** What is wrong with how a field was written, in words for its author; null when nothing is. */
export function problemWith(line: string): string | null {
  const [label = '', , limits = '', ...more] = line.split('|').map(part => part.trim())
  const { least, most } = fieldIn(line)
  if (label === '') return 'A field needs a label before the first bar.'
  if (more.length > 0) return `“${label}” has more than two bars.`
  if (limits !== '' && !LIMITS.test(limits)) return `Write the limits of “${label}” like 0 to 300.`
  if (least !== null && most !== null && least > most)
    return `The limits of “${label}” are the wrong way round.`
  return null
}

/** What is wrong with what stands in a field; null while it is empty or right. */
export function problemIn({ unit, least, most }: FieldAsked, text: string): string | null {
  if (unit === null || text.trim() === '') return null
  const number = numberIn(text)
  if (number === null) return 'Write a number.'
  const counted = unit && ` ${unit}`
  if (least !== null && number < least) return `At least ${least}${counted}.`
  if (most !== null && number > most) return `At most ${most}${counted}.`
  return null
}
