import { isSame } from '~/core/merging/merge'
import { mergeOrders, type PlannedOrder } from '~/core/schedule/merge-orders'
import { type Answer, ask } from '../../../live-client/ask'

export type OrderState = 'as it was' | 'saving' | 'saved' | { problem: string }

/** When the server could not be reached it is asked again after so long, in milliseconds. */
const AGAIN_MS = 3_000

type Send = (address: string, order: object) => Promise<Answer<{ order: PlannedOrder }>>

/**
 * Keeps a running order at the server, one change after the other, so that an earlier one never comes after a later; of those
 * that wait only the last is sent. What others changed meanwhile comes with the answer. Apart from the page's own router, which
 * would draw all of the page for each.
 */
export class OrderKeeping {
  private shown: OrderState = 'as it was'
  /** Something was changed since the last was sent. */
  private isBehind = false
  private isSending = false
  private timer: ReturnType<typeof setTimeout> | undefined
  private readonly listeners = new Set<() => void>()

  constructor(
    private readonly address: string,
    /** As the server said last. */
    private base: PlannedOrder,
    private readonly page: {
      now: () => PlannedOrder
      /** Somebody else changed it meanwhile: this is what it is with both. */
      onOthers: (order: PlannedOrder) => void
    },
    private readonly send: Send = ask,
  ) {}

  /** Until what this gives is called. */
  begin(): () => void {
    return () => clearTimeout(this.timer)
  }

  /** Something was changed. */
  keep(): void {
    this.isBehind = true
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
    if (this.isSending || !this.isBehind) return
    this.isSending = true
    this.isBehind = false
    const sent = this.page.now()
    const answer = await this.send(this.address, { ...sent, base: this.base })
    this.isSending = false
    if (answer.ok) this.join(sent, answer.order)
    if (this.isBehind) return this.next()
    if (answer.ok) return this.show('saved')
    this.show({ problem: answer.message })
    if (!answer.unreached) return
    this.isBehind = true
    this.timer = setTimeout(() => void this.next(), AGAIN_MS)
  }

  private join(sent: PlannedOrder, theirs: PlannedOrder): void {
    const mine = this.page.now()
    const both = mergeOrders(sent, mine, theirs)
    this.base = theirs
    if (!isSame(both, mine)) this.page.onOthers(both)
  }

  private show(state: OrderState): void {
    this.shown = state
    for (const listener of this.listeners) listener()
  }
}
