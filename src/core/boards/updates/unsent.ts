import * as Y from 'yjs'

/**
 * What a document holds that the server has not got, as one update: pieces under these numbers from the clocks on up to which
 * the server has them. Null when there is nothing. (Yjs, update format version 1; it names all that was ever taken away too.)
 */
export function unsent(doc: Y.Doc, storedTo: ReadonlyMap<number, number>): Uint8Array | null {
  const there = Y.decodeStateVector(Y.encodeStateVector(doc))
  let some = false
  for (const [number, clock] of storedTo) {
    if ((there.get(number) ?? 0) <= clock) continue
    there.set(number, clock)
    some = true
  }
  return some ? Y.encodeStateAsUpdate(doc, Y.encodeStateVector(there)) : null
}
