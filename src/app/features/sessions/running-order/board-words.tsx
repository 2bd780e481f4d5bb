import { Flex } from '@chakra-ui/react'
import { uniqBy } from 'lodash-es'
import { Minus, Plus } from 'lucide-react'
import type { PlanWorld } from '~/core/schedule/readiness'
import { MOST_STATIONS } from '~/core/schedule/running-order'
import { Button } from '../../../ui/button'
import { Tick } from '../../../ui/fields'
import type { RoundWordsProps } from './round-words-props'
import { Pick } from './words'

const STATIONS = 'stations'

/** What rooms work on: one board, or one for each, blank or as those before left them, and which prompts of it. */
export function BoardWords({ segment, earlier, world, onChange }: RoundWordsProps) {
  const { boardId, stations } = segment
  const boards = world.boards.map(({ id, title }) => (
    <option key={id} value={id}>
      {title}
    </option>
  ))
  const first = boardId ?? world.boards[0]?.id
  const used = world.boards.filter(({ id }) => (stations ?? [boardId]).includes(id))
  const prompts = uniqBy(
    used.flatMap(board => board.prompts),
    ({ id }) => id,
  )
  const isOpen = (id: string) => segment.parts?.includes(id) ?? true
  return (
    <>
      <span>on</span>
      <Pick
        label="Board"
        value={stations ? STATIONS : (boardId ?? '')}
        onPick={id => {
          if (id === STATIONS) onChange({ parts: undefined, stations: first ? [first] : undefined })
          else onChange({ parts: undefined, stations: undefined, boardId: id === '' ? null : id })
        }}
      >
        <option value="">no board</option>
        {first && <option value={STATIONS}>a board for each room</option>}
        {boards}
      </Pick>
      {stations && (
        <Flex gap="6px" align="center" wrap="wrap">
          {stations.map((id, place) => (
            <Pick
              // biome-ignore lint/suspicious/noArrayIndexKey: stations have nothing but their place.
              key={place}
              label={`Board of room ${place + 1}`}
              value={id}
              onPick={other =>
                onChange({ stations: stations.map((one, at) => (at === place ? other : one)) })
              }
            >
              {!world.boards.some(board => board.id === id) && <option value={id}>no board</option>}
              {boards}
            </Pick>
          ))}
          {stations.length < MOST_STATIONS && (
            <Button
              size="small"
              aria-label="One more board"
              onClick={() => onChange({ stations: [...stations, nextBoard(world, stations)] })}
            >
              <Plus size={16} aria-hidden="true" />
            </Button>
          )}
          {stations.length > 1 && (
            <Button
              size="small"
              aria-label="One board less"
              onClick={() => onChange({ stations: stations.slice(0, -1) })}
            >
              <Minus size={16} aria-hidden="true" />
            </Button>
          )}
        </Flex>
      )}
      {stations && earlier.some(({ kind }) => kind === 'rooms') && (
        <Pick
          label="What those before left"
          value={segment.asLeft ? 'left' : 'blank'}
          onPick={how => onChange({ asLeft: how === 'left' ? true : undefined })}
        >
          <option value="blank">blank for each group</option>
          <option value="left">as those before left it</option>
        </Pick>
      )}
      {prompts.length > 1 && (
        <Flex
          as="span"
          gap="4px 10px"
          align="center"
          wrap="wrap"
          role="group"
          aria-label="Prompts that are open"
        >
          with
          {prompts.map(({ id, text }) => (
            <Tick
              key={id}
              checked={isOpen(id)}
              onChange={() => {
                const open = prompts.flatMap(prompt =>
                  isOpen(prompt.id) !== (prompt.id === id) ? [prompt.id] : [],
                )
                onChange({ parts: open.length === prompts.length ? undefined : open })
              }}
            >
              {text.length > 40 ? `${text.slice(0, 38)}…` : text || 'a prompt without a question'}
            </Tick>
          ))}
        </Flex>
      )}
    </>
  )
}

/** A board no station has yet, or the first. */
const nextBoard = (world: PlanWorld, stations: readonly string[]): string =>
  (world.boards.find(({ id }) => !stations.includes(id)) ?? world.boards[0])?.id ?? ''
