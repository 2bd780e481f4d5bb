import { remember } from './remember'
import type { LiveState } from './topics'

/**
 * What is read of a state, noted down while it is read: what was worked out of one state need not be worked out of another in which
 * all that was ever read is the same.
 */
export class Reading {
  private readonly names = new Set<keyof LiveState>()

  /** `found` is told of each name that is read for the first time. */
  constructor(private readonly found: () => void = () => undefined) {}

  /** The same state, but that what is read of it is noted. One for each state, so that what is remembered of a state is found again. */
  readonly noted = remember(
    (state: LiveState) =>
      new Proxy(state, {
        get: (target, name: keyof LiveState) => {
          if (!this.names.has(name)) {
            this.names.add(name)
            this.found()
          }
          return target[name]
        },
      }),
  )

  has(name: keyof LiveState): boolean {
    return this.names.has(name)
  }

  /** Whether all that was ever read is the same objects in both. O(names). */
  isSame(before: LiveState, after: LiveState): boolean {
    for (const name of this.names) if (before[name] !== after[name]) return false
    return true
  }
}
