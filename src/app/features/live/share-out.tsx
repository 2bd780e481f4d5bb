import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { useId, useState } from 'react'
import { DUTIES, type DutyKind, dutyOf } from '~/core/live/duties/duty'
import { DUTY_WORDS } from '../../live/facilitators/duty-words'
import type { LiveView, Send } from '../../live/live-view'
import { Button } from '../../ui/button'
import { SmallSelect } from '../../ui/fields'
import { RoomTicks } from './room-ticks'

interface ShareOutProps {
  view: LiveView
  accountId: string
  send: Send
}

/** Who of those at the front does what, where there is somebody beside oneself. */
export function ShareOut({ view, accountId, send }: ShareOutProps) {
  const [open, setOpen] = useState(false)
  const others = view.facilitators.filter(one => one.accountId !== accountId)
  if (others.length === 0) return null
  return (
    <>
      <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
        Share out
      </Button>
      {open && (
        <Stack
          order="9"
          flexBasis="100%"
          gap="12px"
          bg="panel"
          borderWidth="1px"
          borderRadius="8px"
          p="12px"
          as="section"
          aria-label="Who does what"
        >
          {others.map(one => (
            <OneDuty key={one.accountId} one={one} view={view} send={send} />
          ))}
        </Stack>
      )}
    </>
  )
}

function OneDuty({
  one,
  view,
  send,
}: { one: LiveView['facilitators'][number] } & Omit<ShareOutProps, 'accountId'>) {
  const id = useId()
  const { accountId, name } = one
  const { does, rooms } = dutyOf(view, accountId)
  const theirs = view.rooms.filter(room => rooms?.includes(room.id)).map(room => room.id)
  return (
    <Stack gap="6px">
      <Flex gap="8px" align="center" wrap="wrap">
        <chakra.label htmlFor={id} fontWeight="600">
          {name}
        </chakra.label>
        <SmallSelect
          id={id}
          value={does}
          onChange={event =>
            send({ type: 'give-duty', accountId, does: event.target.value as DutyKind, rooms: theirs })
          }
        >
          {DUTIES.map(each => (
            <option key={each} value={each}>
              {DUTY_WORDS[each]}
            </option>
          ))}
        </SmallSelect>
        <Button size="small" onClick={() => send({ type: 'hand-over', accountId })}>
          Hand over to {name}
        </Button>
      </Flex>
      {does !== 'watch' && view.rooms.length > 1 && (
        <Box fontSize="s">
          <chakra.p color="quiet">
            {theirs.length === 0
              ? 'All rooms are theirs to look after; tick some to give only those.'
              : 'Theirs to look after:'}
          </chakra.p>
          <RoomTicks
            label={`Rooms of ${name}`}
            rooms={view.rooms}
            chosen={theirs}
            onChoose={chosen => send({ type: 'give-duty', accountId, does, rooms: chosen })}
          />
        </Box>
      )}
    </Stack>
  )
}
