import { Flex } from '@chakra-ui/react'
import type { LiveView } from '../../live/live-view'
import { Tick } from '../../ui/fields'

interface RoomTicksProps extends Pick<LiveView, 'rooms'> {
  label: string
  chosen: readonly string[]
  onChoose: (roomIds: string[]) => void
}

/** Some of the rooms, each by a tick. */
export function RoomTicks({ label, rooms, chosen, onChoose }: RoomTicksProps) {
  return (
    <Flex gap="4px 16px" wrap="wrap" role="group" aria-label={label}>
      {rooms.map(({ id, name }) => (
        <Tick
          key={id}
          checked={chosen.includes(id)}
          onChange={() =>
            onChoose(chosen.includes(id) ? chosen.filter(each => each !== id) : [...chosen, id])
          }
        >
          {name}
        </Tick>
      ))}
    </Flex>
  )
}
