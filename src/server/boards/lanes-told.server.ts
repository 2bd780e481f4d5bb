import type { Logger } from 'pino'
import type { LiveState } from '~/core/live/topics'
import { errorFacts } from '../error-facts.server'
import type { LiveHub } from '../live/hub.server'
import type { BoardWork } from './board-work.server'

/** Lanes need not hear of every keystroke: at most one message in this time, in milliseconds. */
const TELL_EVERY_MS = 400

export type WrittenListener = (sessionId: string, state: LiveState, copies: ReadonlySet<string>) => void

/** Tells facilitators, and whoever else listens, on which copies of a session something was written: now and then, all at once. */
export class LanesTold {
  private readonly listeners = new Set<WrittenListener>()
  /** Copies that were written on since lanes were last told, by session. */
  private readonly waiting = new Map<string, Set<string>>()

  constructor(
    private readonly hub: LiveHub,
    private readonly work: BoardWork,
    private readonly log: Logger,
  ) {}

  /** Calls the listener, at most every `TELL_EVERY_MS` a session. */
  onWritten(listener: WrittenListener): void {
    this.listeners.add(listener)
  }

  tell(sessionId: string, copyId: string): void {
    const waiting = this.waiting.get(sessionId)
    if (waiting) {
      waiting.add(copyId)
      return
    }
    const copies = new Set([copyId])
    this.waiting.set(sessionId, copies)
    setTimeout(async () => {
      this.waiting.delete(sessionId)
      try {
        const state = await this.hub.state(sessionId)
        for (const listener of this.listeners) listener(sessionId, state, copies)
        const rooms = await this.work.of(sessionId, state, copies)
        await this.hub.tellFacilitators(sessionId, { kind: 'work', rooms })
      } catch (error) {
        this.log.error({ error: errorFacts(error) }, 'the lanes could not be told of new work')
      }
    }, TELL_EVERY_MS).unref()
  }
}
