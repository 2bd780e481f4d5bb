import type { Given } from '~/core/live/call/ways'
import type { CallMedia, CallPorts } from './media'

/** A turn of speaking, in milliseconds: whoever has their microphone on speaks in two turns out of three. */
const TURN_MS = 2_000

/** A call in which nothing is heard or seen: who has switched on what is told like in a real one, and who may speak speaks now and then. */
export function simulatedMedia({ you, speaking }: CallPorts): CallMedia {
  let given: Given = { microphone: false, camera: false, sharing: false }
  let turn = you.charCodeAt(0)
  const speakOrNot = () => speaking(given.microphone && turn % 3 !== 2)
  const timer = setInterval(() => {
    turn += 1
    speakOrNot()
  }, TURN_MS)
  return {
    async give(wanted) {
      const changed = wanted.microphone !== given.microphone
      given = wanted
      if (!changed) return
      turn = 0
      speakOrNot()
    },
    with: () => undefined,
    hear: () => undefined,
    close: () => clearInterval(timer),
  }
}
