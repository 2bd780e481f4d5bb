import { type Answer, ask } from '../../../live-client/ask'

export type OrderState = 'as it was' | 'saving' | 'saved' | { problem: string }

/** When the server could not be reached it is asked again after so long, in milliseconds. */
const AGAIN_MS = 3_000

/**
 * Keeps a running order at the server, one change after the other, so that an earlier one never comes after a later; of those
 * that wait only the last is sent. Apart from the page's own router, which would draw all of the page for each.
 */
export class OrderKeeping {
  private shown: OrderState = 'as it was'
  private waiting: object | null = null
  private isSending = false
  private timer: ReturnType<typeof setTimeout> | undefined
  private readonly listeners = new Set<() => void>()

  constructor(
    private readonly address: string,
    private readonly send: (address: string, order: object) => Promise<Answer> = ask,
  ) {}

  /** Until what this gives is called. */
  begin(): () => void {
    return () => clearTimeout(this.timer)
  }

  keep(order: object): void {
    this.waiting = order
    this.show('saving')
    void this.next()
  }

  state = (): OrderState => this.shown

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  private async next(): Promise<void> {
    clearTimeout(this.timer)
    const order = this.waiting
    if (this.isSending || order === null) return
    this.isSending = true
    this.waiting = null
    const answer = await this.send(this.address, order)
    this.isSending = false
    if (this.waiting !== null) return this.next()
    if (answer.ok) return this.show('saved')
    this.show({ problem: answer.message })
    if (!answer.unreached) return
    this.waiting = order
    this.timer = setTimeout(() => void this.next(), AGAIN_MS)
  }

  private show(state: OrderState): void {
    this.shown = state
    for (const listener of this.listeners) listener()
  }
}
