import type { RefObject, SyntheticEvent } from 'react'

export type DragListeners = Record<string, (event: SyntheticEvent) => void> | undefined

/** Where a card, or `column-` and its place, is drawn. */
export interface DragPlace {
  id: string
  element: RefObject<HTMLElement | null>
  /** What to call when its handle is pressed. */
  listeners: RefObject<DragListeners>
}

/** The cards and columns that are drawn now. */
export class DragPlaces {
  private places: readonly DragPlace[] = []
  private readonly listeners = new Set<() => void>()

  /** Gives what takes it out again. */
  add(place: DragPlace): () => void {
    this.change([...this.places, place])
    return () => this.change(this.places.filter(each => each !== place))
  }

  list = (): readonly DragPlace[] => this.places

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  private change(places: readonly DragPlace[]): void {
    this.places = places
    for (const listener of this.listeners) listener()
  }
}
