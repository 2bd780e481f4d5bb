import { useEffect, useRef, useState } from 'react'
import type { Arrangement } from '~/core/grouping/grouping'
import { GroupingClient } from '../../workers/grouping-client'
import type { GroupedPerson } from './grouped-person'

const newGroupId = () => crypto.randomUUID().slice(0, 18)

/**
 * Draws groups in the worker. An answer that arrives after somebody changed the arrangement by hand is dropped: what
 * people do is never overwritten by what was computed.
 */
export function useDraw(
  people: GroupedPerson[],
  absent: ReadonlySet<string>,
  present: Arrangement,
  onDrawn: (arrangement: Arrangement, note: string | null) => void,
) {
  const [client] = useState(() => new GroupingClient())
  const [busy, setBusy] = useState(false)
  const latest = useRef(present)
  useEffect(() => {
    latest.current = present
  }, [present])
  useEffect(() => () => client.stop(), [client])

  const draw = async (sizes: number[]) => {
    setBusy(true)
    const before = present
    const placed = before.groups
      .map(group => group.personIds.filter(id => !absent.has(id)))
      .filter(ids => ids.length > 0)
    const seed = crypto.getRandomValues(new Int32Array(1))[0] ?? 0
    try {
      const personIds = people.map(person => person.id)
      const reply = await client.draw({
        personIds,
        sizes,
        seed,
        previous: placed.length > 0 ? placed : undefined,
      })
      if (latest.current !== before) return
      const groups = reply.groups.map((ids, place) => ({
        id: before.groups[place]?.id ?? newGroupId(),
        name: before.groups[place]?.name ?? freeName(before, place),
        personIds: ids,
      }))
      const same = reply.differs === false
      onDrawn(
        { groups, unplacedIds: [...absent] },
        same ? 'There is no other way to group these people in these sizes.' : null,
      )
    } finally {
      setBusy(false)
    }
  }
  return { draw, busy }
}

function freeName(before: Arrangement, place: number): string {
  const taken = new Set(before.groups.map(group => group.name))
  for (let number = place + 1; ; number++) if (!taken.has(`Group ${number}`)) return `Group ${number}`
}
