import type { CallMember } from '~/contracts/call-told'
import type { Given } from '~/core/live/call/ways'
import { trackOf } from './device'
import type { CallMedia, CallPorts } from './media'
import { Peer, type Sent } from './peer'
import { listenFor } from './voice'

const KINDS = ['microphone', 'camera', 'sharing'] as const

/** A call from browser to browser: each sends to each. The server is asked only how to find the others. */
export function directMedia(ports: CallPorts): CallMedia {
  const tracks = new Map<keyof Given, MediaStreamTrack>()
  const peers = new Map<string, Peer>()
  let stopListening: (() => void) | null = null
  let isClosed = false
  const sent = (): Sent => [
    tracks.get('microphone') ?? null,
    tracks.get('camera') ?? null,
    tracks.get('sharing') ?? null,
  ]

  const peerOf = (id: string): Peer => {
    const known = peers.get(id)
    if (known) return known
    const made = new Peer(
      ports.iceServers,
      ports.you > id,
      sent(),
      signal => ports.signal(id, signal),
      pictures => ports.pictures(id, pictures),
    )
    peers.set(id, made)
    return made
  }

  const drop = (what: keyof Given) => {
    tracks.get(what)?.stop()
    tracks.delete(what)
    if (what !== 'microphone') return
    stopListening?.()
    stopListening = null
    ports.speaking(false)
  }

  const take = async (what: keyof Given) => {
    const track = await trackOf(what)
    // Who has left meanwhile gives nothing any more.
    if (isClosed) return track.stop()
    tracks.set(what, track)
    track.onended = () => ports.stopped(what)
    if (what === 'microphone') stopListening = listenFor(track, ports.speaking)
  }

  return {
    async give(wanted) {
      for (const what of KINDS) if (!wanted[what]) drop(what)
      try {
        for (const what of KINDS) if (wanted[what] && !tracks.has(what)) await take(what)
      } finally {
        for (const peer of peers.values()) peer.give(sent())
        const own = (what: keyof Given) => {
          const track = tracks.get(what)
          return track ? new MediaStream([track]) : null
        }
        ports.pictures(ports.you, { camera: own('camera'), screen: own('sharing') })
      }
    },
    with(others: readonly CallMember[]) {
      for (const [id, peer] of peers) {
        if (others.some(other => other.id === id)) continue
        peer.close()
        peers.delete(id)
      }
      for (const { id, microphone } of others) peerOf(id).listen(microphone)
    },
    hear: (from, signal) => peerOf(from).hear(signal),
    close() {
      isClosed = true
      for (const what of KINDS) drop(what)
      for (const peer of peers.values()) peer.close()
      peers.clear()
    },
  }
}
