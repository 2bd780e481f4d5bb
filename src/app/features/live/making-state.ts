import { useSyncExternalStore } from 'react'

interface Making {
  busy: boolean
  /** What there is to say of the groups that were made. */
  said: string | null
  failed: boolean
}

/**
 * How far the making of groups is. Outside of React's state: a press draws only what says so, and not the whole drawer, so that
 * the first groups are drawn as soon as they are there.
 */
export class MakingState {
  private state: Making = { busy: false, said: null, failed: false }
  private readonly listeners = new Set<() => void>()

  readonly now = (): Making => this.state

  readonly set = (change: Partial<Making>): void => {
    this.state = { ...this.state, ...change }
    for (const listener of this.listeners) listener()
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
}

export const useMakingState = (state: MakingState): Making =>
  useSyncExternalStore(state.subscribe, state.now, state.now)
