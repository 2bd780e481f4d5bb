import { plainName } from '../people/shown-name'
import type { Group } from './grouping'

/** Somebody who stands elsewhere than before; null is no group. */
export interface Change {
  personId: string
  from: string | null
  to: string | null
}

/**
 * Who stands elsewhere in `after` than in `before`. A group is the same when it has the same id, or, where ids differ, a
 * name that reads the same. O(people + groups).
 */
export function changesBetween(before: readonly Group[], after: readonly Group[]): Change[] {
  const counterpart = (group: Group): string =>
    (
      after.find(({ id }) => id === group.id) ??
      after.find(({ name }) => plainName(name) === plainName(group.name))
    )?.id ?? group.id
  const was = new Map(
    before.flatMap(group =>
      group.personIds.map(id => [id, { id: counterpart(group), name: group.name }] as const),
    ),
  )
  const is = new Map(after.flatMap(group => group.personIds.map(id => [id, group] as const)))
  return [...new Set([...was.keys(), ...is.keys()])].flatMap(personId => {
    const [from, to] = [was.get(personId), is.get(personId)]
    return from?.id === to?.id ? [] : [{ personId, from: from?.name ?? null, to: to?.name ?? null }]
  })
}
