import { chakra } from '@chakra-ui/react'
import { WHO_WORDS } from '~/core/live/rights/right-words'
import { WHO_WRITES, type WhoWrites } from '~/core/live/rights/writing'
import { SmallSelect } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'

/** Who writes in all rooms of which nothing else is said. */
export function WhoWritesRule({ view: { writing }, send }: { view: LiveView; send: Send }) {
  return (
    <SmallSelect
      maxW="125px"
      aria-label="Who writes in rooms"
      value={writing.who}
      onChange={event => send({ type: 'set-writing', who: event.target.value as WhoWrites, roomId: null })}
    >
      {WHO_WRITES.map(who => (
        <option key={who} value={who}>
          {WHO_WORDS[who]}
        </option>
      ))}
    </SmallSelect>
  )
}

/** The same for one room, and with whom the pen is there. */
export function WhoWritesHere({ roomId, view, send }: { roomId: string; view: LiveView; send: Send }) {
  const own = view.writing.in[roomId] ?? null
  const rule = own ?? view.writing.who
  const writer = view.people.find(({ id }) => id === view.writers[roomId])
  const others = view.people.filter(
    person => person.inRoom && person.roomId === roomId && person.hasDevice && !view.muted[person.id],
  )
  return (
    <chakra.div fontSize="s" color="quiet">
      Here{' '}
      <SmallSelect
        maxW="230px"
        aria-label="Who writes in this room"
        value={own ?? ''}
        onChange={event => {
          const chosen = event.target.value as WhoWrites | ''
          send({ type: 'set-writing', who: chosen === '' ? null : chosen, roomId })
        }}
      >
        <option value="">as in all rooms: {WHO_WORDS[view.writing.who]}</option>
        {WHO_WRITES.map(who => (
          <option key={who} value={who}>
            {WHO_WORDS[who]}
          </option>
        ))}
      </SmallSelect>
      {rule !== 'all' && view.clock && (
        <>
          {' '}
          {rule === 'turn' && writer ? (
            <>
              The pen is with{' '}
              <SmallSelect
                maxW="150px"
                aria-label="Who has the pen"
                value={writer.id}
                onChange={event => send({ type: 'give-pen', participantId: event.target.value })}
              >
                {others.map(({ id, shownName }) => (
                  <option key={id} value={id}>
                    {shownName}
                  </option>
                ))}
              </SmallSelect>
            </>
          ) : writer ? (
            `Now it is ${writer.shownName}.`
          ) : rule === 'nobody' ? (
            'Visit and join in to write here yourself.'
          ) : (
            'Nobody here has the role, so all write.'
          )}
        </>
      )}
    </chakra.div>
  )
}
