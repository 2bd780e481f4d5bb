import { roughLength } from '~/core/schedule/lengths'
import { useServerNow } from '../../live-client/server-clock'
import { Tag } from '../../ui/layout'
import type { LiveView } from '../live-view'
import { HELP_REASON_WORDS } from './reason-words'

/** That a room calls, why, for how long, and who goes there. */
export function HelpTag({ call: { at, reason, taken } }: { call: LiveView['help'][number] }) {
  const now = useServerNow(at, 1_000)
  return (
    <Tag kind={taken ? 'live' : 'ask'}>
      help, {roughLength(now - at)}
      {reason && `: ${HELP_REASON_WORDS[reason]}`}
      {taken && `, ${taken.name} goes`}
    </Tag>
  )
}
