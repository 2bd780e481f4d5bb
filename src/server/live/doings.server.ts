import { isEqual } from 'lodash-es'
import type { Logger } from 'pino'
import type { Doing } from '~/contracts/doing'
import type { StreamMessage } from '~/contracts/live'
import { errorFacts } from '../error-facts.server'
import type { LiveHub } from './hub.server'

/** What each facilitator is at, for the others who lead the session: in memory, and gone with them. */
export class Doings {
  private readonly sessions = new Map<string, Map<string, Doing>>()

  constructor(
    private readonly hub: LiveHub,
    private readonly log: Logger,
  ) {
    hub.onChange((sessionId, { facilitators }) => {
      const all = this.sessions.get(sessionId)
      if (!all) return
      const gone = [...all.keys()].filter(id => !facilitators.some(one => one.accountId === id && one.here))
      for (const accountId of gone) all.delete(accountId)
      if (gone.length > 0) this.tell(sessionId)
    })
    hub.onLetGo(sessionId => this.sessions.delete(sessionId))
  }

  /** Only of whoever has the session open; of others nothing is kept. Throws not-found for an unknown session. */
  async set(sessionId: string, accountId: string, doing: Doing): Promise<void> {
    const { facilitators } = await this.hub.state(sessionId)
    if (!facilitators.some(one => one.accountId === accountId && one.here)) return
    const all = this.sessions.get(sessionId) ?? new Map<string, Doing>()
    this.sessions.set(sessionId, all)
    if (isEqual(all.get(accountId), doing)) return
    all.set(accountId, doing)
    this.tell(sessionId)
  }

  now(sessionId: string): StreamMessage {
    return { kind: 'doing', doing: Object.fromEntries(this.sessions.get(sessionId) ?? []) }
  }

  private tell(sessionId: string): void {
    this.hub
      .tellFacilitators(sessionId, this.now(sessionId))
      .catch(error =>
        this.log.error(
          { error: errorFacts(error), sessionId },
          'facilitators could not be told of each other',
        ),
      )
  }
}
