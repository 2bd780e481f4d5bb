import {
  type WorkerReply,
  type WorkerRequest,
  type WorkerTask,
  workerReply,
} from '~/contracts/grouping-worker'

type Listener = (reply: WorkerReply) => void

/** Asks the grouping worker; started with the first question, ended with the page that asked. */
export class GroupingClient {
  private worker: Worker | undefined
  private asked = 0
  private readonly listeners = new Map<number, { hear: Listener; fail: (error: Error) => void }>()

  /** Sends a task; `hear` gets every reply to it, `fail` when the worker breaks. Returns how to stop listening. */
  ask(task: WorkerTask, hear: Listener, fail: (error: Error) => void): () => void {
    const id = ++this.asked
    this.listeners.set(id, { hear, fail })
    this.running().postMessage({ ...task, id } satisfies WorkerRequest)
    return () => void this.listeners.delete(id)
  }

  /** Ends the worker in the middle of whatever it does; the next task starts a new one. */
  stop(): void {
    this.worker?.terminate()
    this.worker = undefined
    this.listeners.clear()
  }

  private running(): Worker {
    if (this.worker) return this.worker
    const worker = new Worker(new URL('./grouping.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = (event: MessageEvent<unknown>) => {
      const reply = workerReply.parse(event.data)
      this.listeners.get(reply.id)?.hear(reply)
    }
    worker.onerror = event => {
      for (const { fail } of this.listeners.values()) fail(new Error(event.message))
      this.listeners.clear()
    }
    this.worker = worker
    return worker
  }
}
