import { chakra } from '@chakra-ui/react'
import { SmallSelect } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'
import { PicturesRule } from '../rights/rights-here'
import { WhoWritesRule } from '../rights/who-writes'

const MAY = {
  stay: 'stay in their room',
  change: 'may change rooms',
  return: 'may come back',
  both: 'may change and come back',
} as const
type May = keyof typeof MAY

/** How people go into rooms, what they may do by themselves there, and who writes: for the round that runs, or the next. */
export function TermsRule({ view, send }: { view: LiveView; send: Send }) {
  const { terms } = view
  const { mayChange, mayReturn } = terms
  const may: May = mayChange ? (mayReturn ? 'both' : 'change') : mayReturn ? 'return' : 'stay'
  return (
    <chakra.span fontSize="s" color="quiet">
      People are{' '}
      <SmallSelect
        maxW="150px"
        aria-label="How people go into rooms"
        value={terms.invited ? 'invited' : 'moved'}
        onChange={event => send({ type: 'set-terms', invited: event.target.value === 'invited' })}
      >
        <option value="moved">moved at once</option>
        <option value="invited">invited to go</option>
      </SmallSelect>{' '}
      and{' '}
      <SmallSelect
        maxW="150px"
        aria-label="What people may do in rooms"
        value={may}
        onChange={event => {
          const now = event.target.value as May
          send({
            type: 'set-terms',
            mayChange: now === 'change' || now === 'both',
            mayReturn: now === 'return' || now === 'both',
          })
        }}
      >
        {(Object.keys(MAY) as May[]).map(each => (
          <option key={each} value={each}>
            {MAY[each]}
          </option>
        ))}
      </SmallSelect>
      , <WhoWritesRule view={view} send={send} />
      <PicturesRule view={view} send={send} />
    </chakra.span>
  )
}
