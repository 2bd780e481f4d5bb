/** Where each line stands lies in a map by the line's place in the settings (`l0`): a fractional index, none while it stands nowhere. */
import { generateKeyBetween, generateNKeysBetween } from 'fractional-indexing'
import type * as Y from 'yjs'

export const orderName = (promptId: string): string => `order:${promptId}`
export const orderOf = (doc: Y.Doc, promptId: string): Y.Map<unknown> => doc.getMap(orderName(promptId))

const key = (line: number) => `l${line}`

function rankOf(doc: Y.Doc, promptId: string, line: number): string | null {
  const rank = orderOf(doc, promptId).get(key(line))
  return typeof rank === 'string' && /^[0-9A-Za-z]{1,80}$/.test(rank) ? rank : null
}

/** The lines that have a place, first to last. `count` is how many lines there are. Two at one place go by the order they were given in. */
export function readOrder(doc: Y.Doc, promptId: string, count: number): number[] {
  return Array.from({ length: count }, (_, line) => ({ line, rank: rankOf(doc, promptId, line) }))
    .filter((one): one is { line: number; rank: string } => one.rank !== null)
    .sort((one, other) => (one.rank === other.rank ? one.line - other.line : one.rank < other.rank ? -1 : 1))
    .map(({ line }) => line)
}

/** Puts a line at a place among those that have one, counted without it; at the end when there are not so many. */
export function putAt(doc: Y.Doc, promptId: string, count: number, line: number, place: number): void {
  const others = readOrder(doc, promptId, count).filter(other => other !== line)
  const [before, after] = [others[place - 1], others[place]]
  const rank = (other: number | undefined) => (other === undefined ? null : rankOf(doc, promptId, other))
  const low = rank(place > others.length ? others.at(-1) : before)
  doc.transact(() => {
    try {
      orderOf(doc, promptId).set(key(line), generateKeyBetween(low, rank(after)))
    } catch {
      // Two stand at the very same place, or at one that is none: all of them are given places anew.
      const all = others.toSpliced(place, 0, line)
      const keys = generateNKeysBetween(null, null, all.length)
      for (const [index, each] of all.entries()) orderOf(doc, promptId).set(key(each), keys[index])
    }
  })
}

/** Takes a line out of the order. */
export const takeOut = (doc: Y.Doc, promptId: string, line: number): void =>
  orderOf(doc, promptId).delete(key(line))
