import { chakra, Flex } from '@chakra-ui/react'
import { uniqBy } from 'lodash-es'
import { Presentation } from 'lucide-react'
import { useState } from 'react'
import { Button } from '../../ui/button'
import { Field, Select } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'

/** What is up on the projector, taken down in one move. */
export function PutUpNow({ view: { putUp }, send }: { view: LiveView; send: Send }) {
  if (!putUp) return null
  return (
    <Flex gap="8px" align="center" wrap="wrap" role="status" aria-label="On the projector">
      <Presentation size={16} aria-hidden="true" />
      <span>
        On the projector: <b>{putUp.asks}</b>, {putUp.roomId === null ? 'all rooms' : putUp.whose}
      </span>
      <Button size="small" onClick={() => send({ type: 'take-down' })}>
        Take down
      </Button>
    </Flex>
  )
}

/** Puts up one prompt of all rooms. */
export function PutUpOfAll({ view, send }: { view: LiveView; send: Send }) {
  const [open, setOpen] = useState(false)
  const used = new Set(view.rooms.map(room => room.board ?? 0))
  const prompts = uniqBy(
    view.boards.flatMap((board, place) => (used.has(place) ? board.prompts : [])),
    'id',
  )
  if (prompts.length === 0) return null
  if (!open)
    return (
      <Button size="small" kind="bare" alignSelf="flex-start" onClick={() => setOpen(true)}>
        <Presentation size={16} aria-hidden="true" /> Put up
      </Button>
    )
  return (
    <Flex gap="8px" align="flex-end" wrap="wrap" flexBasis="100%">
      <Field label="One prompt of all rooms, on the projector">
        {parts => (
          <Select
            {...parts}
            autoFocus
            value=""
            onChange={async event => {
              if (await send({ type: 'put-up', roomId: null, promptId: event.target.value })) setOpen(false)
            }}
          >
            <Options first="Choose" prompts={prompts} />
          </Select>
        )}
      </Field>
      <Button onClick={() => setOpen(false)}>Cancel</Button>
    </Flex>
  )
}

type Prompts = readonly { id: string; text: string }[]

const Options = ({ first, prompts }: { first: string; prompts: Prompts }) => (
  <>
    <option value="" disabled>
      {first}
    </option>
    {prompts.map(({ id, text }) => (
      <option key={id} value={id}>
        {text}
      </option>
    ))}
  </>
)

interface PutUpOfRoomProps {
  roomId: string
  prompts: Prompts
  view: LiveView
  send: Send
}

/** Puts up a room's board, or one prompt of it. */
export function PutUpOfRoom({ roomId, prompts, view: { putUp }, send }: PutUpOfRoomProps) {
  if (prompts.length === 0) return null
  const isUp = putUp?.roomId === roomId
  return (
    <Flex gap="8px" align="center" wrap="wrap">
      <Button size="small" onClick={() => send({ type: 'put-up', roomId, promptId: null })}>
        <Presentation size={16} aria-hidden="true" /> Put up this board
      </Button>
      {prompts.length > 1 && (
        <Select
          aria-label="Put up one prompt"
          w="auto"
          maxW="220px"
          value={(isUp && putUp.promptId) || ''}
          onChange={event => send({ type: 'put-up', roomId, promptId: event.target.value })}
        >
          <Options first="or one prompt" prompts={prompts} />
        </Select>
      )}
      {isUp && (
        <chakra.span color="quiet" fontSize="s">
          It is up.
        </chakra.span>
      )}
    </Flex>
  )
}
