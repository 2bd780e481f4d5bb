import { dictionary } from '@zxcvbn-ts/language-common'

/** The most used passwords of a public list (49,000 of them), in small letters. */
const USED = new Set<string>(dictionary['passwords-common'])
/** What everybody here would try first. */
const OURS = ['roundtable', 'facilitator']
/** Shorter names stand in too many words. */
const SHORTEST_NAME = 4

/**
 * Why a password is one that others would try; null for one that is not. One of the most used, also with figures and signs at
 * its ends; one piece over and over; or the name of the program or of its owner with a little around it (OWASP ASVS 5,
 * 6.2.4 and 6.2.11, from memory).
 */
export function weaknessOf(
  password: string,
  { email, displayName }: { email: string; displayName: string },
): 'used' | 'repeated' | 'name' | null {
  const small = password.toLowerCase()
  const core = small.replace(/^[^\p{L}]+|[^\p{L}]+$/gu, '')
  if (USED.has(small) || (core.length > 0 && USED.has(core))) return 'used'
  if (isRepeated(small)) return 'repeated'
  const letters = plain(small)
  const names = [
    ...OURS,
    ...email.toLowerCase().split(/[@.]/),
    ...displayName.toLowerCase().split(/\s+/),
    displayName,
  ]
    .map(plain)
    .filter(name => name.length >= SHORTEST_NAME)
  const rest = names.reduce((left, name) => left.replaceAll(name, ''), letters)
  return rest.length < SHORTEST_NAME && rest.length < letters.length ? 'name' : null
}

/** Its letters alone. */
const plain = (text: string) => text.toLowerCase().replace(/[^\p{L}]/gu, '')

/** Whether it is a piece of at most four characters over and over. */
const isRepeated = (text: string) =>
  [1, 2, 3, 4].some(length => text.slice(length) === text.slice(0, -length))
