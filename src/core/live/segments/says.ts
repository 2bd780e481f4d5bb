import type { Deadline } from '../topic'
import { currentOf, type State } from './state'

/** The id of a broadcast on schedule: said once, whenever it is looked for. */
export const sayId = (segmentId: string, index: number) => `${segmentId}-${index}`

/** What is to be said in the round that runs, by its own clock. */
export function onSchedule(
  state: State,
): Deadline<{ type: 'say-on-schedule'; segmentId: string; index: number }>[] {
  const { round, phase } = state
  const now = currentOf(state)
  if (!round || round.graceEndsAt !== null || phase !== 'open' || now?.kind !== 'rooms') return []
  const said = new Set(state.messages.map(({ id }) => id))
  return now.says
    .flatMap(({ when, minutes }, index) => {
      const at =
        when === 'half'
          ? (round.startedAt + round.endsAt) / 2
          : when === 'after-start'
            ? round.startedAt + minutes * 60_000
            : round.endsAt - minutes * 60_000
      const fits = at >= round.startedAt && at < round.endsAt && !said.has(sayId(now.id, index))
      return fits ? [{ at, command: { type: 'say-on-schedule' as const, segmentId: now.id, index } }] : []
    })
    .sort((one, other) => one.at - other.at)
}
