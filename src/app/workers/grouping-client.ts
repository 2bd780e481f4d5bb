import { type DrawReply, type DrawRequest, drawReply } from '~/contracts/grouping-worker'

/** Asks the grouping worker; started with the first question, ended with the page that asked. */
export class GroupingClient {
  private worker: Worker | undefined
  private asked = 0
  private readonly waiting = new Map<
    number,
    { resolve: (reply: DrawReply) => void; reject: (error: Error) => void }
  >()

  draw(problem: Omit<DrawRequest, 'id'>): Promise<DrawReply> {
    const id = ++this.asked
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { resolve, reject })
      this.running().postMessage({ id, ...problem } satisfies DrawRequest)
    })
  }

  stop(): void {
    this.worker?.terminate()
    this.worker = undefined
    this.waiting.clear()
  }

  private running(): Worker {
    if (this.worker) return this.worker
    const worker = new Worker(new URL('./grouping.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = (event: MessageEvent<unknown>) => {
      const reply = drawReply.parse(event.data)
      this.waiting.get(reply.id)?.resolve(reply)
      this.waiting.delete(reply.id)
    }
    worker.onerror = event => {
      for (const waiter of this.waiting.values()) waiter.reject(new Error(event.message))
      this.waiting.clear()
    }
    this.worker = worker
    return worker
  }
}
