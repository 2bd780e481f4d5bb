import { chakra } from '@chakra-ui/react'
import type { RoundList } from '~/core/grouping/edits'

interface PrintSheetProps {
  title: string
  rounds: RoundList
  name: (personId: string) => string
  roleOf: (personId: string) => string
}

/** The groups for the wall: seen only on paper, where nothing else is (see the theme's print rules). */
export function PrintSheet({ title, rounds, name, roleOf }: PrintSheetProps) {
  return (
    <div className="print-sheet" aria-hidden="true">
      {rounds.map(({ groups }, round) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: rounds have nothing but their number.
        <section key={round}>
          <h2>
            {title}
            {rounds.length > 1 && `, round ${round + 1}`}
          </h2>
          <chakra.div className="print-groups">
            {groups.map(group => (
              <article key={group.id}>
                <h3>{group.name}</h3>
                <ul>
                  {group.personIds.map(id => (
                    <li key={id}>
                      {name(id)}
                      {round === 0 && roleOf(id) && ` (${roleOf(id)})`}
                    </li>
                  ))}
                </ul>
              </article>
            ))}
          </chakra.div>
        </section>
      ))}
    </div>
  )
}
