import type { Board } from '~/core/boards/board'
import { mergeBoards } from '~/core/boards/building/merge'
import { isSame } from '~/core/merging/merge'

/** Changes are sent so long after the first that was not, in milliseconds, also while somebody types on. */
const REST_MS = 400
/** When it did not work, it is tried again after so long. */
const AGAIN_MS = 3_000

type Told = Board & { savedAt: number }
export type KeepState = 'as it was' | 'keeping' | 'kept' | { problem: string }
type Answer = { ok: true; board: Told } | { ok: false; message: string; unreached?: true }

interface Page {
  now: () => Board
  onState: (state: KeepState) => void
  /** Somebody else changed it meanwhile: this is what it is with both. */
  onOthers: (board: Board) => void
}

/**
 * Keeps a board at the server while it is changed in this page. What is sent is what it was and what it has become: the server
 * does the same to what it is by then, and says what came of it.
 */
export class Keeping {
  /** As the server said last. */
  private base: Board
  private savedAt: number
  private timer: ReturnType<typeof setTimeout> | undefined
  private isSending = false
  private hasFailed = false
  /** Something was changed since the last was sent. */
  private isBehind = false

  constructor(
    private readonly address: string,
    told: Told,
    private readonly page: Page,
  ) {
    this.base = plain(told)
    this.savedAt = told.savedAt
  }

  /** What has not been sent when the page goes is sent then. */
  begin(): () => void {
    const leave = () => {
      if (this.isBehind) void this.send(true)
    }
    addEventListener('pagehide', leave)
    return () => {
      removeEventListener('pagehide', leave)
      leave()
      clearTimeout(this.timer)
    }
  }

  /** Something was changed. */
  soon(): void {
    this.isBehind = true
    this.page.onState('keeping')
    if (this.timer === undefined || this.hasFailed) this.after(REST_MS)
  }

  /** The server says what the board is. */
  hear(told: Told): void {
    // What is on its way, or older than what was heard, is answered with all of it.
    if (this.isSending || told.savedAt <= this.savedAt) return
    this.join(plain(told), told.savedAt, this.base)
  }

  private after(rest: number): void {
    clearTimeout(this.timer)
    this.timer = setTimeout(() => void this.send(false), rest)
  }

  private async send(isLast: boolean): Promise<void> {
    clearTimeout(this.timer)
    this.timer = undefined
    // What is on its way is followed by what was changed meanwhile.
    if (this.isSending && !isLast) return
    const sent = this.page.now()
    this.isSending = true
    this.isBehind = false
    const answer = await this.post({ base: this.base, board: plain(sent) }, isLast)
    this.isSending = false
    this.hasFailed = !answer.ok
    if (answer.ok) {
      this.join(plain(answer.board), answer.board.savedAt, plain(sent))
      if (this.isBehind) this.after(REST_MS)
      else this.page.onState('kept')
    } else {
      this.isBehind = true
      this.page.onState({ problem: answer.message })
      // What the server refused it refuses again: it waits for another change.
      if (answer.unreached) this.after(AGAIN_MS)
    }
  }

  /** Puts what the server has together with what was changed here since it had `from`. */
  private join(theirs: Board, savedAt: number, from: Board): void {
    const mine = plain(this.page.now())
    const both = mergeBoards(from, mine, theirs)
    this.base = theirs
    this.savedAt = savedAt
    if (!isSame(both, mine)) this.page.onOthers(both)
  }

  private async post(body: object, isLast: boolean): Promise<Answer> {
    try {
      const response = await fetch(this.address, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(body),
        keepalive: isLast,
      })
      return (await response.json()) as Answer
    } catch {
      return {
        ok: false,
        unreached: true,
        message: 'The server could not be reached. What you changed stands here; it is tried again.',
      }
    }
  }
}

/** Only what a board says. */
const plain = ({ title, steps, prompts, parts = [] }: Board): Board => ({ title, steps, prompts, parts })
