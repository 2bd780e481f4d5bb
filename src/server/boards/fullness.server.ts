import * as Y from 'yjs'
import { serverNow } from '../clock.server'

/** Largest board, in bytes. */
const LARGEST_BOARD = 4_000_000
/** From here on a board is full: what is on its way still goes in, and nothing more is begun. In bytes. */
const FULL_FROM = 3_500_000
/** What is so small may still be taken in on a board that is as large as can be, in bytes: something may be taken away. */
const SMALL = 2_000
const ROOM_FOR_SMALL = 200_000
/** A board near its limit is measured anew after it has changed by so much, in bytes: measuring reads all of it. */
const MEASURE_EVERY = 100_000
/** And a full one, when something changes, at most this often, in milliseconds. */
const MEASURE_FULL_MS = 2_000

/** How large a document is, and whether more may be added. Everybody at it is told before nothing more is taken. */
export class Fullness {
  /** At most this large, in bytes: what was measured last, and every change since. */
  private bytes: number
  private measured: number
  private measuredAt = 0
  /** How large it was when something had no room; null once something was taken away since. */
  private refusedAt: number | null = null
  /** Nothing more may be added, as its writers were told last. */
  full: boolean

  constructor(private readonly document: Y.Doc) {
    this.bytes = Y.encodeStateAsUpdate(document).byteLength
    this.measured = this.bytes
    this.full = this.bytes > FULL_FROM
  }

  /** Changes add up to more than a board holds, as what replaced or took away something counts twice: so it is measured. */
  hasRoom(more: number): boolean {
    const most = LARGEST_BOARD + (more <= SMALL ? ROOM_FOR_SMALL : 0)
    if (this.bytes + more > most) this.measure()
    return this.bytes + more <= most
  }

  /** Something had no room. */
  refused(): void {
    this.refusedAt = this.measured
  }

  grew(by: number): void {
    this.bytes += by
  }

  /** Whether it is so near its limit that it may have become full, or have room again; looked at after a change. */
  isNear(): boolean {
    if (!this.full && this.bytes <= FULL_FROM) return false
    if (this.full || this.bytes - this.measured > MEASURE_EVERY) this.measure()
    return true
  }

  /** Whether it is full now and was not, or the other way about, since this was last asked. */
  turned(): boolean {
    if (this.refusedAt !== null && this.measured < this.refusedAt) this.refusedAt = null
    const full = this.measured > FULL_FROM || this.refusedAt !== null
    if (full === this.full) return false
    this.full = full
    return true
  }

  private measure(): void {
    const grown = this.bytes - this.measured > MEASURE_EVERY
    // A full board may have room again after very little was written: something was taken away.
    if (!grown && serverNow() - this.measuredAt <= MEASURE_FULL_MS) return
    this.bytes = Y.encodeStateAsUpdate(this.document).byteLength
    this.measured = this.bytes
    this.measuredAt = serverNow()
  }
}
