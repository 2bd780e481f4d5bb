import type { CallSignal, IceServer } from '~/contracts/call-told'
import type { Pictures } from './media'

/** What goes to each of the others, in this order: a microphone, a camera, a screen. */
export type Sent = readonly [MediaStreamTrack | null, MediaStreamTrack | null, MediaStreamTrack | null]
const KINDS = ['audio', 'video', 'video'] as const

/**
 * The line to the browser of one of the others (W3C, "WebRTC: Real-Time Communication in Browsers"). There is a place for each of the
 * three tracks from the beginning, and what is switched on and off takes its place without a word to the other side. So only one of the
 * two ever offers, and the two never speak at once.
 */
export class Peer {
  private readonly line: RTCPeerConnection
  private readonly sound = new Audio()
  private readonly pictures: Pictures = { camera: null, screen: null }
  /** What is heard is worked through one after the other. */
  private turn: Promise<void> = Promise.resolve()

  constructor(
    iceServers: IceServer[],
    private readonly offers: boolean,
    private sent: Sent,
    private readonly signal: (signal: CallSignal) => void,
    private readonly show: (pictures: Pictures) => void,
  ) {
    const line = new RTCPeerConnection({ iceServers })
    this.line = line
    line.onicecandidate = ({ candidate }) => {
      if (candidate?.candidate) this.signal({ candidate: candidate.toJSON() as { candidate: string } })
    }
    line.ontrack = ({ track, transceiver }) => this.take(track, line.getTransceivers().indexOf(transceiver))
    line.onconnectionstatechange = () => {
      if (line.connectionState === 'failed' && offers) line.restartIce()
    }
    if (!offers) return
    line.onnegotiationneeded = () => this.next(() => this.describe())
    for (const [index, kind] of KINDS.entries()) {
      const { sender } = line.addTransceiver(kind, { direction: 'sendrecv' })
      const track = sent[index]
      if (track) sender.replaceTrack(track)
    }
  }

  /** What was sent before is taken back, and this is sent instead. */
  give(sent: Sent): void {
    this.sent = sent
    for (const [index, { sender }] of this.line.getTransceivers().entries())
      if (sender.track !== (sent[index] ?? null)) sender.replaceTrack(sent[index] ?? null)
  }

  hear(signal: CallSignal): void {
    this.next(async () => {
      if ('candidate' in signal) return this.line.addIceCandidate(signal.candidate)
      await this.line.setRemoteDescription(signal.description)
      if (this.offers) return
      for (const transceiver of this.line.getTransceivers()) transceiver.direction = 'sendrecv'
      this.give(this.sent)
      await this.describe()
    })
  }

  /** Whether what they say is heard here. */
  listen(heard: boolean): void {
    this.sound.muted = !heard
  }

  close(): void {
    this.line.close()
    this.sound.srcObject = null
  }

  private async describe(): Promise<void> {
    await this.line.setLocalDescription()
    const description = this.line.localDescription
    if (description?.type !== 'offer' && description?.type !== 'answer') return
    this.signal({ description: { type: description.type, sdp: description.sdp } })
  }

  private next(step: () => Promise<void>): void {
    // What no longer fits, as the address of a line that has gone, is no fault of ours, and the next one is heard.
    this.turn = this.turn.then(step).catch(() => undefined)
  }

  private take(track: MediaStreamTrack, index: number): void {
    const stream = new MediaStream([track])
    if (index === 0) {
      this.sound.srcObject = stream
      // A page that was touched, as this one was to come into the call, may make itself heard.
      this.sound.play().catch(() => undefined)
      return
    }
    this.pictures[index === 1 ? 'camera' : 'screen'] = stream
    this.show({ ...this.pictures })
  }
}
