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
