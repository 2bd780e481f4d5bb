import { chakra, Flex, Stack } from '@chakra-ui/react'
import { Paperclip } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import type { MaterialToGive } from '~/contracts/live-material'
import type { LiveView, Send } from '../../live/live-view'
import { useOnPages } from '../../live/put-up/use-on-pages'
import { Button } from '../../ui/button'
import { Choice, Field, Select } from '../../ui/fields'
import { Message } from '../../ui/layout'
import { RoomTicks } from './room-ticks'
import { useOffered } from './use-offered'

interface GiveMaterialProps {
  sessionId: string
  view: LiveView
  send: Send
}

/** Material for everybody or for some rooms while the session runs, and what was given, to be taken back. */
export function GiveMaterial({ sessionId, view, send }: GiveMaterialProps) {
  const [open, setOpen] = useState(false)
  const [onPages] = useOnPages()
  return (
    <>
      {open ? (
        <ChooseMaterial sessionId={sessionId} rooms={view.rooms} onDone={() => setOpen(false)} />
      ) : (
        <Button size="small" kind="bare" alignSelf="flex-start" onClick={() => setOpen(true)}>
          <Paperclip size={16} aria-hidden="true" /> Give material
        </Button>
      )}
      {view.given.length > 0 && (
        <Stack
          as="ul"
          listStyleType="none"
          gap="4px"
          aria-label="Material that was given"
          flexBasis="100%"
          order="9"
        >
          {view.given.map(({ id, thing, roomIds }) => (
            <Flex as="li" key={id} gap="8px" align="center" wrap="wrap" fontSize="s">
              <Paperclip size={16} aria-hidden="true" />
              <chakra.span fontWeight="600" overflowWrap="anywhere">
                {thing.title}
              </chakra.span>
              <chakra.span color="quiet">{toWhom(view, roomIds)}</chakra.span>
              <Button
                size="small"
                aria-label={`Put up ${thing.title}`}
                onClick={() => send({ type: 'put-up-thing', thing: { is: 'given', givenId: id }, onPages })}
              >
                Put up
              </Button>
              <Button
                size="small"
                aria-label={`Take back ${thing.title}`}
                onClick={() => send({ type: 'take-material-back', givenId: id })}
              >
                Take back
              </Button>
            </Flex>
          ))}
        </Stack>
      )}
    </>
  )
}

export function toWhom({ rooms, closedRooms }: LiveView, roomIds: readonly string[] | null): string {
  if (roomIds === null) return 'to everybody'
  const names = [...rooms, ...closedRooms].filter(({ id }) => roomIds.includes(id)).map(({ name }) => name)
  return `to ${names.join(', ')}`
}

interface ChooseMaterialProps {
  sessionId: string
  rooms: LiveView['rooms']
  onDone: () => void
}

function ChooseMaterial({ sessionId, rooms, onDone }: ChooseMaterialProps) {
  const address = `/sessions/${sessionId}/material`
  const { offered: material, problem, choose } = useOffered<MaterialToGive>(address, 'material', onDone)
  const [materialId, setMaterialId] = useState('')
  const [toSome, setToSome] = useState(false)
  const [chosen, setChosen] = useState<readonly string[]>([])
  return (
    <Stack
      as="form"
      gap="8px"
      flexBasis="100%"
      bg="panel"
      borderWidth="1px"
      borderRadius="8px"
      p="12px"
      onSubmit={event => {
        event.preventDefault()
        choose({ materialId, roomIds: toSome ? chosen : null })
      }}
    >
      <Field label="Material to give">
        {parts => (
          <Select
            {...parts}
            autoFocus
            value={materialId}
            onChange={event => setMaterialId(event.target.value)}
          >
            <option value="">{material ? 'Choose' : 'Fetching…'}</option>
            {material?.map(({ id, title, kind }) => (
              <option key={id} value={id}>
                {title} ({kind})
              </option>
            ))}
          </Select>
        )}
      </Field>
      <chakra.p fontSize="s" color="quiet">
        It must be in the library: <Link to="/material">add files or links to it</Link>.
      </chakra.p>
      <Flex as="fieldset" gap="16px" wrap="wrap" aria-label="To whom">
        <Choice name="to" checked={!toSome} onChange={() => setToSome(false)}>
          Everybody
        </Choice>
        <Choice name="to" checked={toSome} onChange={() => setToSome(true)}>
          Some rooms
        </Choice>
      </Flex>
      {toSome && <RoomTicks label="Rooms that get it" rooms={rooms} chosen={chosen} onChoose={setChosen} />}
      <Flex gap="8px">
        <Button type="submit" kind="main" disabled={materialId === '' || (toSome && chosen.length === 0)}>
          Give it
        </Button>
        <Button kind="bare" onClick={onDone}>
          Cancel
        </Button>
      </Flex>
      {problem && <Message kind="problem">{problem}</Message>}
    </Stack>
  )
}
