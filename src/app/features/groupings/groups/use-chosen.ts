import { useCallback, useState } from 'react'
import type { Edit } from '~/core/grouping/edits'
import { toggled } from '../rounds/grouping-rounds'

/** Several people chosen, to be dragged, placed or swapped together. */
export function useChosen(act: (edit: Edit) => void) {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set())
  /** Whether a click on a name chooses it. */
  const [choosing, setChoosing] = useState(false)
  const choose = useCallback((id: string) => setChosen(before => toggled(before, id, !before.has(id))), [])
  const clear = useCallback(() => setChosen(new Set()), [])
  const place = (groupId: string | null) => {
    act({ type: 'move', personIds: [...chosen], groupId })
    clear()
  }
  const swap = () => {
    const [a, b] = [...chosen]
    if (a && b) act({ type: 'swap', personIds: [a, b] })
    clear()
  }
  return { chosen, choosing, setChoosing, choose, clear, place, swap }
}
