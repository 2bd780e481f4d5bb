/** Nearer than this, in seconds, nobody sees or hears a difference. */
const IN_STEP = 0.04
/** The same while it stands still, where it can be seen: a picture or two of a film apart. */
const AT_REST = 0.01
/** Farther than this it jumps there; between, it goes a little faster or slower. */
const JUMP_FROM = 0.25
/** As fast as that it is made up without being heard. */
const FASTER = 0.06

interface Stands {
  /** Where it is, in seconds from the beginning. */
  at: number
  /** How long it is; null while that is not known. */
  length: number | null
  /** How long the last jump took until it played on, in seconds: the next one aims so much further. */
  jumpTook: number
}

/** What brings a sound or video to where it should be: a jump to a moment or a rate, and whether it plays. */
export function correction(
  { at, length, jumpTook }: Stands,
  wanted: number,
  on: boolean,
): { seek: number | null; rate: number; play: boolean } {
  const target = length === null ? wanted : Math.min(wanted, length)
  const isOver = length !== null && wanted >= length
  const off = target - at
  if (!on || isOver) return { seek: Math.abs(off) > AT_REST ? target : null, rate: 1, play: false }
  const aim = Math.min(target + jumpTook, length ?? Number.POSITIVE_INFINITY)
  if (Math.abs(off) > JUMP_FROM) return { seek: aim, rate: 1, play: true }
  const rate = Math.abs(off) < IN_STEP ? 1 : off > 0 ? 1 + FASTER : 1 - FASTER
  return { seek: null, rate, play: true }
}
