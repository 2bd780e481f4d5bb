import { chakra } from '@chakra-ui/react'
import type { Doing } from '~/contracts/doing'
import { roughLength } from '~/core/schedule/lengths'
import { useServerNow } from '../../live-client/server-clock'
import type { LiveView } from '../live-view'

interface AtTheFrontProps {
  view: LiveView
  accountId: string
  /** What each of them is at, by account. */
  doing: Readonly<Record<string, Doing>>
}

/** Who else leads, what they are at, and whose line has dropped. */
export function AtTheFront({ view, accountId, doing }: AtTheFrontProps) {
  const others = view.facilitators.filter(one => one.accountId !== accountId)
  const here = others.filter(one => one.here)
  const gone = others.filter(one => !one.here)
  return (
    <>
      {here.length > 0 && (
        <chakra.span color="quiet" fontSize="s">
          With {here.map(one => one.name + doingWords(view, doing[one.accountId])).join(' and ')}
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

function doingWords(view: LiveView, at: Doing | undefined): string {
  if (!at) return ''
  const room = view.rooms.find(({ id }) => id === at.roomId)
  const words = [
    room && `looks at ${room.name}`,
    at.says && 'writes a broadcast',
    at.makes && 'makes groups',
  ].filter(Boolean)
  return words.length > 0 ? ` (${words.join(', ')})` : ''
}

function Since({ at }: { at: number }) {
  const now = useServerNow(at, 5_000)
  return <>{roughLength(now - at)}</>
}
