import { roughLength } from '../../schedule/lengths'
import { shownBy } from '../signals/signal'
import type { Reason, ReasonKind } from './needs'

/** What each kind of reason is called where it is switched on and off. */
export const REASON_NAMES: Record<ReasonKind, string> = {
  help: 'Calls for help',
  alone: 'One alone',
  missing: 'Somebody without a line',
  signals: 'Lost, or wants to speak',
  silent: 'Silent while others write',
  behind: 'Prompts behind the others',
  'done-early': 'Done long before the others',
  'one-writes': 'One writes nearly all',
  unvisited: 'Long without a visit',
}

/** A reason in words, as it stands beside the room's name at a moment. */
export function reasonWords(reason: Reason, now: number): string {
  switch (reason.kind) {
    case 'help':
      return now - reason.since < 10_000
        ? 'calls for help'
        : `calls for help, ${roughLength(now - reason.since)}`
    case 'alone':
      return `${reason.who} is alone`
    case 'missing':
      return reason.missing === reason.of
        ? 'nobody has a line'
        : `${reason.missing} of ${reason.of} without a line`
    case 'signals':
      return [
        reason.lost > 0 && `${reason.lost} ${shownBy('lost', reason.lost)}`,
        reason.hands > 0 && `${reason.hands} ${shownBy('hand', reason.hands)}`,
      ]
        .filter(Boolean)
        .join(', ')
    case 'silent':
      return `nothing written for ${roughLength(now - reason.since)}`
    case 'behind':
      return `${reason.prompts} prompts behind the others`
    case 'done-early':
      return `done, ${roughLength(reason.left)} left`
    case 'one-writes':
      return `${reason.who} wrote ${reason.percent} % of it`
    case 'unvisited':
      return `not visited for ${roughLength(now - reason.since)}`
  }
}
