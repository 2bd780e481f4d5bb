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

/** The rounds on the other side of a step, and the settings there where the step changed those too. */
export interface Step<Settings> {
  rounds: RoundList
  settings?: Settings
}

/**
 * The rounds with every step that led to them: undo and redo reach as far as the steps do. Beside them stands what they
 * are made by (`Settings`: aims, rules and so on), which is no step of its own: undoing a move never sets an aim back.
 */
export interface EditHistory<Settings = null> {
  past: Step<Settings>[]
  present: RoundList
  settings: Settings
  future: Step<Settings>[]
  /** What better answers took the place of since the last step. */
  improved: RoundList[]
}

export type HistoryAction<Settings = null> =
  /**
   * An edit of a round, the first when none is said; groups are renamed wherever they appear. `seen` are the rounds it was
   * made on: a better answer that came in too late to be seen gives way to it.
   */
  | (Edit & { round?: number; seen?: RoundList })
  | { type: 'replace'; rounds: RoundList }
  /** Another version as a whole, with what it was made by. */
  | { type: 'take'; rounds: RoundList; settings: Settings }
  | { type: 'set'; settings: (before: Settings) => Settings }
  | { type: 'undo' }
  | { type: 'redo' }
  /** A better answer of the search that gave `from`: no step of its own, and dropped when anything was done since. */
  | { type: 'improve'; from: RoundList; rounds: RoundList }

export const startHistory = <Settings>(present: RoundList, settings: Settings): EditHistory<Settings> => ({
  past: [],
  present,
  settings,
  future: [],
  improved: [],
})

/** Applies one action. An edit that changes nothing adds no step, so undo is never a key press without effect. */
export function editHistory<Settings>(
  history: EditHistory<Settings>,
  action: HistoryAction<Settings>,
): EditHistory<Settings> {
  const { past, present, future, improved } = history
  switch (action.type) {
    case 'undo': {
      const step = past.at(-1)
      if (!step) return history
      return { ...across(history, step), past: past.slice(0, -1), future: [back(history, step), ...future] }
    }
    case 'redo': {
      const [step, ...rest] = future
      if (!step) return history
      return { ...across(history, step), past: [...past, back(history, step)], future: rest }
    }
    case 'improve':
      return present === action.from
        ? { ...history, present: action.rounds, improved: [...improved, present] }
        : history
    case 'set':
      return { ...history, settings: action.settings(history.settings) }
    case 'take':
      return {
        past: [...past, { rounds: present, settings: history.settings }],
        present: action.rounds,
        settings: action.settings,
        future: [],
        improved: [],
      }
    default: {
      const before =
        action.type !== 'replace' && action.seen && improved.includes(action.seen) ? action.seen : present
      const after = action.type === 'replace' ? action.rounds : editRounds(before, action)
      if (after === before) return history
      return { ...history, past: [...past, { rounds: before }], present: after, future: [], improved: [] }
    }
  }
}

/** What stands there once the step is taken. */
const across = <Settings>({ settings }: EditHistory<Settings>, step: Step<Settings>) => ({
  present: step.rounds,
  settings: step.settings ?? settings,
  improved: [],
})

/** The step that leads back. */
const back = <Settings>(
  { present, settings }: EditHistory<Settings>,
  step: Step<Settings>,
): Step<Settings> => (step.settings === undefined ? { rounds: present } : { rounds: present, settings })

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
  const same = groups.every((group, index) => group.name === arrangement.groups[index]?.name)
  return same ? arrangement : { ...arrangement, groups }
}
