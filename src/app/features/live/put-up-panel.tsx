import { Flex, Stack } from '@chakra-ui/react'
import { uniqBy } from 'lodash-es'
import { Presentation } from 'lucide-react'
import { memo, useRef, useState } from 'react'
import { flushSync } from 'react-dom'
import type { MaterialToGive } from '~/contracts/live-material'
import type { LiveView, Send } from '../../live/live-view'
import { Options } from '../../live/put-up/put-up'
import { useOnPages } from '../../live/put-up/use-on-pages'
import { ask } from '../../live-client/ask'
import { Button } from '../../ui/button'
import { Field, Select, Tick } from '../../ui/fields'
import { Message } from '../../ui/layout'
import { useOffered } from './use-offered'

interface PutUpPanelProps {
  sessionId: string
  view: LiveView
  send: Send
}

const THINGS = [
  { is: 'groups', name: 'Groups' },
  { is: 'clock', name: 'Clock' },
  { is: 'instructions', name: 'What to do' },
  { is: 'join-code', name: 'Join code' },
] as const

/** Puts something up for all to see: one press for what there always is, a choice for work and material. */
export const PutUpPanel = memo(function PutUpPanel({ sessionId, view, send }: PutUpPanelProps) {
  const [open, setOpen] = useState(false)
  const [onPages, setOnPages] = useOnPages()
  const opener = useRef<HTMLButtonElement>(null)
  const close = () => {
    flushSync(() => setOpen(false))
    opener.current?.focus()
  }
  const used = new Set(view.rooms.map(room => room.board ?? 0))
  const prompts = uniqBy(
    view.boards.flatMap((board, place) => (used.has(place) ? board.prompts : [])),
    'id',
  )
  if (!open)
    return (
      <Button ref={opener} size="small" onClick={() => setOpen(true)}>
        <Presentation size={16} aria-hidden="true" /> Put up
      </Button>
    )
  return (
    <Stack
      as="section"
      aria-label="Put something up"
      gap="10px"
      w="full"
      bg="panel"
      borderWidth="1px"
      borderRadius="8px"
      p="12px"
      onKeyDown={event => event.key === 'Escape' && close()}
    >
      <Flex gap="8px" wrap="wrap" align="center">
        {THINGS.map(({ is, name }, index) => (
          <Button
            key={is}
            autoFocus={index === 0}
            onClick={async () => {
              if (await send({ type: 'put-up-thing', thing: { is }, onPages })) close()
            }}
          >
            {name}
          </Button>
        ))}
        <Tick checked={onPages} onChange={event => setOnPages(event.target.checked)}>
          On every page too
        </Tick>
      </Flex>
      <Flex gap="12px" wrap="wrap" align="flex-end">
        {prompts.length > 0 && (
          <Field label="One prompt of all rooms">
            {parts => (
              <Select
                {...parts}
                value=""
                onChange={async event => {
                  const put = {
                    type: 'put-up',
                    roomId: null,
                    promptId: event.target.value,
                    onPages,
                  } as const
                  if (await send(put)) close()
                }}
              >
                <Options first="Choose" prompts={prompts} />
              </Select>
            )}
          </Field>
        )}
        <OfTheLibrary sessionId={sessionId} onPages={onPages} onDone={close} />
        <Button onClick={close}>Not now</Button>
      </Flex>
    </Stack>
  )
})

interface OfTheLibraryProps {
  sessionId: string
  onPages: boolean
  onDone: () => void
}

function OfTheLibrary({ sessionId, onPages, onDone }: OfTheLibraryProps) {
  const { offered } = useOffered<MaterialToGive>(`/sessions/${sessionId}/material`, 'material')
  const [problem, setProblem] = useState<string | null>(null)
  return (
    <>
      <Field label="Material of the library">
        {parts => (
          <Select
            {...parts}
            value=""
            disabled={!offered || offered.length === 0}
            onChange={async event => {
              const answer = await ask(`/sessions/${sessionId}/put-up`, {
                materialId: event.target.value,
                onPages,
              })
              if (answer.ok) onDone()
              else setProblem(answer.message)
            }}
          >
            <option value="" disabled>
              {offered?.length === 0 ? 'There is none yet' : 'Choose'}
            </option>
            {offered?.map(({ id, title, kind }) => (
              <option key={id} value={id}>
                {title} ({kind})
              </option>
            ))}
          </Select>
        )}
      </Field>
      {problem && <Message kind="problem">{problem}</Message>}
    </>
  )
}
