import { levelOf, Speaking } from '~/core/live/call/speaking'

const LISTEN_EVERY_MS = 100

/** Tells when a voice is heard on a track, until it is stopped. What is heard goes nowhere. */
export function listenFor(track: MediaStreamTrack, tell: (speaking: boolean) => void): () => void {
  const context = new AudioContext()
  const analyser = context.createAnalyser()
  context.createMediaStreamSource(new MediaStream([track])).connect(analyser)
  const samples = new Float32Array(analyser.fftSize)
  const speaking = new Speaking()
  const timer = setInterval(() => {
    analyser.getFloatTimeDomainData(samples)
    const changed = speaking.hear(levelOf(samples), performance.now())
    if (changed !== null) tell(changed)
  }, LISTEN_EVERY_MS)
  return () => {
    clearInterval(timer)
    context.close().catch(() => undefined)
  }
}
