import { LRUCache } from 'lru-cache'
import { RateLimiterMemory, type RateLimiterRes } from 'rate-limiter-flexible'
import { serverNow } from './clock.server'
import { Allowances } from './http/allowance.server'

/** Counts failures by several keys at once, in the order keys are given: most failures within so many seconds. */
export class FailureLimit {
  private readonly limiters: RateLimiterMemory[]

  constructor(limits: { most: number; seconds: number }[]) {
    this.limiters = limits.map(
      ({ most, seconds }, index) =>
        new RateLimiterMemory({ keyPrefix: String(index), points: most, duration: seconds }),
    )
  }

  /** Counts a failure; gives the seconds to wait where there have been more than may be, this one among them. */
  async failed(...keys: string[]): Promise<number> {
    const states = await Promise.all(
      this.limiters.map((limiter, index) => limiter.penalty(keys[index] ?? '')),
    )
    return Math.max(0, ...states.map((state, index) => waitFor(state, this.limiters[index]?.points ?? 0)))
  }
}

const waitFor = (state: RateLimiterRes, most: number) =>
  state.consumedPoints > most ? Math.ceil(state.msBeforeNext / 1000) : 0

/** Tries that need no wait, and the longest wait there will ever be, in seconds. */
interface Growth {
  free: number
  longest: number
}

/** So many keys are remembered, each for so long after its last try, in milliseconds. */
const MOST_KEYS = 20_000
const REMEMBERED_MS = 30 * 60 * 1000

/**
 * Makes every further try wait twice as long as the one before, up to a longest wait: never a wall. A try is counted before
 * it is looked at, so that of many at the same moment no more get through than of those one after another.
 */
export class GrowingWait {
  private readonly tries = new LRUCache<string, { count: number; until: number }>({
    max: MOST_KEYS,
    ttl: REMEMBERED_MS,
  })

  /** One growth for each kind of key, in the order keys are given. */
  constructor(private readonly growths: Growth[]) {}

  /** Counts a try, or gives the seconds until one is looked at; that one is then not counted. */
  begin(...keys: string[]): number {
    const now = serverNow()
    const wait = Math.max(0, ...this.all(keys).map(([key]) => (this.tries.get(key)?.until ?? 0) - now))
    if (wait > 0) return Math.ceil(wait / 1000)
    for (const [key, { free, longest }] of this.all(keys)) {
      const count = (this.tries.get(key)?.count ?? 0) + 1
      const seconds = count <= free ? 0 : Math.min(longest, 2 ** Math.min(count - free, 30))
      this.tries.set(key, { count, until: now + seconds * 1000 })
    }
    return 0
  }

  /** Takes a try back that was right; the first key is its owner's own, and begins anew. */
  succeeded(...keys: string[]): void {
    for (const [index, [key]] of this.all(keys).entries()) {
      const before = this.tries.get(key)
      if (!before) continue
      if (index === 0) this.tries.delete(key)
      else this.tries.set(key, { count: before.count - 1, until: 0 })
    }
  }

  private all(keys: string[]): [string, Growth][] {
    return this.growths.map((growth, index) => [`${index} ${keys[index] ?? ''}`, growth])
  }
}

export interface Limits {
  /** Keys: email and network address together, network address, email. */
  signIn: GrowingWait
  /** Key: a browser that has been signed in to the account before. */
  knownBrowser: GrowingWait
  /** Keys: network address, then one count for everybody. */
  joinCode: FailureLimit
  /** Key: a participant or an account. What they ask for in a session: every kind of command counts the same. */
  commands: { participant: Allowances; facilitator: Allowances }
}

/** Commands at once, and then a second: each is written into the session's record, which is read again from its beginning. */
export const COMMANDS = { participant: [40, 1], facilitator: [200, 10] } as const

/**
 * A whole class behind one address may mistype a code, so a network address is told of 30 wrong codes in ten minutes that they
 * are wrong; all addresses together of 1,000. Right codes pass all the same, so what makes guessing hopeless is their length:
 * 30^8 = 6.6e11 codes. With 100 sessions and 500 guesses a second, as much as this server answers, one is found in
 * 6.6e11 / 100 / 500 s = 152 days on average, by who would leave no room for anybody else all that time.
 *
 * Wrong passwords wait longer and longer, a minute at the most: for an account from one address after five, for a whole
 * address (a school has one) after thirty, for an account from anywhere after thirty, so that guessing from many addresses is
 * slow as well. A browser that has been signed in before is counted by itself: nobody at the same address keeps it out.
 */
export const createLimits = (): Limits => ({
  signIn: new GrowingWait([
    { free: 5, longest: 60 },
    { free: 30, longest: 10 },
    { free: 30, longest: 60 },
  ]),
  knownBrowser: new GrowingWait([{ free: 10, longest: 60 }]),
  joinCode: new FailureLimit([
    { most: 30, seconds: 10 * 60 },
    { most: 1000, seconds: 10 * 60 },
  ]),
  commands: {
    participant: new Allowances(...COMMANDS.participant),
    facilitator: new Allowances(...COMMANDS.facilitator),
  },
})
