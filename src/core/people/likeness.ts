/**
 * How alike two names are, for finding who of a list somebody is that typed their name.
 *
 * Jaro's measure (M. A. Jaro, "Advances in Record-Linkage Methodology as Applied to Matching the 1985 Census of Tampa, Florida",
 * Journal of the American Statistical Association 84, 1989) with Winkler's addition for a common beginning (W. E. Winkler,
 * "String Comparator Metrics and Enhanced Decision Rules in the Fellegi-Sunter Model of Record Linkage", 1990).
 */
import { plainName } from './shown-name'

/** Letters that count as a common beginning, and how much each adds of what is missing: Winkler's values. */
const LONGEST_BEGINNING = 4
const EACH_LETTER = 0.1

/** Jaro's measure of two strings: 1 for the same, 0 for nothing in common. O(length x length). */
export function jaro(one: string, other: string): number {
  if (one === other) return 1
  const reach = Math.max(0, Math.floor(Math.max(one.length, other.length) / 2) - 1)
  const found = new Array<boolean>(other.length).fill(false)
  const ofOne: string[] = []
  for (let place = 0; place < one.length; place++) {
    const last = Math.min(other.length - 1, place + reach)
    for (let at = Math.max(0, place - reach); at <= last; at++) {
      if (found[at] || other[at] !== one[place]) continue
      found[at] = true
      ofOne.push(one[place] as string)
      break
    }
  }
  const common = ofOne.length
  if (common === 0) return 0
  const ofOther = [...other].filter((_, at) => found[at])
  const outOfPlace = ofOne.filter((letter, place) => letter !== ofOther[place]).length
  return (common / one.length + common / other.length + (common - outOfPlace / 2) / common) / 3
}

/** Jaro's measure, raised for names that begin alike. */
export function jaroWinkler(one: string, other: string): number {
  const measure = jaro(one, other)
  let beginning = 0
  while (beginning < LONGEST_BEGINNING && beginning < one.length && one[beginning] === other[beginning])
    beginning++
  return measure + beginning * EACH_LETTER * (1 - measure)
}

/** Less alike than this is not proposed. */
export const LEAST_LIKENESS = 0.85

/** How alike a typed name is to a listed one: as a whole, or, typed in one word, to its first word. From 0 to 1. */
export const likeness = (typed: string, listed: string): number =>
  likenessOfPlain(plainName(typed), plainName(listed))

function likenessOfPlain(one: string, other: string): number {
  const firstWord = other.split(' ', 1)[0] as string
  const asWhole = mayBeAlike(one, other) ? jaroWinkler(one, other) : 0
  if (one.includes(' ') || firstWord === other || !mayBeAlike(one, firstWord)) return asWhole
  // A first name that fits is less than the whole name that does.
  return Math.max(asWhole, jaroWinkler(one, firstWord) * 0.99)
}

/** Lengths alone say of most pairs that they cannot be alike enough: at most the shorter can be common. */
function mayBeAlike(one: string, other: string): boolean {
  const [shorter, longer] = one.length < other.length ? [one, other] : [other, one]
  if (shorter.length === 0) return false
  const atMost = (2 + shorter.length / longer.length) / 3
  return atMost + LONGEST_BEGINNING * EACH_LETTER * (1 - atMost) >= LEAST_LIKENESS
}

export interface Named {
  id: string
  name: string
}

export interface Proposal {
  id: string
  /** Who of the list it may be, the likest first; at most three. */
  candidates: { id: string; likeness: number }[]
  /** One is clearly the likest, and nobody else's: it can be taken without a look. */
  clear: boolean
}

/**
 * Who of a list each typed name may be. What is proposed as clear names everybody of the list once at most. Those for whom nobody
 * is alike enough are left out. O(typed x listed).
 */
export function proposals(typed: readonly Named[], listed: readonly Named[]): Proposal[] {
  // Making names plain is by far the dearest part: once for each.
  const plain = listed.map(person => ({ id: person.id, name: plainName(person.name) }))
  const found = typed.flatMap(({ id, name }) => {
    const one = plainName(name)
    const candidates = plain
      .map(person => ({ id: person.id, likeness: likenessOfPlain(one, person.name) }))
      .filter(candidate => candidate.likeness >= LEAST_LIKENESS)
      .sort((one, other) => other.likeness - one.likeness)
      .slice(0, 3)
    return candidates.length > 0 ? [{ id, candidates }] : []
  })
  const wanted = new Map<string, number>()
  for (const { candidates } of found) {
    const first = candidates[0]?.id ?? ''
    wanted.set(first, (wanted.get(first) ?? 0) + 1)
  }
  return found.map(({ id, candidates }) => {
    const [first, second] = candidates
    const isAlone = !second || (first?.likeness ?? 0) - second.likeness >= CLEARLY
    return { id, candidates, clear: isAlone && wanted.get(first?.id ?? '') === 1 }
  })
}

/** So much likelier than the next is clear. */
const CLEARLY = 0.03

/**
 * Who of a list each typed name is without a doubt: their name reads the same, whole or as it is shown, and nobody else's does.
 * O(typed + listed).
 */
export function exactMatches(
  typed: readonly Named[],
  listed: readonly { id: string; names: readonly string[] }[],
): { id: string; listedId: string }[] {
  const owners = new Map<string, string | null>()
  for (const { id, names } of listed) {
    for (const name of new Set(names.map(plainName))) owners.set(name, owners.has(name) ? null : id)
  }
  const used = new Set<string>()
  return typed.flatMap(({ id, name }) => {
    const listedId = owners.get(plainName(name))
    if (!listedId || used.has(listedId)) return []
    used.add(listedId)
    return [{ id, listedId }]
  })
}
