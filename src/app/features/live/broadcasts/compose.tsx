import { Box, Flex, Stack } from '@chakra-ui/react'
import { Megaphone } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { partsOf } from '~/core/boards/parts'
import { LONGEST_MESSAGE } from '~/core/live/messages/message'
import type { LiveView, Send } from '../../../live/live-view'
import { broadcastKey } from '../../../live/messages/broadcast-field'
import { ask } from '../../../live-client/ask'
import { useSays } from '../../../live-client/doing'
import { Button } from '../../../ui/button'
import { Field, Input, Select, TextArea } from '../../../ui/fields'
import { Message } from '../../../ui/layout'
import { useKeptText } from '../../../ui/use-kept'
import { RoomTicks } from '../room-ticks'
import { FromLibrary } from './from-library'
import { Phrases } from './phrases'

interface ComposeProps {
  sessionId: string
  view: LiveView
  send: Send
}

const SOME = 'some rooms'
const NOT_DONE = 'not done: '
/** Minutes after which something can be said. */
const LATER = [1, 2, 5, 10, 15, 20, 30, 45, 60]

/** What is said, to whom, with what and when. */
export function Compose({ sessionId, view, send }: ComposeProps) {
  const [text, setText] = useKeptText(broadcastKey(sessionId))
  useSays(text)
  const [to, setTo] = useState('')
  const [chosen, setChosen] = useState<string[]>([])
  const [beside, setBeside] = useState<'' | 'link' | 'material'>('')
  const [link, setLink] = useState('')
  const [materialId, setMaterialId] = useState('')
  const [minutes, setMinutes] = useState(0)
  const [problem, setProblem] = useState<string | null>(null)
  const field = useRef<HTMLTextAreaElement>(null)
  // The drawer gives the focus to its title; whoever opens this writes.
  useEffect(() => field.current?.focus(), [])
  const wrongLink = beside === 'link' && link !== '' && !isWebAddress(link)
  const ready =
    text.trim() !== '' &&
    (to !== SOME || chosen.length > 0) &&
    (beside !== 'link' || (link !== '' && !wrongLink)) &&
    (beside !== 'material' || materialId !== '')
  const submit = async () => {
    const said = {
      text,
      roomIds: to === SOME ? chosen : null,
      ...(to.startsWith(NOT_DONE) && { notDone: to.slice(NOT_DONE.length) }),
      ...(minutes > 0 && { minutes }),
    }
    if (beside === 'material') {
      const answer = await ask(`/sessions/${sessionId}/broadcast`, { ...said, materialId })
      setProblem(answer.ok ? null : answer.message)
      if (!answer.ok) return
    } else {
      setProblem(null)
      const request = { type: 'broadcast' as const, ...said, ...(beside === 'link' && { link }) }
      if (!(await send(request, setProblem))) return
    }
    setText('')
    setBeside('')
    setLink('')
    setMaterialId('')
    setMinutes(0)
    // Its button is of no use until something is written again.
    field.current?.focus()
  }
  return (
    <Stack
      as="form"
      gap="8px"
      onSubmit={event => {
        event.preventDefault()
        submit()
      }}
    >
      <Field label="What to say">
        {parts => (
          <TextArea
            {...parts}
            ref={field}
            rows={3}
            maxLength={LONGEST_MESSAGE}
            value={text}
            onChange={event => setText(event.target.value)}
          />
        )}
      </Field>
      <Phrases text={text} onUse={setText} />
      <Flex gap="8px">
        <Box flex="1" minW="0">
          <Field label="To">
            {parts => (
              <Select {...parts} value={to} onChange={event => setTo(event.target.value)}>
                <option value="">everybody</option>
                <option value={SOME}>some rooms</option>
                {partsToDo(view).map(({ id, words }) => (
                  <option key={id} value={NOT_DONE + id}>
                    {words}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </Box>
        <Box flex="1" minW="0">
          <Field label="When">
            {parts => (
              <Select {...parts} value={minutes} onChange={event => setMinutes(Number(event.target.value))}>
                <option value={0}>now</option>
                {LATER.map(each => (
                  <option key={each} value={each}>
                    in {each} min
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </Box>
      </Flex>
      {to === SOME && (
        <RoomTicks label="Rooms to say it to" rooms={view.rooms} chosen={chosen} onChoose={setChosen} />
      )}
      <Field label="With">
        {parts => (
          <Select
            {...parts}
            value={beside}
            onChange={event => setBeside(event.target.value as typeof beside)}
          >
            <option value="">nothing more</option>
            <option value="link">a link</option>
            <option value="material">something of the library</option>
          </Select>
        )}
      </Field>
      {beside === 'link' && (
        <Field
          label="Address"
          errors={wrongLink ? ['Write a whole address that begins with https:// or http://.'] : undefined}
        >
          {parts => (
            <Input
              {...parts}
              type="url"
              inputMode="url"
              placeholder="https://"
              maxLength={2_000}
              value={link}
              onChange={event => setLink(event.target.value.trim())}
            />
          )}
        </Field>
      )}
      {beside === 'material' && (
        <FromLibrary sessionId={sessionId} materialId={materialId} onChoose={setMaterialId} />
      )}
      {problem && <Message kind="problem">{problem}</Message>}
      <Flex>
        <Button type="submit" kind="main" disabled={!ready}>
          <Megaphone size={18} aria-hidden="true" />
          {minutes > 0 ? `Say it in ${minutes} min` : 'Say it'}
        </Button>
      </Flex>
    </Stack>
  )
}

const isWebAddress = (text: string): boolean => URL.canParse(text) && /^https?:/.test(text)

/** What rooms can be done with, as far as they have it: the whole board, or each of its parts. */
function partsToDo({ boards, rooms }: LiveView): { id: string; words: string }[] {
  const used = new Set(rooms.filter(room => room.used).map(({ board = 0 }) => board))
  const parts = new Map<string, string>()
  for (const place of used)
    for (const [index, part] of (boards[place] ? partsOf(boards[place]) : []).entries()) {
      const several = (boards[place]?.parts?.length ?? 0) > 0
      const words = several ? `rooms not done with ${part.title || `part ${index + 1}`}` : 'rooms not done'
      if (!parts.has(part.id)) parts.set(part.id, words)
    }
  return [...parts].map(([id, words]) => ({ id, words }))
}
