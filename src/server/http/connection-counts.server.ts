/** Connections of a kind that one person may have open at the same time: tabs and devices. */
const MOST_OF_A_PERSON = 12
/** And one network address: 500 people behind one, each with a second tab or a line that is just being opened anew. */
const MOST_OF_AN_ADDRESS = 1_500

/** Counts connections that stay: event streams, or board sockets. */
export class ConnectionCounts {
  private readonly counts = new Map<string, number>()

  /** Takes one in and gives how to let it go; null when this person or address has too many. */
  admit(person: string, address: string): (() => void) | null {
    const keys = [`person ${person}`, `address ${address}`]
    const most = [MOST_OF_A_PERSON, MOST_OF_AN_ADDRESS]
    if (keys.some((key, index) => (this.counts.get(key) ?? 0) >= (most[index] ?? 0))) return null
    for (const key of keys) this.counts.set(key, (this.counts.get(key) ?? 0) + 1)
    return () => {
      for (const key of keys) {
        const left = (this.counts.get(key) ?? 1) - 1
        if (left > 0) this.counts.set(key, left)
        else this.counts.delete(key)
      }
    }
  }
}
