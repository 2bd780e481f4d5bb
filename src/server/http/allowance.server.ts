import { LRUCache } from 'lru-cache'

/** So much at once, and then so much a second. */
export class Allowance {
  private left: number
  private since = performance.now()

  constructor(
    private readonly atOnce: number,
    private readonly aSecond: number,
  ) {
    this.left = atOnce
  }

  /** Takes so much off; false when there is no more. What was refused is not taken off. */
  allows(amount: number): boolean {
    const now = performance.now()
    this.left = Math.min(this.atOnce, this.left + ((now - this.since) / 1000) * this.aSecond)
    this.since = now
    if (this.left < amount) return false
    this.left -= amount
    return true
  }
}

/** So many keys are remembered. */
const MOST_KEYS = 20_000

/** An allowance for each key. */
export class Allowances {
  private readonly all = new LRUCache<string, Allowance>({ max: MOST_KEYS })

  constructor(
    private readonly atOnce: number,
    private readonly aSecond: number,
  ) {}

  allows(key: string, amount = 1): boolean {
    const known = this.all.get(key) ?? new Allowance(this.atOnce, this.aSecond)
    this.all.set(key, known)
    return known.allows(amount)
  }
}
