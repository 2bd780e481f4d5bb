import type { Arrangement, Group } from './grouping'

/** A change made by hand. `groupId: null` means the people who are in no group yet. */
export type Edit =
  | { type: 'replace'; arrangement: Arrangement }
  | { type: 'move'; personIds: string[]; groupId: string | null }
  | { type: 'rename'; groupId: string; name: string }
  | { type: 'add-group'; group: Group }
  | { type: 'remove-group'; groupId: string }

/** An arrangement with every step that led to it: undo and redo reach as far as the steps do. */
export interface EditHistory {
  past: Arrangement[]
  present: Arrangement
  future: Arrangement[]
}

export type HistoryAction =
  | Edit
  | { type: 'undo' }
  | { type: 'redo' }
  /** A better answer of the search that gave `from`: no step of its own, and dropped when anything was done since. */
  | { type: 'improve'; from: Arrangement; arrangement: Arrangement }

export const startHistory = (present: Arrangement): EditHistory => ({ past: [], present, future: [] })

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
    return history.present === action.from ? { ...history, present: action.arrangement } : history
  }
  const present = applyEdit(history.present, action)
  if (present === history.present) return history
  return { past: [...history.past, history.present], present, future: [] }
}

/** Returns the changed arrangement, or the same object when the edit changes nothing. */
export function applyEdit(arrangement: Arrangement, edit: Edit): Arrangement {
  switch (edit.type) {
    case 'replace':
      return edit.arrangement
    case 'move':
      return movePeople(arrangement, edit.personIds, edit.groupId)
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
