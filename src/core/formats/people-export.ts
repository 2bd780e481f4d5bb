import type { Column } from '../people/columns'
import type { ImportedPerson } from './people-import'

/** Headers of a list as it is exported, and of the template for one: the importer knows all of them. */
export const LIST_HEADERS = ['First name', 'Family name', 'Shown as', 'Email', 'Trained to lead']

/** A cohort's list as a table, header first: what is imported from it gives the same people. O(people x columns). */
export function peopleTable(people: readonly ImportedPerson[], columns: readonly Column[]): string[][] {
  return [
    [...LIST_HEADERS, ...columns.map(column => column.name)],
    ...people.map(person => [
      person.firstName,
      person.familyName,
      person.shownAs,
      person.email,
      person.trainedToLead ? 'yes' : 'no',
      ...columns.map(column => person.columns[column.name] ?? ''),
    ]),
  ]
}
