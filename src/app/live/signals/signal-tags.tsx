import { chakra } from '@chakra-ui/react'
import { SIGNAL_WORDS, type Signal } from '~/core/live/signals/signal'
import { SIGNAL_LOOK } from './signal-look'

/** How many show each signal, as small signs with their number. */
export function SignalTags({ counts }: { counts: readonly (readonly [Signal, number])[] }) {
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
        title={SIGNAL_WORDS[signal]}
      >
        <Icon size={15} aria-hidden="true" />
        {count}
        <chakra.span srOnly> {SIGNAL_WORDS[signal]}</chakra.span>
      </chakra.span>
    )
  })
}
