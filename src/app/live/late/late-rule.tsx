import { chakra } from '@chakra-ui/react'
import { useId } from 'react'
import type { LateRule as Rule } from '~/core/live/late/late'
import { SmallSelect } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'

const WORDS: Record<Rule, string> = {
  ask: 'ask me',
  planned: 'to their planned room',
  smallest: 'into the smallest room',
}

/** What becomes of somebody who comes when there are rooms. */
export function LateRule({ view, send }: { view: LiveView; send: Send }) {
  const id = useId()
  return (
    <chakra.label htmlFor={id} fontSize="s" color="quiet">
      Who comes late{' '}
      <SmallSelect
        id={id}
        maxW="150px"
        value={view.lateRule}
        onChange={event => send({ type: 'set-late', rule: event.target.value as Rule })}
      >
        {(Object.keys(WORDS) as Rule[]).map(rule => (
          <option key={rule} value={rule}>
            {WORDS[rule]}
          </option>
        ))}
      </SmallSelect>
    </chakra.label>
  )
}
