import { useEffect, useState } from 'react'
import { createPortal, flushSync } from 'react-dom'
import type { RoundList } from '~/core/grouping/edits'
import type { Rotation } from '~/core/grouping/rotation'
import { RotationTable } from '../rounds/rotation-table'

interface PrintSheetProps {
  title: string
  rounds: RoundList
  name: (personId: string) => string
  /** By person id, for each round. */
  roles: Record<string, string>[]
  rotation: Rotation
}

/** The groups for the wall: on paper, where nothing else is seen (see the theme's print rules). */
export function PrintSheet({ title, rounds, name, roles, rotation }: PrintSheetProps) {
  // Only while printing: on the screen hundreds of hidden names would change with every better answer.
  if (!usePrinting()) return null
  return createPortal(
    <div className="print-sheet">
      {rounds.map(({ groups }, round) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: rounds have nothing but their number.
        <section key={round}>
          <h2>
            {title}
            {rounds.length > 1 && `, round ${round + 1}`}
          </h2>
          <div className="print-groups">
            {groups.map(group => (
              <article key={group.id}>
                <h3>{group.name}</h3>
                <ul>
                  {group.personIds.map(id => (
                    <li key={id}>
                      {name(id)}
                      {roles[round]?.[id] && ` (${roles[round][id]})`}
                    </li>
                  ))}
                </ul>
              </article>
            ))}
          </div>
        </section>
      ))}
      {rotation.stations.length > 0 && (
        <section>
          <h2>{title}, teams at stations</h2>
          <RotationTable groups={rounds[0]?.groups ?? []} rotation={rotation} />
        </section>
      )}
    </div>,
    document.body,
  )
}

/** Whether the page is being printed; drawn before the printer sees it. */
function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false)
  useEffect(() => {
    const paper = window.matchMedia('print')
    const change = () => setPrinting(paper.matches)
    const begin = () => flushSync(() => setPrinting(true))
    const end = () => setPrinting(false)
    change()
    paper.addEventListener('change', change)
    window.addEventListener('beforeprint', begin)
    window.addEventListener('afterprint', end)
    return () => {
      paper.removeEventListener('change', change)
      window.removeEventListener('beforeprint', begin)
      window.removeEventListener('afterprint', end)
    }
  }, [])
  return printing
}
