import { chakra, Stack } from '@chakra-ui/react'
import { uniqBy } from 'lodash-es'
import { Tick } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'

/** Which prompts of the boards people see and write in now: the rest waits until it is opened. */
export function PartsOpen({ view: { boards, rooms, partsOpen }, send }: { view: LiveView; send: Send }) {
  const used = new Set(rooms.map(({ board = 0 }) => board))
  const prompts = uniqBy(
    boards.flatMap((board, place) => (used.has(place) ? board.prompts : [])),
    ({ id }) => id,
  )
  if (prompts.length < 2) return null
  const isOpen = (id: string) => partsOpen?.includes(id) ?? true
  const open = prompts.filter(({ id }) => isOpen(id)).length
  return (
    <chakra.details fontSize="s">
      <chakra.summary cursor="pointer" minH="30px" color="live" fontWeight="600">
        {open === prompts.length ? 'All prompts are open' : `${open} of ${prompts.length} prompts open`}
      </chakra.summary>
      <Stack gap="0" as="ul" listStyleType="none" aria-label="Prompts of the board">
        {prompts.map(({ id, text }) => (
          <li key={id}>
            <Tick
              checked={isOpen(id)}
              onChange={() => {
                const parts = prompts.flatMap(prompt =>
                  isOpen(prompt.id) !== (prompt.id === id) ? [prompt.id] : [],
                )
                send({ type: 'open-parts', parts: parts.length === prompts.length ? null : parts })
              }}
            >
              {text || 'A prompt without a question'}
            </Tick>
          </li>
        ))}
      </Stack>
    </chakra.details>
  )
}
