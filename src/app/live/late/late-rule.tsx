import { chakra } from '@chakra-ui/react'
import type { LateRule as Rule } from '~/core/live/late/late'
import type { LiveView, Send } from '../live-view'

const WORDS: Record<Rule, string> = {
  ask: 'ask me',
  planned: 'to their planned room',
  smallest: 'into the smallest room',
}

/** What becomes of somebody who comes when there are rooms. */
export function LateRule({ view, send }: { view: LiveView; send: Send }) {
  return (
    <chakra.label fontSize="s" color="quiet">
      Who comes late{' '}
      <chakra.select
        bg="panel"
        color="ink"
        borderWidth="1px"
        borderColor="edge"
        borderRadius="4px"
        px="4px"
        maxW="150px"
        value={view.lateRule}
        onChange={event => send({ type: 'set-late', rule: event.target.value as Rule })}
      >
        {(Object.keys(WORDS) as Rule[]).map(rule => (
          <option key={rule} value={rule}>
            {WORDS[rule]}
          </option>
        ))}
      </chakra.select>
    </chakra.label>
  )
}
