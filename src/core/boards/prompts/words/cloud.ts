/** A word of a cloud, as it was written most often, and how many wrote it. */
export interface CloudWord {
  word: string
  count: number
}

/**
 * Joins equal words whatever their case; accents count, so that `résumé` and `resume` stay two. Of spellings as many
 * used, the one in small letters. Most frequent first, equals by their letters, so that every browser draws the same cloud. O(n log n).
 */
export function cloudOf(words: readonly string[]): CloudWord[] {
  const spellings = new Map<string, Map<string, number>>()
  for (const said of words) {
    const word = said.trim().replace(/\s+/g, ' ').normalize('NFC')
    if (word === '') continue
    const key = word.toLowerCase()
    const known = spellings.get(key) ?? new Map<string, number>()
    spellings.set(key, known.set(word, (known.get(word) ?? 0) + 1))
  }
  return [...spellings.values()]
    .map(known => {
      const [[word] = ['']] = [...known].sort(([one, count], [other, otherCount]) =>
        count === otherCount ? (one < other ? 1 : -1) : otherCount - count,
      )
      return { word, count: [...known.values()].reduce((sum, count) => sum + count, 0) }
    })
    .sort((one, other) =>
      one.count === other.count ? (one.word < other.word ? -1 : 1) : other.count - one.count,
    )
}
