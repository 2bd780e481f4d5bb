import { roughLength } from '~/core/schedule/lengths'
import { useServerNow } from '../../live-client/server-clock'

/** When a room was last visited, as time goes by; `at` undefined for a room that never was. */
export function VisitedAgo({ at }: { at: number | undefined }) {
  return at === undefined ? <>not visited</> : <Ago at={at} />
}

function Ago({ at }: { at: number }) {
  const length = roughLength(useServerNow(at, 10_000) - at)
  return <>visited {length === 'just now' ? length : `${length} ago`}</>
}
