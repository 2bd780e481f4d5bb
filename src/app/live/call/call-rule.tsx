import { chakra, Flex } from '@chakra-ui/react'
import { useId } from 'react'
import { CALL_WAYS, type CallWay } from '~/core/live/call/ways'
import { Button } from '../../ui/button'
import { SmallSelect } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'
import { CALL_WAY_WORDS } from './call-words'

/** How rooms talk aloud, and all microphones off at once. */
export function CallRule({ view, send }: { view: LiveView; send: Send }) {
  const { callWay, callSilent, rooms } = view
  const id = useId()
  const allSilent = rooms.length > 0 && rooms.every(({ id }) => callSilent.includes(id))
  return (
    <Flex gap="8px" align="center" px="10px">
      <chakra.label htmlFor={id} fontSize="s" color="quiet">
        Rooms talk aloud
      </chakra.label>
      <SmallSelect
        id={id}
        maxW="200px"
        value={callWay}
        onChange={event => send({ type: 'set-call', way: event.target.value as CallWay })}
      >
        {CALL_WAYS.map(way => (
          <option key={way} value={way}>
            {CALL_WAY_WORDS[way]}
          </option>
        ))}
      </SmallSelect>
      {callWay !== 'links' && view.clock && (
        <Button size="small" onClick={() => send({ type: 'silence-call', roomId: null, silent: !allSilent })}>
          {allSilent ? 'Let all rooms switch microphones on' : 'All microphones off'}
        </Button>
      )}
    </Flex>
  )
}
