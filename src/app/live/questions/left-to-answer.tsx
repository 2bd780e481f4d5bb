import { chakra } from '@chakra-ui/react'
import { clockText } from '~/core/schedule/lengths'
import { useServerNow } from '../../live-client/server-clock'

/** How long a question can still be answered. */
export function LeftToAnswer({ endsAt, pageMadeAt }: { endsAt: number; pageMadeAt: number }) {
  const now = useServerNow(pageMadeAt)
  return (
    <chakra.p fontVariantNumeric="tabular-nums" role="timer">
      {clockText(Math.max(0, endsAt - now))} left to answer
    </chakra.p>
  )
}
