import { type ComponentType, type FunctionComponent, lazy, useEffect, useState } from 'react'
import { loadAgain } from '../ui/load-again'

type Load<Props> = () => Promise<{ default: ComponentType<Props> }>

/** A part of a kind's look that is fetched when the kind is first met: a board brings only the code of its own kinds. */
export const whenMet = <Props>(load: Load<Props>) =>
  lazy(() => loadAgain(load)) as unknown as FunctionComponent<Props>

/** The space to answer in of a kind: at hand, or fetched when the kind is first met. */
export interface Space<Props> {
  /** Null as long as it has not come. */
  met: ComponentType<Props> | null
  meet: () => Promise<ComponentType<Props>>
}

export const atHand = <Props>(part: ComponentType<Props>): Space<Props> => ({
  met: part,
  meet: async () => part,
})

export function spaceWhenMet<Props>(load: Load<Props>): Space<Props> {
  let coming: Promise<ComponentType<Props>> | null = null
  const space: Space<Props> = {
    met: null,
    meet() {
      coming ??= loadAgain(load).then(part => {
        space.met = part.default
        return part.default
      })
      return coming
    },
  }
  return space
}

/**
 * A space as soon as it has come, null before; throws why it could not be had. It is not suspended: React keeps back what was until
 * something else has stood in its place for 300 ms (`FALLBACK_THROTTLE_MS`).
 */
export function useSpace<Props>(space: Space<Props>): ComponentType<Props> | null {
  const [met, setMet] = useState(() => space.met)
  const [failure, setFailure] = useState<{ error: unknown } | null>(null)
  useEffect(() => {
    let gone = false
    space.meet().then(
      part => gone || setMet(() => part),
      error => gone || setFailure({ error }),
    )
    return () => {
      gone = true
    }
  }, [space])
  if (failure) throw failure.error
  return met
}
