import { createContext, useContext, useSyncExternalStore } from 'react'

/**
 * Names that were chosen in the lanes, to be put somewhere together. Outside of React's state: with hundreds of names only those
 * whose choice changed are drawn again.
 */
export class ChosenPeople {
  private chosen: ReadonlySet<string> = new Set()
  private on = false
  private readonly listeners = new Set<() => void>()

  /** The ids that are chosen; the same object until one more or less is. */
  readonly ids = (): ReadonlySet<string> => this.chosen
  /** Whether a press on a name chooses it instead of opening its menu. */
  readonly choosing = (): boolean => this.on

  readonly toggle = (id: string): void => {
    const chosen = new Set(this.chosen)
    if (!chosen.delete(id)) chosen.add(id)
    this.set(chosen)
  }
  readonly setChoosing = (on: boolean): void => {
    this.on = on
    this.set(on ? this.chosen : new Set())
  }
  readonly clear = (): void => this.set(new Set())

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  private set(chosen: ReadonlySet<string>) {
    this.chosen = chosen
    for (const listener of this.listeners) listener()
  }
}

const NOBODY = new ChosenPeople()
export const ChosenContext = createContext(NOBODY)

export const useChosen = (): ChosenPeople => useContext(ChosenContext)
export function useIsChosen(id: string): boolean {
  const chosen = useChosen()
  const isChosen = () => chosen.ids().has(id)
  return useSyncExternalStore(chosen.subscribe, isChosen, isChosen)
}
export function useChosenIds(): ReadonlySet<string> {
  const chosen = useChosen()
  return useSyncExternalStore(chosen.subscribe, chosen.ids, chosen.ids)
}
export function useChoosing(): boolean {
  const chosen = useChosen()
  return useSyncExternalStore(chosen.subscribe, chosen.choosing, chosen.choosing)
}
