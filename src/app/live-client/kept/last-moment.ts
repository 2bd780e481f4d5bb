import { fromBase64, toBase64 } from 'lib0/buffer'
import * as Y from 'yjs'

/** The browser's disk has what was written longer ago than this, in milliseconds. */
const ON_DISK_AFTER_MS = 2_000
/** More than this nobody types in that time, in bytes. */
const LARGEST = 200_000

const keyOf = (name: string) => `round-table/last/${name}`

/**
 * What was written in the last moment, which a page that is closed may not have got onto the browser's disk: such a write
 * is broken off. `localStorage` takes it while the page goes.
 */
export class LastMoment {
  private recent: { at: number; update: Uint8Array }[] = []

  constructor(private readonly name: string) {}

  add(update: Uint8Array, now: number): void {
    this.recent = this.recent.filter(({ at }) => now - at < ON_DISK_AFTER_MS)
    this.recent.push({ at: now, update })
  }

  /** Writes it, beside what another page of this browser wrote as it went. */
  keep(now: number): void {
    const updates = this.recent.filter(({ at }) => now - at < ON_DISK_AFTER_MS).map(({ update }) => update)
    if (updates.length === 0) return
    const before = takeLastMoment(this.name)
    const all = Y.mergeUpdates(before ? [before, ...updates] : updates)
    if (all.length > LARGEST) return
    try {
      localStorage.setItem(keyOf(this.name), toBase64(all))
    } catch {
      // It is full, or there is none.
    }
  }
}

/** Takes out what a page wrote as it went; null when there is nothing. */
export function takeLastMoment(name: string): Uint8Array | null {
  try {
    const kept = localStorage.getItem(keyOf(name))
    localStorage.removeItem(keyOf(name))
    return kept === null ? null : fromBase64(kept)
  } catch {
    return null
  }
}
