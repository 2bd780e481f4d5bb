import type * as Y from 'yjs'

/**
 * Brings a shared text to what a text field now holds, changing only the stretch that differs, so that what others
 * typed elsewhere in it stays. O(length).
 */
export function editText(text: Y.Text, next: string): void {
  const current = text.toString()
  if (current === next) return
  const shorter = Math.min(current.length, next.length)
  let start = 0
  while (start < shorter && current[start] === next[start]) start++
  let end = 0
  while (end < shorter - start && current[current.length - 1 - end] === next[next.length - 1 - end]) end++
  const removed = current.length - end - start
  const inserted = next.slice(start, next.length - end)
  const change = () => {
    if (removed > 0) text.delete(start, removed)
    if (inserted) text.insert(start, inserted)
  }
  if (text.doc) text.doc.transact(change)
  else change()
}
