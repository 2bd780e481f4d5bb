import { RateLimiterMemory, type RateLimiterRes } from 'rate-limiter-flexible'

/** Slows down guessing: failures are counted, and after too many every try is refused for a while. */
export class FailureLimit {
  private readonly limiters: RateLimiterMemory[]

  /** One limit for each kind of key, in the order keys are given: most failures within so many seconds. */
  constructor(limits: { most: number; seconds: number }[]) {
    this.limiters = limits.map(
      ({ most, seconds }, index) =>
        new RateLimiterMemory({ keyPrefix: String(index), points: most, duration: seconds }),
    )
  }

  /** Seconds until another try is looked at; 0 when it is looked at now. */
  async secondsToWait(...keys: string[]): Promise<number> {
    const states = await Promise.all(this.limiters.map((limiter, index) => limiter.get(keys[index] ?? '')))
    const waits = states.map((state, index) => waitFor(state, this.limiters[index]?.points ?? 0))
    return Math.max(0, ...waits)
  }

  async failed(...keys: string[]): Promise<void> {
    await Promise.all(this.limiters.map((limiter, index) => limiter.penalty(keys[index] ?? '')))
  }

  /** Forgets the failures counted under the first key: its owner got in. */
  async succeeded(firstKey = '', ..._others: string[]): Promise<void> {
    await this.limiters[0]?.delete(firstKey)
  }
}

const waitFor = (state: RateLimiterRes | null, most: number) =>
  state && state.consumedPoints >= most ? Math.ceil(state.msBeforeNext / 1000) : 0

export interface Limits {
  /** Keys: email and network address together, network address, email. */
  signIn: FailureLimit
  /** Keys: network address, then one count for everybody. */
  joinCode: FailureLimit
}

/**
 * A whole class behind one address may mistype a code, so a network address has 30 wrong codes in ten minutes; all
 * addresses together have 1,000, which against 6.6e11 codes leaves a guess hopeless.
 *
 * Eight wrong passwords lock an account for the address they came from only: otherwise whoever knows a facilitator's
 * email could keep them out of their own session. A hundred from anywhere lock it for all.
 */
export const createLimits = (): Limits => ({
  signIn: new FailureLimit([
    { most: 8, seconds: 15 * 60 },
    { most: 60, seconds: 15 * 60 },
    { most: 100, seconds: 15 * 60 },
  ]),
  joinCode: new FailureLimit([
    { most: 30, seconds: 10 * 60 },
    { most: 1000, seconds: 10 * 60 },
  ]),
})
