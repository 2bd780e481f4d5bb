import { type PairPast, pairKey } from '../history/pairs'
import type { Group } from './grouping'
import { judgeRules } from './judge'
import type { PersonToGroup } from './pose'
import type { Rule } from './rules'

/** What moving people into a group would change. */
export interface EffectOfMove {
  /** Rules kept now that would be broken, and rules broken now that would be kept. */
  breaks: Rule[]
  mends: Rule[]
  /** Those in the group whom the moved people have met before, with the last time. */
  meetsAgain: { personId: string; past: PairPast }[]
  /** The group they leave would have no trained lead any more. */
  leavesWithoutLead: boolean
}

/** Judges a move before it is made. O(rules x people). */
export function effectOfMove(
  groups: readonly Group[],
  personId: string,
  groupId: string,
  asked: {
    rules: readonly Rule[]
    people: ReadonlyMap<string, PersonToGroup>
    history: ReadonlyMap<string, PairPast>
  },
): EffectOfMove {
  const moved = groups.map(group => {
    const staying = group.personIds.filter(id => id !== personId)
    return { ...group, personIds: group.id === groupId ? [...staying, personId] : staying }
  })
  const brokenIds = (list: readonly Group[]) =>
    new Set(judgeRules(list, asked.rules, asked.people).broken.map(({ rule }) => rule.id))
  const [before, after] = [brokenIds(groups), brokenIds(moved)]
  const left = groups.find(group => group.personIds.includes(personId) && group.id !== groupId)
  const leads = (ids: readonly string[]) => ids.filter(id => asked.people.get(id)?.trainedToLead)
  const target = groups.find(group => group.id === groupId)
  return {
    breaks: asked.rules.filter(rule => after.has(rule.id) && !before.has(rule.id)),
    mends: asked.rules.filter(rule => before.has(rule.id) && !after.has(rule.id)),
    meetsAgain: (target?.personIds ?? []).flatMap(other => {
      const past = other === personId ? undefined : asked.history.get(pairKey(personId, other))
      return past ? [{ personId: other, past }] : []
    }),
    leavesWithoutLead:
      left !== undefined && leads(left.personIds).length === 1 && leads(left.personIds)[0] === personId,
  }
}
