import type { Arrangement, Group } from './grouping'

/** The rounds of a grouping, one after the other; most have one. At least one. */
export type RoundList = readonly Arrangement[]

/** A change made by hand to one round. `groupId: null` means the people who are in no group yet. */
export type Edit =
  | { type: 'move'; personIds: string[]; groupId: string | null }
  | { type: 'swap'; personIds: [string, string] }
  | { type: 'rename'; groupId: string; name: string }
  | { type: 'add-group'; group: Group }
  | { type: 'remove-group'; groupId: string }

/** The rounds with every step that led to them: undo and redo reach as far as the steps do. */
export interface EditHistory {
  past: RoundList[]
  present: RoundList
  future: RoundList[]
}

export type HistoryAction =
  /** An edit of a round, the first when none is said; groups are renamed wherever they appear. */
  | (Edit & { round?: number })
  | { type: 'replace'; rounds: RoundList }
  | { type: 'undo' }
  | { type: 'redo' }
  /** A better answer of the search that gave `from`: no step of its own, and dropped when anything was done since. */
  | { type: 'improve'; from: RoundList; rounds: RoundList }

export const startHistory = (present: RoundList): EditHistory => ({ past: [], present, future: [] })

/** Applies one action. An edit that changes nothing adds no step, so undo is never a key press without effect. */
export function editHistory(history: EditHistory, action: HistoryAction): EditHistory {
  if (action.type === 'undo') {
    const present = history.past.at(-1)
    if (!present) return history
    return { past: history.past.slice(0, -1), present, future: [history.present, ...history.future] }
  }
  if (action.type === 'redo') {
    const [present, ...future] = history.future
    if (!present) return history
    return { past: [...history.past, history.present], present, future }
  }
  if (action.type === 'improve') {
    return history.present === action.from ? { ...history, present: action.rounds } : history
  }
  const present = action.type === 'replace' ? action.rounds : editRounds(history.present, action)
  if (present === history.present) return history
  return { past: [...history.past, history.present], present, future: [] }
}

/** The same object when nothing changes. */
function editRounds(rounds: RoundList, action: Edit & { round?: number }): RoundList {
  const next = rounds.map((arrangement, round) =>
    action.type === 'rename' || round === (action.round ?? 0) ? applyEdit(arrangement, action) : arrangement,
  )
  return next.every((arrangement, round) => arrangement === rounds[round]) ? rounds : next
}

/** Returns the changed arrangement, or the same object when the edit changes nothing. */
export function applyEdit(arrangement: Arrangement, edit: Edit): Arrangement {
  switch (edit.type) {
    case 'move':
      return movePeople(arrangement, edit.personIds, edit.groupId)
    case 'swap':
      return swapPeople(arrangement, ...edit.personIds)
    case 'rename':
      return changeGroup(arrangement, edit.groupId, group => ({ ...group, name: edit.name }))
    case 'add-group':
      return { ...arrangement, groups: [...arrangement.groups, edit.group] }
    case 'remove-group':
      return removeGroup(arrangement, edit.groupId)
  }
}

function movePeople(arrangement: Arrangement, personIds: string[], groupId: string | null): Arrangement {
  const moving = new Set(personIds)
  const placeOf = new Map<string, string | null>(arrangement.unplacedIds.map(id => [id, null]))
  for (const group of arrangement.groups) for (const id of group.personIds) placeOf.set(id, group.id)
  const movers = personIds.filter(id => placeOf.has(id) && placeOf.get(id) !== groupId)
  if (movers.length === 0) return arrangement
  if (groupId !== null && !arrangement.groups.some(group => group.id === groupId)) return arrangement
  const staying = (ids: string[]) => ids.filter(id => !moving.has(id) || !movers.includes(id))
  return {
    groups: arrangement.groups.map(group => ({
      ...group,
      personIds: [...staying(group.personIds), ...(group.id === groupId ? movers : [])],
    })),
    unplacedIds: [...staying(arrangement.unplacedIds), ...(groupId === null ? movers : [])],
  }
}

/** Two take each other's place, also their place in the list. */
function swapPeople(arrangement: Arrangement, a: string, b: string): Arrangement {
  const placed = (id: string) =>
    arrangement.groups.find(group => group.personIds.includes(id))?.id ??
    (arrangement.unplacedIds.includes(id) ? null : undefined)
  const [inA, inB] = [placed(a), placed(b)]
  if (inA === undefined || inB === undefined || inA === inB) return arrangement
  const other = (id: string) => (id === a ? b : id === b ? a : id)
  return {
    groups: arrangement.groups.map(group => ({ ...group, personIds: group.personIds.map(other) })),
    unplacedIds: arrangement.unplacedIds.map(other),
  }
}

function removeGroup(arrangement: Arrangement, groupId: string): Arrangement {
  const removed = arrangement.groups.find(group => group.id === groupId)
  if (!removed) return arrangement
  return {
    groups: arrangement.groups.filter(group => group.id !== groupId),
    unplacedIds: [...arrangement.unplacedIds, ...removed.personIds],
  }
}

function changeGroup(
  arrangement: Arrangement,
  groupId: string,
  change: (group: Group) => Group,
): Arrangement {
  const groups = arrangement.groups.map(group => (group.id === groupId ? change(group) : group))
  const same = groups.every((group, place) => group.name === arrangement.groups[place]?.name)
  return same ? arrangement : { ...arrangement, groups }
}
