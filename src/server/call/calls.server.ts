import type { Logger } from 'pino'
import type { StreamMessage } from '~/contracts/live'
import { serverNow } from '../clock.server'
import { errorFacts } from '../error-facts.server'
import type { LiveHub } from '../live/hub.server'
import type { Settings } from '../settings.server'
import { CallRooms } from './call-rooms.server'
import { CallSockets } from './call-socket.server'
import { iceServers } from './ice-servers.server'

/** Facilitators are told at most so often who is in which call, in milliseconds. */
const TELL_EVERY_MS = 1_000

/** The calls of all sessions: who is in them, their sockets, and what facilitators are told of them. */
export class Calls {
  readonly sockets: CallSockets
  private readonly rooms: CallRooms
  private readonly toTell = new Map<string, NodeJS.Timeout>()

  constructor(
    private readonly hub: LiveHub,
    settings: Settings['call'],
    private readonly log: Logger,
  ) {
    this.rooms = new CallRooms(serverNow, sessionId => this.tellSoon(sessionId))
    this.sockets = new CallSockets(hub, this.rooms, who => iceServers(settings, who, serverNow()), log)
    hub.onChange((sessionId, state) => this.rooms.follow(sessionId, state))
    hub.onLetGo(sessionId => this.rooms.forget(sessionId))
  }

  /** What a facilitator who has just come is told. */
  now(sessionId: string): StreamMessage {
    return { kind: 'call', rooms: this.rooms.of(sessionId) }
  }

  stop(): void {
    this.sockets.stop()
    for (const timer of this.toTell.values()) clearTimeout(timer)
    this.toTell.clear()
  }

  private tellSoon(sessionId: string): void {
    if (this.toTell.has(sessionId)) return
    const tell = () => {
      this.toTell.delete(sessionId)
      this.hub
        .tellFacilitators(sessionId, this.now(sessionId))
        .catch(error =>
          this.log.error({ error: errorFacts(error), sessionId }, 'facilitators could not be told of a call'),
        )
    }
    this.toTell.set(sessionId, setTimeout(tell, TELL_EVERY_MS).unref())
  }
}
