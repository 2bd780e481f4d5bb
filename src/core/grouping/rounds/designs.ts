/** A plan of many rounds: rounds x groups x people, people as numbers from 0. */
export type Rounds = number[][][]

/** The field of q elements as tables of its sums and products; elements are the numbers 0 .. q - 1. */
interface Field {
  order: number
  add: (a: number, b: number) => number
  multiply: (a: number, b: number) => number
}

/** The prime and the power of a prime power up to 100; null for other numbers. */
export function primePower(order: number): { prime: number; power: number } | null {
  for (let prime = 2; prime <= order; prime++) {
    if (order % prime !== 0) continue
    let [rest, power] = [order, 0]
    for (; rest % prime === 0; rest /= prime) power++
    return rest === 1 ? { prime, power } : null
  }
  return null
}

/**
 * GF(q) for a prime power q: numbers are polynomials over GF(p) written in base p, multiplied modulo an irreducible one,
 * which is found by trying. Textbook algebra. O(q^2) for the tables.
 */
function fieldOf(order: number): Field | null {
  const parts = primePower(order)
  if (!parts) return null
  const { prime, power } = parts
  const digits = (number: number) =>
    Array.from({ length: power }, (_, index) => Math.floor(number / prime ** index) % prime)
  const number = (list: readonly number[]) =>
    list.reduce((sum, digit, index) => sum + digit * prime ** index, 0)
  const add = (a: number, b: number) =>
    number(digits(a).map((digit, index) => (digit + (digits(b)[index] ?? 0)) % prime))
  for (let tail = 0; tail < order; tail++) {
    const multiply = (a: number, b: number) => number(product(digits(a), digits(b), digits(tail), prime))
    const table = Array.from({ length: order * order }, (_, at) =>
      multiply(Math.floor(at / order), at % order),
    )
    if (isField(table, order)) return { order, add, multiply: (a, b) => table[a * order + b] ?? 0 }
  }
  return null
}

/** Multiplies polynomials, with x^k replaced by the tail's: x^k = tail. */
function product(
  a: readonly number[],
  b: readonly number[],
  tail: readonly number[],
  prime: number,
): number[] {
  const power = a.length
  const whole = Array<number>(2 * power - 1).fill(0)
  for (const [i, one] of a.entries())
    for (const [j, other] of b.entries()) whole[i + j] = ((whole[i + j] ?? 0) + one * other) % prime
  for (let high = whole.length - 1; high >= power; high--) {
    const factor = whole[high] ?? 0
    for (const [index, digit] of tail.entries()) {
      const at = high - power + index
      whole[at] = ((whole[at] ?? 0) + factor * digit) % prime
    }
  }
  return whole.slice(0, power)
}

/** Whether multiplying by anything but 0 gives every element once. */
function isField(table: readonly number[], order: number): boolean {
  for (let a = 1; a < order; a++) {
    if (new Set(table.slice(a * order, (a + 1) * order)).size !== order) return false
  }
  return true
}

/**
 * q^d people in groups of q for (q^d - 1) / (q - 1) rounds, every two together exactly once: the lines of affine space
 * AG(d, q), a round for each direction. Null when q is no prime power. Source: Bose; any text on designs.
 */
export function affineRounds(order: number, dimension: number): Rounds | null {
  const field = fieldOf(order)
  if (!field) return null
  const people = order ** dimension
  const coordinates = (person: number) =>
    Array.from({ length: dimension }, (_, index) => Math.floor(person / order ** index) % order)
  const person = (list: readonly number[]) =>
    list.reduce((sum, part, index) => sum + part * order ** index, 0)
  const directions = Array.from({ length: people - 1 }, (_, number) => coordinates(number + 1)).filter(
    direction => direction.find(part => part !== 0) === 1,
  )
  return directions.map(direction => {
    const placed = new Set<number>()
    const lines: number[][] = []
    for (let start = 0; start < people; start++) {
      if (placed.has(start)) continue
      const from = coordinates(start)
      const line = Array.from({ length: order }, (_, scale) =>
        person(from.map((part, index) => field.add(part, field.multiply(scale, direction[index] ?? 0)))),
      )
      for (const each of line) placed.add(each)
      lines.push(line)
    }
    return lines
  })
}

/**
 * g groups of s people for g rounds without anybody meeting twice, for s up to the smallest prime power that g is made of:
 * person x + g y sits in column y, and in round m goes to group x - m y, reckoned in the product of the fields of those
 * prime powers. The lines of a plane with some columns left out (resolvable transversal designs; MacNeish, 1922). Null
 * when there is none of this kind.
 */
export function transversalRounds(groups: number, size: number): Rounds | null {
  const parts = primePowers(groups)
  const fields = parts.map(part => fieldOf(part)).filter(field => field !== null)
  if (parts.length === 0 || size > Math.min(...parts)) return null
  const split = (number: number) => {
    let rest = number
    return parts.map(part => {
      const digit = rest % part
      rest = Math.floor(rest / part)
      return digit
    })
  }
  const joined = (digits: readonly number[]) =>
    digits.reduceRight((sum, digit, at) => sum * (parts[at] ?? 1) + digit, 0)
  // Column y stands for (y, y, ...): two of them differ in every part, so that their difference can be divided by.
  return Array.from({ length: groups }, (_, slope) =>
    Array.from({ length: groups }, (_, start) =>
      Array.from({ length: size }, (_, column) => {
        const [from, by] = [split(start), split(slope)]
        const place = fields.map((field, at) => field.add(from[at] ?? 0, field.multiply(by[at] ?? 0, column)))
        return joined(place) + groups * column
      }),
    ),
  )
}

/** The prime powers a number is the product of: 12 is 4 x 3. */
function primePowers(number: number): number[] {
  const parts: number[] = []
  let rest = number
  for (let prime = 2; rest > 1; prime++) {
    let part = 1
    for (; rest % prime === 0; rest /= prime) part *= prime
    if (part > 1) parts.push(part)
  }
  return parts
}
