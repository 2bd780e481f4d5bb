/** Short tones of our own, made when they are needed: nothing to fetch, and nothing before somebody has touched the page. */

let context: AudioContext | undefined

/** `call` rises and asks for somebody; `warning` falls and is said to everybody. Silent where a browser has no sound. */
export function chime(kind: 'call' | 'warning'): void {
  if (typeof AudioContext === 'undefined') return
  context ??= new AudioContext()
  const audio = context
  // Browsers keep a page silent until it was touched; then there is nothing to be heard, and nothing to wait for.
  audio.resume().catch(() => undefined)
  const tones = kind === 'call' ? [523, 784] : [659, 494]
  tones.forEach((frequency, index) => {
    const start = audio.currentTime + index * 0.18
    const tone = new OscillatorNode(audio, { type: 'sine', frequency })
    const volume = new GainNode(audio, { gain: 0 })
    volume.gain.linearRampToValueAtTime(0.2, start + 0.02)
    volume.gain.linearRampToValueAtTime(0, start + 0.3)
    tone.connect(volume).connect(audio.destination)
    tone.start(start)
    tone.stop(start + 0.32)
  })
}
