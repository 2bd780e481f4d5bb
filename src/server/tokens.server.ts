import { createHash, randomBytes, randomInt } from 'node:crypto'

/** A new secret, 32 random bytes, for cookies and personal links. */
export const newToken = (): string => randomBytes(32).toString('base64url')

/** What is kept of a secret: enough to recognise it, not to use it. The secret is random, so no salt is needed. */
export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('base64url')

/** A new id, 96 random bits: safe in addresses. */
export const newId = (): string => randomBytes(12).toString('base64url')

/** No letters or digits that are taken for each other when read aloud or from a wall. */
const CODE_LETTERS = 'ABCDEFGHJKMNPQRSTVWXYZ23456789'

/** A join code such as `K7QM-2XRD`: eight of thirty signs, 6.6e11 in all. */
export function newJoinCode(): string {
  const signs = Array.from({ length: 8 }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)])
  return `${signs.slice(0, 4).join('')}-${signs.slice(4).join('')}`
}

/** A code as somebody typed it, in the form it is kept: case, blanks and the dash do not matter. */
export function tidyJoinCode(typed: string): string {
  const signs = typed.toUpperCase().replace(/[^A-Z0-9]/g, '')
  return signs.length === 8 ? `${signs.slice(0, 4)}-${signs.slice(4)}` : signs
}
