import { chakra, Flex } from '@chakra-ui/react'
import { LayoutGrid, Search } from 'lucide-react'
import { memo, useId } from 'react'
import type { LiveView, Send } from '../../live/live-view'
import { PutUpHere } from '../../live/put-up/put-up-here'
import { Button } from '../../ui/button'
import { SmallSelect } from '../../ui/fields'
import { FIND_SOMEBODY } from './everybody'
import type { LaneOrder } from './lanes/lane-order'

interface RoomsToolsProps {
  order: LaneOrder
  onOrder: (order: LaneOrder) => void
  isWall: boolean
  onWall: (on: boolean) => void
  onFind: () => void
  /** How many rooms there are: with one there is nothing to put in order. */
  rooms: number
  view: LiveView
  send: Send
}

/** How the rooms are looked at. */
export const RoomsTools = memo(function RoomsTools({
  order,
  onOrder,
  isWall,
  onWall,
  onFind,
  rooms,
  view,
  send,
}: RoomsToolsProps) {
  const id = useId()
  return (
    <Flex gap="8px" align="center" wrap="wrap" ml="auto">
      {rooms > 0 && (
        <>
          <PutUpHere is="groups" name="the groups" word="Groups" view={view} send={send} />
          <PutUpHere is="instructions" name="what to do" word="What to do" view={view} send={send} />
        </>
      )}
      <Button id={FIND_SOMEBODY} size="small" title="Key: /" onClick={onFind}>
        <Search size={16} aria-hidden="true" /> Everybody
      </Button>
      {rooms > 1 && (
        <>
          <Button size="small" title="Key: w" aria-pressed={isWall} onClick={() => onWall(!isWall)}>
            <LayoutGrid size={16} aria-hidden="true" /> Wall
          </Button>
          <chakra.label htmlFor={id} fontSize="s" color="quiet">
            Rooms by{' '}
            <SmallSelect id={id} value={order} onChange={event => onOrder(event.target.value as LaneOrder)}>
              <option value="rooms">plan</option>
              <option value="need">need</option>
            </SmallSelect>
          </chakra.label>
        </>
      )}
    </Flex>
  )
})
