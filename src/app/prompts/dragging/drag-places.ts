import type { RefObject, SyntheticEvent } from 'react'

export type DragListeners = Record<string, (event: SyntheticEvent) => void> | undefined

/** Before the number of a free space in which things can be let go. */
export const SPACE = 'space-'

/** What a drag came to. */
export interface Dropped {
  dragged: string
  /** What it was let go on; null when that was a free space, or nothing. */
  onto: string | null
  /** On its lower half. */
  isLow: boolean
  /** The free space it was let go in. */
  space: number | null
}

/** Where a thing, or the free space with a number, is drawn. */
export interface DragPlace {
  id: string
  element: RefObject<HTMLElement | null>
  /** What to call when its handle is pressed. */
  listeners: RefObject<DragListeners>
}

/** The things and free spaces that are drawn now. More than where they are is made of them once the first is gripped. */
export class DragPlaces {
  private places: readonly DragPlace[] = []
  private gripped = false
  private readonly listeners = new Set<() => void>()

  /** Gives what takes it out again. */
  add(place: DragPlace): () => void {
    this.change([...this.places, place])
    return () => this.change(this.places.filter(each => each !== place))
  }

  list = (): readonly DragPlace[] => this.places

  isGripped = (): boolean => this.gripped

  /** A handle is pressed. */
  grip = (): void => {
    if (this.gripped) return
    this.gripped = true
    this.tell()
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  private change(places: readonly DragPlace[]): void {
    this.places = places
    this.tell()
  }

  private tell(): void {
    for (const listener of this.listeners) listener()
  }
}
