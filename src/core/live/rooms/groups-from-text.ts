/** Groups as somebody pasted them: one a line, `Name: one, other` or only the names. */
import { plainName } from '../../people/shown-name'
import { LONGEST_ROOM_NAME, MOST_ROOMS } from './room'

export interface PastedGroups {
  groups: { name: string; participantIds: string[] }[]
  /** Names nobody here has, as they were pasted. */
  unknown: string[]
  /** Names of people who stand in two groups: they are in the first. */
  twice: string[]
}

/** Longest text that is looked at, in characters: 500 names with room to spare. */
export const LONGEST_PASTE = 50_000

/**
 * Reads pasted groups for those who are here, by the names they are shown or came in with. Lines with a link, or with nobody who is
 * here, make no group. O(characters + people).
 */
export function groupsFromText(
  text: string,
  people: readonly { id: string; shownName: string; typedName: string }[],
): PastedGroups {
  const idOf = new Map<string, string>()
  for (const { id, typedName } of people) idOf.set(plainName(typedName), id)
  for (const { id, shownName } of people) idOf.set(plainName(shownName), id)
  const found: PastedGroups = { groups: [], unknown: [], twice: [] }
  const taken = new Set<string>()
  const lines = text.slice(0, LONGEST_PASTE).split(/\r?\n/)
  for (const line of lines) {
    if (found.groups.length >= MOST_ROOMS) break
    if (line.trim() === '' || /^\s*https?:\/\//i.test(line)) continue
    const colon = line.indexOf(':')
    const called = line.slice(0, Math.max(0, colon)).trim().slice(0, LONGEST_ROOM_NAME)
    const names = line
      .slice(colon + 1)
      .split(/[,;\t]/)
      .map(name => name.trim())
      .filter(name => name !== '')
    const participantIds: string[] = []
    for (const name of names) {
      const id = idOf.get(plainName(name))
      if (id === undefined) found.unknown.push(name)
      else if (taken.has(id)) found.twice.push(name)
      else {
        taken.add(id)
        participantIds.push(id)
      }
    }
    if (participantIds.length === 0) continue
    found.groups.push({ name: freeName(called, found.groups), participantIds })
  }
  return found
}

/** The name somebody gave, or a number; never one there is. */
function freeName(called: string, groups: PastedGroups['groups']): string {
  const isTaken = (name: string) => groups.some(group => group.name.toLowerCase() === name.toLowerCase())
  if (called !== '' && !isTaken(called)) return called
  for (let number = groups.length + 1; ; number++) {
    const name = called === '' ? `Group ${number}` : `${called.slice(0, LONGEST_ROOM_NAME - 5)} ${number}`
    if (!isTaken(name)) return name
  }
}
