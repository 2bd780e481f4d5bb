import { chakra, Flex, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import type { ParticipantView } from '~/core/live/views'
import { Button } from '../../ui/button'
import { Input } from '../../ui/fields'
import type { SendFromPlace } from '../live-view'

/** More names than these are found by typing. */
const WITHOUT_TYPING = 24

/** Asked of everybody in a real room: who sits beside them. Two who name each other are in the same group. */
export function WhoIsBeside({ view, send }: { view: ParticipantView; send: SendFromPlace }) {
  const { namesHere, besideMe, me } = view
  const [typed, setTyped] = useState('')
  if (!namesHere || !besideMe) return null
  const others = namesHere.filter(({ id }) => id !== me.id)
  const wanted = typed.trim().toLowerCase()
  const named = new Set(besideMe)
  const shown = others
    .filter(({ id, shownName }) =>
      wanted === ''
        ? others.length <= WITHOUT_TYPING || named.has(id)
        : shownName.toLowerCase().includes(wanted),
    )
    .slice(0, WITHOUT_TYPING)
  const toggle = (id: string) =>
    send({
      type: 'name-beside',
      besideIds: named.has(id) ? besideMe.filter(other => other !== id) : [...besideMe, id],
    })
  return (
    <Stack as="section" gap="10px" aria-label="Who sits beside you?">
      <chakra.h2 fontSize="l">Who sits beside you?</chakra.h2>
      <chakra.p color="quiet">Tap everybody at your table. Who names you back is in your group.</chakra.p>
      {others.length > WITHOUT_TYPING && (
        <Input
          aria-label="Find a name"
          placeholder="Find a name"
          value={typed}
          onChange={event => setTyped(event.target.value)}
        />
      )}
      <Flex gap="8px" wrap="wrap">
        {shown.map(({ id, shownName }) => (
          <Button
            key={id}
            kind={named.has(id) ? 'main' : 'plain'}
            aria-pressed={named.has(id)}
            onClick={() => toggle(id)}
          >
            {shownName}
          </Button>
        ))}
      </Flex>
    </Stack>
  )
}
