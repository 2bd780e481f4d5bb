import { chakra } from '@chakra-ui/react'
import { roughLength } from '~/core/schedule/lengths'
import { useServerNow } from '../../live-client/server-clock'
import type { LiveView } from '../live-view'

/** Who else leads, and whose line has dropped. */
export function AtTheFront({ view, accountId }: { view: LiveView; accountId: string }) {
  const others = view.facilitators.filter(one => one.accountId !== accountId)
  const here = others.filter(one => one.here)
  const gone = others.filter(one => !one.here)
  return (
    <>
      {here.length > 0 && (
        <chakra.span color="quiet" fontSize="s">
          With {here.map(one => one.name).join(' and ')}
        </chakra.span>
      )}
      {gone.map(one => (
        <chakra.span key={one.accountId} color="ask" fontSize="s" role="status">
          {one.name} has no line (<Since at={one.since} />
          ). The session goes on by its clock.
        </chakra.span>
      ))}
    </>
  )
}

function Since({ at }: { at: number }) {
  const now = useServerNow(at, 5_000)
  return <>{roughLength(now - at)}</>
}
