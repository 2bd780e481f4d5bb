/** A group the worker has found so far and is still making better: drawn in the lanes, told to nobody. */
export interface DraftRoom {
  name: string
  /** First names of who would be in it. */
  people: readonly string[]
}

/**
 * What would come, as it is drawn in the lanes. Outside of React's state: an answer of the worker is drawn by the list of drafts
 * alone, within a frame or two, while the rest of the page stays as it is.
 */
export class DraftRooms {
  private drawn: readonly DraftRoom[] | null = null
  private readonly listeners = new Set<() => void>()

  /** Null where nothing is being made. */
  readonly now = (): readonly DraftRoom[] | null => this.drawn

  readonly set = (drawn: readonly DraftRoom[] | null): void => {
    if (this.drawn === drawn) return
    this.drawn = drawn
    for (const listener of this.listeners) listener()
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
}

/** The worker's groups with names in place of ids. O(people). */
export function draftOf(
  names: readonly string[],
  groups: readonly (readonly string[])[],
  people: readonly { id: string; shownName: string }[],
): DraftRoom[] {
  const shown = new Map(people.map(person => [person.id, person.shownName]))
  return groups.map((ids, index) => ({
    name: names[index] ?? '',
    people: ids.map(id => shown.get(id) ?? ''),
  }))
}
