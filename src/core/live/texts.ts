/** What people write into a session, and why it is refused. */
import { z } from 'zod'

/** Anything longer is not even looked at. */
export const textSchema = z.string().max(5000)

export type TextProblem = { code: 'text-empty' } | { code: 'text-too-long'; most: number }

/** Why a text cannot be taken; undefined when it can. `most` is in characters, without the space around it. */
export function textProblem(text: string, most: number): TextProblem | undefined {
  const { length } = text.trim()
  if (length === 0) return { code: 'text-empty' }
  return length > most ? { code: 'text-too-long', most } : undefined
}
