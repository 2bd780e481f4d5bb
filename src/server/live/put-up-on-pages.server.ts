import type { Logger } from 'pino'
import type { StreamMessage } from '~/contracts/live'
import type { PutUpOnPage } from '~/contracts/put-up'
import { putUpKey } from '~/core/live/put-up/key'
import { seesPutUp } from '~/core/live/put-up/put-up'
import { type PutUpWork, workUp } from '~/core/live/put-up/things'
import { roomsWith } from '~/core/live/put-up/work'
import type { BoardServer } from '../boards/board-server.server'
import { errorFacts } from '../error-facts.server'
import type { LiveHub } from './hub.server'
import { readPutUp } from './put-up.server'
import { AsJson } from './sections.server'

/** Pages are told at most so often, in milliseconds. */
const EVERY_MS = 2_000
/** More than this many letters would hold up a phone on a bad line, and 500 times as much this server. */
const MOST_LETTERS = 40_000

/**
 * Tells participants' pages what work is put up on them, as it is being written. It is read and made into text once for all of
 * them, and goes over the streams they have open: none of them asks.
 */
export class PutUpOnPages {
  /** What pages were told last, by session. */
  private readonly told = new Map<string, string>()
  /** Sessions that are being told now, and whether something happened since it was read. */
  private readonly telling = new Map<string, { again: boolean }>()
  private readonly pauses = new Map<NodeJS.Timeout, () => void>()
  private stopped = false

  constructor(
    private readonly hub: LiveHub,
    private readonly boards: BoardServer,
    private readonly log: Logger,
  ) {
    hub.onChange((sessionId, state) => {
      if (workUp(state)?.onPages) this.tell(sessionId)
      else this.told.delete(sessionId)
    })
    hub.onLetGo(sessionId => this.told.delete(sessionId))
    boards.onWritten((sessionId, state, copies) => {
      const work = workUp(state)
      if (work?.onPages && roomsWith(state, work).some(({ room }) => copies.has(room.copyId)))
        this.tell(sessionId)
    })
  }

  /** What somebody who has just come is told; null when nothing is up on pages. */
  async now(sessionId: string): Promise<StreamMessage | null> {
    const work = workUp(await this.hub.state(sessionId))
    if (!work?.onPages) return null
    return messageOf(work, textOf(await readPutUp(this.hub, this.boards, sessionId)))
  }

  stop(): void {
    this.stopped = true
    for (const [timer, done] of this.pauses) {
      clearTimeout(timer)
      done()
    }
  }

  /** At once, and once more when something has happened meanwhile. */
  private tell(sessionId: string): void {
    const now = this.telling.get(sessionId)
    if (now) now.again = true
    else if (!this.stopped) this.keepTelling(sessionId)
  }

  private async keepTelling(sessionId: string): Promise<void> {
    const turn = { again: true }
    this.telling.set(sessionId, turn)
    while (turn.again && !this.stopped) {
      turn.again = false
      try {
        await this.tellOnce(sessionId)
      } catch (error) {
        this.log.error({ error: errorFacts(error), sessionId }, 'pages could not be told what is put up')
      }
      await this.pause()
    }
    this.telling.delete(sessionId)
  }

  private async tellOnce(sessionId: string): Promise<void> {
    const state = await this.hub.state(sessionId)
    const work = workUp(state)
    if (!work?.onPages) return
    const text = textOf(await readPutUp(this.hub, this.boards, sessionId, { anew: true }))
    // Who was let in since has not been told.
    const seers = [...state.participants.values()].filter(each => seesPutUp(state, each)).length
    const told = `${putUpKey(work)} ${seers} ${text}`
    if (this.stopped || this.told.get(sessionId) === told) return
    this.told.set(sessionId, told)
    await this.hub.tellParticipants(sessionId, messageOf(work, text), seesPutUp)
  }

  private pause(): Promise<void> {
    return new Promise(resolve => {
      const timer = setTimeout(() => {
        this.pauses.delete(timer)
        resolve()
      }, EVERY_MS)
      this.pauses.set(timer, resolve)
    })
  }
}

const messageOf = (work: PutUpWork, text: string): StreamMessage => ({
  kind: 'put-up',
  of: putUpKey(work),
  now: new AsJson(text),
})

function textOf(now: PutUpOnPage): string {
  const text = JSON.stringify(now)
  return text.length > MOST_LETTERS ? JSON.stringify('too-much' satisfies PutUpOnPage) : text
}
