import { roughLength } from '~/core/schedule/lengths'
import { useServerNow } from '../../live-client/server-clock'
import { Tag } from '../../ui/layout'

/** That a room calls, and for how long. */
export function HelpTag({ at }: { at: number }) {
  const now = useServerNow(at, 1_000)
  return <Tag kind="ask">help, {roughLength(now - at)}</Tag>
}
