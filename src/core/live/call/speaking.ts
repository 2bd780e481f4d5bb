/** A level from here on is a voice: the root mean square of samples between -1 and 1 (common practice, no source). */
const VOICE = 0.02
/** Between words nobody stops speaking, in milliseconds. */
const PAUSE_MS = 700

/** Tells from the levels of a microphone when somebody begins to speak, and when they have stopped. */
export class Speaking {
  private is = false
  private heardAt = Number.NEGATIVE_INFINITY

  /** Takes a level at a moment in milliseconds; gives whether they speak when that has changed, else null. */
  hear(level: number, at: number): boolean | null {
    if (level >= VOICE) this.heardAt = at
    const now = at - this.heardAt <= PAUSE_MS
    if (now === this.is) return null
    this.is = now
    return now
  }
}

/** The level of samples between -1 and 1: their root mean square; 0 of none. */
export const levelOf = (samples: ArrayLike<number>): number =>
  Math.sqrt(Array.from(samples).reduce((sum, sample) => sum + sample * sample, 0) / (samples.length || 1))
