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

  /** Counts a failure; gives the seconds to wait where there have been more than may be, this one among them. */
  async failed(...keys: string[]): Promise<number> {
    const states = await Promise.all(
      this.limiters.map((limiter, index) => limiter.penalty(keys[index] ?? '')),
    )
    return Math.max(
      0,
      ...states.map((state, index) => waitFor(state, (this.limiters[index]?.points ?? 0) + 1)),
    )
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
 * A whole class behind one address may mistype a code, so a network address is told of 30 wrong codes in ten minutes that they
 * are wrong; all addresses together of 1,000. Right codes pass all the same, so what makes guessing hopeless is their length:
 * 30^8 = 6.6e11 codes. With 100 sessions and 500 guesses a second, as much as this server answers, one is found in
 * 6.6e11 / 100 / 500 s = 152 days on average, by who would leave no room for anybody else all that time.
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
