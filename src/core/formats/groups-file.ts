import { fullName, plainName } from '../people/shown-name'
import { readCsv, writeCsv } from './csv'

/** Somebody who can be found by name in a list of groups. */
export interface NamedInList {
  id: string
  firstName: string
  familyName: string
  shownName: string
}

/** A row that could not be used, by its number in the file, and why. */
export interface GroupsFileFault {
  row: number
  text: string
  reason: 'unknown-name' | 'several-of-that-name' | 'no-group' | 'no-name' | 'twice' | 'round'
}

export interface GroupsFile {
  /** Rounds x groups; groups in the order in which they first appear. */
  rounds: { name: string; personIds: string[] }[][]
  faults: GroupsFileFault[]
}

const GROUP_HEADERS = ['group', 'room', 'team']
const NAME_HEADERS = ['name', 'person', 'participant', 'student']
const ROUND_HEADERS = ['round']

/**
 * Reads a list of groups, one person a row: `group,name`, with a column `round` where there are several. Without a header
 * the first column is the group and the second the name. Names are whole names or shown ones; case and accents do not
 * count. What can't be used is left out and named. Separators as in any list (see `readCsv`).
 */
export function readGroups(text: string, people: readonly NamedInList[]): GroupsFile {
  const { rows, numbers } = readCsv(text)
  const head = rows[0]?.map(plainName) ?? []
  const headerAt = (names: readonly string[]) => head.findIndex(cell => names.includes(cell))
  const headed = headerAt(NAME_HEADERS) >= 0 && headerAt(GROUP_HEADERS) >= 0
  const places = headed
    ? { group: headerAt(GROUP_HEADERS), name: headerAt(NAME_HEADERS), round: headerAt(ROUND_HEADERS) }
    : { group: 0, name: 1, round: -1 }
  const found = namesOf(people)
  const file: GroupsFile = { rounds: [], faults: [] }
  const taken = new Set<string>()
  for (const [at, cells] of rows.entries()) {
    if (headed && at === 0) continue
    const cell = (index: number) => unescaped(cells[index] ?? '').trim()
    const fault = (reason: GroupsFileFault['reason']) =>
      void file.faults.push({ row: numbers[at] ?? at + 1, text: cells.join(', '), reason })
    const round = places.round < 0 ? 1 : Number(cell(places.round))
    const ids = found.get(plainName(cell(places.name))) ?? []
    const [id] = ids
    if (!Number.isInteger(round) || round < 1 || round > MOST_FILE_ROUNDS) fault('round')
    else if (cell(places.name) === '') fault('no-name')
    else if (cell(places.group) === '') fault('no-group')
    else if (!id) fault('unknown-name')
    else if (ids.length > 1) fault('several-of-that-name')
    else if (taken.has(`${round} ${id}`)) fault('twice')
    else {
      taken.add(`${round} ${id}`)
      while (file.rounds.length < round) file.rounds.push([])
      const groups = file.rounds[round - 1] ?? []
      const group = groups.find(({ name }) => plainName(name) === plainName(cell(places.group)))
      if (group) group.personIds.push(id)
      else groups.push({ name: cell(places.group).slice(0, 60), personIds: [id] })
    }
  }
  return file
}

const MOST_FILE_ROUNDS = 40

/** Without the apostrophe that keeps a spreadsheet from running a cell as a formula. */
const unescaped = (cell: string) => cell.replace(/^'(?=[=+\-@])/, '')

/** Everybody by each name they may be written with; shown names win over whole names of others. */
function namesOf(people: readonly NamedInList[]): Map<string, string[]> {
  const names = new Map<string, string[]>()
  const add = (name: string, id: string) => {
    const ids = names.get(plainName(name)) ?? []
    if (!ids.includes(id)) names.set(plainName(name), [...ids, id])
  }
  for (const person of people) add(fullName(person), person.id)
  for (const person of people) {
    const shown = plainName(person.shownName)
    if (names.get(shown)?.length !== 1) names.delete(shown)
    add(person.shownName, person.id)
    add(person.shownName.replace(/\.$/, ''), person.id)
  }
  return names
}

/** Groups as such a list: what is read gives the same groups again. People by whole name, or shown name where two share it. */
export function writeGroups(
  rounds: readonly (readonly { name: string; personIds: readonly string[] }[])[],
  people: ReadonlyMap<string, NamedInList>,
): string {
  const times = new Map<string, number>()
  for (const person of people.values()) {
    const name = plainName(fullName(person))
    times.set(name, (times.get(name) ?? 0) + 1)
  }
  const nameOf = (id: string): string => {
    const person = people.get(id)
    if (!person) return ''
    return times.get(plainName(fullName(person))) === 1 ? fullName(person) : person.shownName
  }
  const several = rounds.length > 1
  const rows = rounds.flatMap((groups, round) =>
    groups.flatMap(({ name, personIds }) =>
      personIds.flatMap(id =>
        people.has(id) ? [[...(several ? [String(round + 1)] : []), name, nameOf(id)]] : [],
      ),
    ),
  )
  return writeCsv([[...(several ? ['round'] : []), 'group', 'name'], ...rows])
}
