import { chakra, Menu, Portal } from '@chakra-ui/react'
import type { LanePerson } from '~/core/live/views'
import { roughLength } from '~/core/schedule/session-time'
import type { LiveView, Send } from './live-view'

interface PersonMenuProps {
  person: LanePerson
  view: LiveView
  now: number
  send: Send
}

/** Somebody's name with what can be done: let in, move, take to the whole group, free the name. */
export function PersonMenu({ person, view, now, send }: PersonMenuProps) {
  const inRound = view.clock !== null
  const act = (value: string) => {
    if (value === 'let-in') send({ type: 'let-in', participantIds: [person.id] })
    else if (value === 'free') send({ type: 'release', participantId: person.id })
    else if (value === 'whole') send({ type: 'place', participantId: person.id, roomId: null })
    else send({ type: 'place', participantId: person.id, roomId: value })
  }
  const elsewhere = view.rooms.filter(room => room.id !== person.roomId || (inRound && !person.inRoom))
  return (
    <Menu.Root id={`lane-person-${person.id}`} lazyMount unmountOnExit onSelect={({ value }) => act(value)}>
      <Menu.Trigger asChild>
        <chakra.button
          type="button"
          display="inline-flex"
          alignItems="center"
          gap="5px"
          px="6px"
          minH="24px"
          borderRadius="4px"
          fontSize="s"
          cursor="pointer"
          _hover={{ bg: 'sunk' }}
          color={person.connected ? 'ink' : 'quiet'}
        >
          <Presence connected={person.connected} />
          {person.shownName}
          {!person.connected && <chakra.span> (away {roughLength(now - person.seenAt)})</chakra.span>}
        </chakra.button>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content>
            {!person.admitted && <Menu.Item value="let-in">Let in</Menu.Item>}
            {person.admitted && (
              <Menu.ItemGroup>
                <Menu.ItemGroupLabel>{inRound ? 'Send to' : 'Give the room'}</Menu.ItemGroupLabel>
                {elsewhere.map(room => (
                  <Menu.Item key={room.id} value={room.id}>
                    {room.name}
                  </Menu.Item>
                ))}
                {person.inRoom && <Menu.Item value="whole">Whole group</Menu.Item>}
              </Menu.ItemGroup>
            )}
            <Menu.Separator />
            <Menu.Item value="free">Free the name</Menu.Item>
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  )
}

/** A filled dot for somebody who is here, a ring for somebody who dropped. */
function Presence({ connected }: { connected: boolean }) {
  return (
    <chakra.span
      w="9px"
      h="9px"
      borderRadius="50%"
      borderWidth="2px"
      borderColor={connected ? 'live' : 'edge'}
      bg={connected ? 'live' : 'transparent'}
      aria-hidden="true"
    />
  )
}
