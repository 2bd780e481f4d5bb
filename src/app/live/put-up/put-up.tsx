import { chakra, Flex } from '@chakra-ui/react'
import { uniqBy } from 'lodash-es'
import { Presentation } from 'lucide-react'
import { useState } from 'react'
import { Button } from '../../ui/button'
import { Field, Select, Tick } from '../../ui/fields'
import { useSwitch } from '../../ui/use-kept'
import type { LiveView, Send } from '../live-view'

/** What is up on the projector, taken down in one move. */
export function PutUpNow({ view: { putUp }, send }: { view: LiveView; send: Send }) {
  if (!putUp) return null
  return (
    <Flex gap="8px" align="center" wrap="wrap" role="status" aria-label="On the projector">
      <Presentation size={16} aria-hidden="true" />
      <span>
        {putUp.onPages ? 'On the projector and every page' : 'On the projector'}: <b>{putUp.asks}</b>,{' '}
        {putUp.roomId === null ? 'all rooms' : putUp.whose}
      </span>
      <Button
        size="small"
        onClick={() =>
          send({
            type: 'put-up',
            roomId: putUp.roomId,
            promptId: putUp.promptId,
            onPages: !putUp.onPages,
          })
        }
      >
        {putUp.onPages ? 'Only on the projector' : 'On every page too'}
      </Button>
      <Button size="small" onClick={() => send({ type: 'take-down' })}>
        Take down
      </Button>
    </Flex>
  )
}

/** Puts up one prompt of all rooms. */
export function PutUpOfAll({ view, send }: { view: LiveView; send: Send }) {
  const [open, setOpen] = useState(false)
  const [onPages, setOnPages] = useOnPages()
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
              const put = { type: 'put-up', roomId: null, promptId: event.target.value, onPages } as const
              if (await send(put)) setOpen(false)
            }}
          >
            <Options first="Choose" prompts={prompts} />
          </Select>
        )}
      </Field>
      <Tick checked={onPages} onChange={event => setOnPages(event.target.checked)}>
        On every page too
      </Tick>
      <Button onClick={() => setOpen(false)}>Cancel</Button>
    </Flex>
  )
}

/** Whether what is put up next goes on everybody's page too: as it was the last time. */
const useOnPages = () => useSwitch('put-up-on-pages', false)

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
  const [onPages, setOnPages] = useOnPages()
  if (prompts.length === 0) return null
  const isUp = putUp?.roomId === roomId
  return (
    <Flex gap="8px" align="center" wrap="wrap">
      <Button size="small" onClick={() => send({ type: 'put-up', roomId, promptId: null, onPages })}>
        <Presentation size={16} aria-hidden="true" /> Put up this board
      </Button>
      {prompts.length > 1 && (
        <Select
          aria-label="Put up one prompt"
          w="auto"
          maxW="220px"
          value={(isUp && putUp.promptId) || ''}
          onChange={event => send({ type: 'put-up', roomId, promptId: event.target.value, onPages })}
        >
          <Options first="or one prompt" prompts={prompts} />
        </Select>
      )}
      <Tick checked={onPages} onChange={event => setOnPages(event.target.checked)}>
        On every page too
      </Tick>
      {isUp && (
        <chakra.span color="quiet" fontSize="s">
          It is up.
        </chakra.span>
      )}
    </Flex>
  )
}
