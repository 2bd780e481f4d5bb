import { Box, chakra, Grid } from '@chakra-ui/react'
import { uniqBy } from 'lodash-es'
import { memo, useId, useMemo } from 'react'
import type { RoomNeed } from '~/core/live/needs/needs'
import { reasonWords } from '~/core/live/needs/words'
import { MOST_ROOMS } from '~/core/live/rooms/room'
import { type WallTile, wallTiles } from '~/core/live/wall/tiles'
import { PutUpShown } from '../../../live/put-up/put-up-shown'
import { useReadAgain } from '../../../live/put-up/use-read-again'
import { laneButtonId } from '../../../live/rooms/lane-button'
import { SmallSelect } from '../../../ui/fields'
import { useKeptText } from '../../../ui/use-kept'
import { useSame } from '../../../ui/use-same'
import type { LanesProps } from '../lanes/lanes'
import { moveOnGrid } from './move-on-grid'
import { Tile, type TileSize } from './tile'

interface WallProps extends Pick<LanesProps, 'view' | 'work' | 'needs' | 'now' | 'onOpen'> {
  sessionId: string
  /** The ids of the rooms, in their order. */
  order: readonly string[]
}

/** All rooms' boards at once: how far each is and what is new; or what all have under one prompt. */
export const Wall = memo(function Wall({ sessionId, view, work, needs, now, order, onOpen }: WallProps) {
  const [chosen, choose] = useKeptText(`wall-prompt-${sessionId}`)
  const id = useId()
  const prompts = uniqBy(
    view.boards.flatMap(board => board.prompts),
    'id',
  )
  const prompt = prompts.find(({ id }) => id === chosen)
  return (
    <Box>
      {prompts.length > 0 && (
        <chakra.label htmlFor={id} fontSize="s" color="quiet" display="block" mb="6px">
          On the wall{' '}
          <SmallSelect id={id} value={prompt?.id ?? ''} onChange={event => choose(event.target.value)}>
            <option value="">how far each board is</option>
            {prompts.map(({ id: promptId, text }) => (
              <option key={promptId} value={promptId}>
                {text}
              </option>
            ))}
          </SmallSelect>
        </chakra.label>
      )}
      {prompt ? (
        <PromptOfAll sessionId={sessionId} promptId={prompt.id} />
      ) : (
        <Tiles view={view} work={work} needs={needs} now={now} order={order} onOpen={onOpen} />
      )}
    </Box>
  )
})

function PromptOfAll({ sessionId, promptId }: { sessionId: string; promptId: string }) {
  const now = useReadAgain(`/sessions/${sessionId}/wall/${encodeURIComponent(promptId)}`, promptId)
  if (!now) return <chakra.p color="quiet">Reading…</chakra.p>
  return <PutUpShown now={now} isOne={false} togetherSize="m" mostRooms={MOST_ROOMS} />
}

/** So wide are tiles of each size at least, in pixels. */
const WIDTHS: Record<TileSize, number> = { large: 240, middle: 168, small: 100 }

/** With few rooms a tile says what was written, with many only how much: type stays as large. */
const sizeFor = (rooms: number): TileSize => (rooms <= 12 ? 'large' : rooms <= 24 ? 'middle' : 'small')

function Tiles({ view, work, needs, now, order, onOpen }: Omit<WallProps, 'sessionId'>) {
  const tiles = useMemo(
    () => new Map(wallTiles(view, work, now).map(tile => [tile.roomId, tile])),
    [view, work, now],
  )
  const asks = new Map(needs.map(need => [need.roomId, need]))
  const places = new Map(view.rooms.map((room, index) => [room.id, { name: room.name, index }]))
  const size = sizeFor(view.rooms.length)
  return (
    <Grid
      as="ul"
      aria-label="Rooms"
      listStyleType="none"
      templateColumns={`repeat(auto-fill, minmax(min(100%, ${WIDTHS[size]}px), 1fr))`}
      gap={size === 'small' ? '3px' : '6px'}
      onKeyDown={moveOnGrid}
    >
      {order.map(id => {
        const [tile, place] = [tiles.get(id), places.get(id)]
        return (
          tile &&
          place && (
            <TileOf
              key={id}
              tile={tile}
              need={asks.get(id)}
              now={now}
              size={size}
              {...place}
              onOpen={onOpen}
            />
          )
        )
      })}
    </Grid>
  )
}

function TileOf({
  tile,
  need,
  now,
  ...rest
}: {
  tile: WallTile
  need: RoomNeed | undefined
  now: number
  name: string
  index: number
  size: TileSize
  onOpen: (roomId: string) => void
}) {
  const same = useSame(tile)
  const [first] = need?.reasons ?? []
  return (
    <Tile
      tile={same}
      reason={first ? reasonWords(first, now) : ''}
      calls={first?.kind === 'help'}
      buttonId={laneButtonId(tile.roomId)}
      {...rest}
    />
  )
}
