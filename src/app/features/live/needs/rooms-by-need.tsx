import type { ReasonKind } from '~/core/live/needs/needs'
import { useSame } from '../../../ui/use-same'
import { type LaneOrder, orderedRooms } from '../lanes/lane-order'
import { Lanes, type LanesProps } from '../lanes/lanes'
import { Wall } from '../wall/wall'
import { NeedsStrip } from './needs-strip'
import { useHeldOrder, useNeeds } from './use-needs'

interface RoomsByNeedProps extends Omit<LanesProps, 'needs' | 'now' | 'order' | 'onReach'> {
  sessionId: string
  order: LaneOrder
  isWall: boolean
  accountId: string
  off: ReadonlySet<ReasonKind>
  onSwitch: (kind: ReasonKind, on: boolean) => void
}

/** The rooms, as lanes or on the wall, and above them who needs somebody next. */
export function RoomsByNeed({
  sessionId,
  accountId,
  order,
  isWall,
  off,
  onSwitch,
  ...rest
}: RoomsByNeedProps) {
  const { view, work, pageMadeAt, onOpen } = rest
  const { needs, now } = useNeeds(view, work, { off, accountId }, pageMadeAt)
  const { order: held, hold } = useHeldOrder(orderedRooms(view, needs, order), order)
  const ids = useSame(held)
  return (
    <>
      {needs.length > 1 && (
        <NeedsStrip view={view} needs={needs} now={now} off={off} onSwitch={onSwitch} onOpen={onOpen} />
      )}
      {isWall ? (
        <Wall
          sessionId={sessionId}
          view={view}
          work={work}
          needs={needs}
          now={now}
          order={ids}
          onOpen={onOpen}
        />
      ) : (
        <Lanes needs={needs} now={now} order={ids} onReach={hold} {...rest} />
      )}
    </>
  )
}
