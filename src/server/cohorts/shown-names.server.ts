import { createHash } from 'node:crypto'
import { LRUCache } from 'lru-cache'
import { type NamedPerson, shownNames } from '~/core/people/shown-name'
import { onWorkThread } from '../work/work-thread.server'

/** So many names are worked out at once without holding anybody up. */
const FEW = 300
/** So many long lists are remembered. */
const MOST_LISTS = 20

/** Names by what they were worked out from. */
const known = new LRUCache<string, Map<string, string>>({ max: MOST_LISTS })

/** What each of these people is called by others. Long lists are worked out on the work thread, and once. */
export async function shownNamesOf(people: readonly NamedPerson[]): Promise<ReadonlyMap<string, string>> {
  if (people.length <= FEW) return shownNames(people)
  const key = keyOf(people)
  const names =
    known.get(key) ??
    (await onWorkThread(
      'names',
      people.map(({ id, firstName, familyName, shownAs }) => ({ id, firstName, familyName, shownAs })),
    ))
  known.set(key, names)
  return names
}

function keyOf(people: readonly NamedPerson[]): string {
  const hash = createHash('sha256')
  for (const { id, firstName, familyName, shownAs } of people)
    hash.update(`${id}\0${firstName}\0${familyName}\0${shownAs}\n`)
  return hash.digest('base64')
}
