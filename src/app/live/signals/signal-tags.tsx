import { chakra } from '@chakra-ui/react'
import { memo } from 'react'
import { type Signal, shownBy } from '~/core/live/signals/signal'
import { SIGNAL_LOOK } from './signal-look'

/** How many show each signal, as small signs with their number. */
export const SignalTags = memo(function SignalTags({
  counts,
}: {
  counts: readonly (readonly [Signal, number])[]
}) {
  return counts.map(([signal, count]) => {
    const { icon: Icon } = SIGNAL_LOOK[signal]
    return (
      <chakra.span
        key={signal}
        display="inline-flex"
        alignItems="center"
        gap="2px"
        fontSize="s"
        fontWeight="650"
        color={signal === 'lost' || signal === 'hand' ? 'ask' : 'quiet'}
        title={shownBy(signal, count)}
      >
        <Icon size={15} aria-hidden="true" />
        {count}
        <chakra.span srOnly> {shownBy(signal, count)}</chakra.span>
      </chakra.span>
    )
  })
})
