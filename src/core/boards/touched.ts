/** What of a document a transaction reached into. */
import type * as Y from 'yjs'

/** Whether a root type is one that a kind named, or one of many under that name: `name` itself, or `name/...`. */
export const isIn = (root: string, name: string): boolean => root === name || root.startsWith(`${name}/`)

/** Whether a transaction changed something in these root types. */
export const touches = (transaction: Y.Transaction, roots: readonly string[]): boolean =>
  [...touchedParts(transaction).keys()].some(name => roots.some(root => isIn(name, root)))

/** Names of the document's root types that a transaction reached into, with what it touched: the root or parts right under it. */
export function touchedParts(transaction: Y.Transaction): Map<string, Set<unknown>> {
  const byRoot = new Map<unknown, Set<unknown>>()
  for (const type of transaction.changed.keys()) {
    let part: Y.AbstractType<unknown> = type as Y.AbstractType<unknown>
    let root = part
    while (root.parent) {
      part = root
      root = root.parent as Y.AbstractType<unknown>
    }
    byRoot.set(root, (byRoot.get(root) ?? new Set()).add(part))
  }
  const names = new Map<string, Set<unknown>>()
  for (const [name, type] of transaction.doc.share) {
    const parts = byRoot.get(type)
    if (parts) names.set(name, parts)
  }
  return names
}
