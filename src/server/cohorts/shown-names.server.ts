import { createHash } from 'node:crypto'
import { type NamedPerson, shownNames } from '~/core/people/shown-name'
import { onWorkThread } from '../work/work-thread.server'

/** So many names are worked out at once without holding anybody up. */
const FEW = 300
/** So many long lists are remembered. */
const MOST_LISTS = 20

/** Names by what they were worked out from; the list asked for last stands last. */
const known = new Map<string, Map<string, string>>()

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
  known.delete(key)
  known.set(key, names)
  const oldest = known.keys().next().value
  if (known.size > MOST_LISTS && oldest !== undefined) known.delete(oldest)
  return names
}

function keyOf(people: readonly NamedPerson[]): string {
  const hash = createHash('sha256')
  for (const { id, firstName, familyName, shownAs } of people)
    hash.update(`${id}\0${firstName}\0${familyName}\0${shownAs}\n`)
  return hash.digest('base64')
}
