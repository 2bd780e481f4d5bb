import { areHiddenCards } from '~/core/boards/hidden'
import { openedIn } from '~/core/live/hidden/opened'
import type { LiveState } from '~/core/live/topics'
import { participantView } from '~/core/live/views'
import { type RandomStream, randomStream } from '~/core/random/random'
import type { Simulated } from '~/core/rehearsal/cast'
import { type Doing, SimulatedMind } from '~/core/rehearsal/mind'
import { writeUnder } from '~/core/rehearsal/writing'
import type { BoardServer } from '../boards/board-server.server'
import type { Database } from '../db/database.server'
import { takePlace } from '../join/join.server'
import type { AnswersApart } from '../live/answers-apart.server'
import type { LiveHub } from '../live/hub.server'
import { askAsParticipant } from '../live/requests.server'
import { newId } from '../tokens.server'
import { Hands } from './hands.server'

/** What simulated participants live on. */
export interface Ground {
  db: Database
  hub: LiveHub
  boards: BoardServer
  answersApart: AnswersApart
}

/** How often it is looked who wants to do something, and how long that may take at most, in milliseconds. */
const LOOK_EVERY_MS = 100
const LONGEST_LOOK_MS = 20

interface Player {
  simulated: Simulated
  random: RandomStream
  /** When they come, in the time of the session. */
  comesAt: number
  /** Null before they have come. */
  here: { participantId: string; token: string; mind: SimulatedMind } | null
  /** They are gone, or could not come in. */
  out: boolean
  /** They do one thing after the other. */
  busy: boolean
  /** Their line is down by their own doing. */
  away: boolean
}

/** The simulated participants of one rehearsal. Each sees what their page would show, and asks for what it could ask for. */
export class Crowd {
  private readonly players: Player[]
  private readonly hands: Hands
  private readonly timer: NodeJS.Timeout
  private readonly running = new Set<Promise<void>>()
  private looking: Promise<void> | null = null
  private stopped = false

  constructor(
    private readonly ground: Ground,
    private readonly sessionId: string,
    cast: readonly Simulated[],
    seed: number,
    /** Told of what nobody waits for. */
    private readonly failed: (error: unknown) => void,
  ) {
    this.hands = new Hands(ground.db, ground.boards)
    const openedAt = ground.hub.timeOf(sessionId)
    this.players = cast.map((simulated, place) => ({
      simulated,
      random: randomStream(seed + place),
      comesAt: openedAt + simulated.comesAfter,
      here: null,
      out: false,
      busy: false,
      away: false,
    }))
    this.timer = setInterval(() => {
      this.looking ??= this.look()
        .catch(failed)
        .finally(() => {
          this.looking = null
        })
    }, LOOK_EVERY_MS)
    this.timer.unref()
  }

  /** So many have come. */
  get size(): number {
    return this.players.filter(({ here }) => here !== null).length
  }

  /** What somebody's browser would hold their place by; null for whoever is none of them. */
  tokenOf(participantId: string): string | null {
    return this.players.find(({ here }) => here?.participantId === participantId)?.here?.token ?? null
  }

  /** Nobody does anything any more. Resolves when what was begun is done. */
  async stop(): Promise<void> {
    this.stopped = true
    clearInterval(this.timer)
    await this.looking
    await Promise.all(this.running)
    await this.hands.letGo()
  }

  /** Everybody whose turn it is does what they want, those who have waited longest first, as long as there is time. */
  private async look(): Promise<void> {
    const state = await this.ground.hub.state(this.sessionId)
    if (this.stopped || state.phase !== 'open') return
    const began = performance.now()
    const now = this.ground.hub.timeOf(this.sessionId)
    const due = this.players
      .filter(player => !player.busy && !player.out && nextOf(player) <= now)
      .sort((one, other) => nextOf(one) - nextOf(other))
    for (const player of due) {
      if (performance.now() - began > LONGEST_LOOK_MS) break
      if (player.here) this.live(player, state, now)
      else this.run(player, () => this.come(player))
    }
    await this.hands.letGoOfIdle()
  }

  private live(player: Player, state: LiveState, now: number): void {
    const { here } = player
    const own = here && state.participants.get(here.participantId)
    if (!here || !own) return
    // Taken out, or their name was given to somebody else.
    if (own.released || own.removed) {
      player.out = true
      return
    }
    // Somebody had their page open beside them, and has closed it.
    if (!own.connected && !player.away) {
      this.run(player, () => this.connect(player, true))
      return
    }
    const doings = here.mind.step(participantView(state, here.participantId), now)
    if (doings.length > 0)
      this.run(player, async () => {
        for (const doing of doings) await this.act(player, here.participantId, doing)
      })
  }

  private async come(player: Player): Promise<void> {
    const { db, hub } = this.ground
    const { personId, name } = player.simulated
    const taken = await takePlace(db, hub, this.sessionId, { ...(personId && { personId }), shownName: name })
    if (!taken.ok) {
      // The door is locked, the session is full, or somebody else came in under that name.
      player.out = true
      return
    }
    const { token, participantId } = taken.value
    const mind = new SimulatedMind(player.simulated.temper, player.random, hub.timeOf(this.sessionId))
    player.here = { participantId, token, mind }
    await this.connect(player, true)
  }

  private async act(player: Player, participantId: string, doing: Doing): Promise<void> {
    const { db, hub, answersApart } = this.ground
    if (doing.does === 'drop' || doing.does === 'come back') {
      player.away = doing.does === 'drop'
      await this.connect(player, !player.away)
      return
    }
    // What is refused is refused to them as to anybody.
    if (doing.does === 'ask') {
      await askAsParticipant({ db, hub, answersApart }, this.sessionId, participantId, doing.request)
      return
    }
    const state = await hub.state(this.sessionId)
    const view = participantView(state, participantId)
    if (view?.whereabouts.where !== 'room') return
    const { copyId, members } = view.whereabouts
    const { prompt } = doing
    const isAlone = areHiddenCards(prompt) && !(prompt.id in openedIn(state, view.whereabouts.roomId))
    const own = isAlone ? { promptId: prompt.id, participantId } : null
    const hand = {
      id: participantId,
      members,
      random: player.random,
      freshId: newId,
      prompts: view.board?.prompts ?? [],
    }
    await this.hands.write(
      { copyId, own },
      participantId,
      () => hub.state(this.sessionId),
      doc => writeUnder(doc, prompt, hand),
    )
  }

  private async connect({ here, simulated }: Player, on: boolean): Promise<void> {
    if (!here) return
    const { participantId } = here
    await this.ground.hub.command(
      this.sessionId,
      { kind: 'door' },
      on
        ? { type: 'connect', participantId, ...(simulated.onPhone && { onPhone: true as const }) }
        : { type: 'disconnect', participantId },
    )
  }

  private run(player: Player, work: () => Promise<void>): void {
    player.busy = true
    const running = work()
      .catch(this.failed)
      .finally(() => {
        player.busy = false
        this.running.delete(running)
      })
    this.running.add(running)
  }
}

const nextOf = ({ here, comesAt }: Player): number => here?.mind.next ?? comesAt
