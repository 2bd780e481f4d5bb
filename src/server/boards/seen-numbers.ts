/** Numbers whose browsers have been at a board since the server started. */
export class SeenNumbers {
  /** By session and copy. */
  private readonly numbers = new Map<string, Map<string, Set<number>>>()

  add(sessionId: string, copyId: string, number: number): void {
    const copies = this.numbers.get(sessionId) ?? new Map<string, Set<number>>()
    this.numbers.set(sessionId, copies)
    copies.set(copyId, (copies.get(copyId) ?? new Set()).add(number))
  }

  of(sessionId: string, copyId: string): Iterable<number> {
    return this.numbers.get(sessionId)?.get(copyId) ?? []
  }

  forget(sessionId: string): void {
    this.numbers.delete(sessionId)
  }
}
