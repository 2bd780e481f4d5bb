import { useCallback, useLayoutEffect, useMemo, useReducer, useRef, useState } from 'react'
import type { GroupingVersion } from '~/contracts/grouping'
import { type Edit, type EditHistory, editHistory, startHistory } from '~/core/grouping/edits'
import { effectOfMove } from '~/core/grouping/effect'
import type { Group } from '~/core/grouping/grouping'
import { judgeRules, meetAgain } from '~/core/grouping/judge'
import type { GroupingQuestion } from '~/core/grouping/pose'
import { NO_ROTATION, type Rotation } from '~/core/grouping/rotation'
import type { Aim } from '~/core/grouping/rules'
import { evenSizes, sizesAround } from '~/core/grouping/sizes'
import { pairHistory } from '~/core/history/pairs'
import type { MoveEffect } from '../groups/arranger'
import type { GroupedCohort, KeptGrouping, PastSession, RolesHeld } from '../groups/grouped-person'
import { useChosen } from '../groups/use-chosen'
import {
  contentRounds,
  emptyRounds,
  type GroupingSettings,
  roundsFrom,
  settingsFrom,
  toggled,
} from '../rounds/grouping-rounds'
import { groupNames, useJudged, useSearch } from '../search/use-search'
import { ruleText, shortDayText } from '../settings/rule-text'
import { usePool, useStable } from '../settings/use-pool'
import type { GroupingDraft } from './grouping-draft'
import { useDraft } from './use-draft'

/** What a new grouping begins with when it is made like one of another cohort: all but the people. */
export interface LikeAnother {
  groupNames: string[]
  rounds: number
  aims: Aim[]
  rotation: Rotation
}

export interface GroupingPageProps {
  cohort: GroupedCohort
  past: PastSession[]
  rolesHeld: RolesHeld
  kept: KeptGrouping | null
  like: LikeAnother | null
  /** What people chose, to begin with. */
  chosen?: Group[] | null
  /** Other cohorts, to make the like for. */
  others: { id: string; name: string }[]
}

/** All that the page of a grouping knows and can do: the rounds with their history, what is asked of them, the search. */
export function useGrouping(props: GroupingPageProps) {
  const { cohort, past, kept } = props
  const people = useMemo(() => new Map(cohort.people.map(person => [person.id, person])), [cohort.people])
  const pairs = useMemo(() => pairHistory(past), [past])
  const [history, dispatch] = useReducer(editHistory<GroupingSettings>, props, firstHistory)
  const { aims, offIds, held, roles, rotation } = history.settings
  const set = useCallback(
    (change: (before: GroupingSettings) => Partial<GroupingSettings>) =>
      dispatch({ type: 'set', settings: before => ({ ...before, ...change(before) }) }),
    [],
  )
  const [wantedRound, setRound] = useState(0)
  const rounds = history.present
  const round = Math.min(wantedRound, rounds.length - 1)
  const present = rounds[round] ?? { groups: [], unplacedIds: [] }
  const { pool, absent, whom } = usePool(cohort)
  const search = useSearch(rounds, dispatch)
  const rules = useMemo(() => cohort.rules.filter(rule => !offIds.has(rule.id)), [cohort.rules, offIds])
  const name = useCallback((id: string) => people.get(id)?.shownName ?? 'somebody who left', [people])
  const seen = useRef(rounds)
  useLayoutEffect(() => {
    seen.current = rounds
  }, [rounds])
  const act = useCallback((edit: Edit) => dispatch({ ...edit, round, seen: seen.current }), [round])

  const questionFor = (groups: { name: string; size: number }[]): GroupingQuestion => ({
    people: pool,
    groups,
    rules,
    aims,
    columns: cohort.columns,
    history: pairs,
    now: new Map(present.groups.flatMap((group, place) => group.personIds.map(id => [id, place] as const))),
    held,
  })
  const make = (sizes: number[], count: number) => {
    const names = groupNames(present, sizes.length)
    // Roles belong to the groups they were given in.
    set(() => ({ roles: [] }))
    // Who is held stays where they are, also where that makes a group larger than was planned.
    const heldIn = names.map(
      (_, place) =>
        present.groups[place]?.personIds.filter(id => held.has(id) && !absent.has(id)).length ?? 0,
    )
    const around = sizesAround(sizes, heldIn)
    const groups = around.map((size, place) => ({ name: names[place] ?? '', size }))
    const what = count === 1 ? { kind: 'groups' as const } : { kind: 'rounds' as const, rounds: count }
    search.search(what, questionFor(groups), [...absent])
  }
  const repair = () => {
    const here = present.groups.map(group => group.personIds.filter(id => !absent.has(id)).length)
    const even = evenSizes(pool.length, present.groups.length)
    // Sizes that were made by hand stay as they are when nobody has come or gone.
    const sizes = here.reduce((sum, size) => sum + size, 0) === pool.length && !here.includes(1) ? here : even
    const groups = present.groups.map((group, place) => ({ name: group.name, size: sizes[place] ?? 0 }))
    search.search({ kind: 'repair', round }, questionFor(groups), [...absent])
  }
  const asItIs = present.groups.map(group => ({ name: group.name, size: group.personIds.length }))
  const made = present.groups.some(group => group.personIds.length > 0)
  const judged = useJudged(
    aims.length > 0 && made ? questionFor(asItIs) : null,
    present.groups.map(group => group.personIds),
  )
  const judgedRules = judgeRules(present.groups, rules, people)
  const effect: MoveEffect = useCallback(
    (personId, groupId) => {
      const found = effectOfMove(present.groups, personId, groupId, { rules, people, history: pairs })
      return [
        ...found.breaks.map(rule => `breaks: ${ruleText(rule, name)}`),
        ...found.mends.map(rule => `mends: ${ruleText(rule, name)}`),
        ...found.meetsAgain.map(
          ({ personId: other, past: { lastDay } }) => `${name(other)} again, ${shortDayText(lastDay)}`,
        ),
        ...(found.leavesWithoutLead ? ['their group loses its lead'] : []),
      ]
    },
    [present.groups, rules, people, pairs, name],
  )
  const hold = useCallback(
    (personIds: string[], on: boolean) =>
      set(before => ({ held: personIds.reduce((ids, id) => toggled(ids, id, on), before.held) })),
    [set],
  )
  const choice = useChosen(act)
  const together = (a: string, b: string) =>
    rules.some(rule => rule.kind === 'together' && rule.personIds.includes(a) && rule.personIds.includes(b))
  const brokenIds = useStable(new Set(judgedRules.broken.map(({ rule }) => rule.id)))
  const names = useStable(present.groups.map(group => group.name))
  const switchRule = useCallback(
    (id: string, on: boolean) => set(before => ({ offIds: toggled(before.offIds, id, !on) })),
    [set],
  )
  const take = ({ content }: GroupingVersion) =>
    dispatch({
      type: 'take',
      rounds: roundsFrom(cohort.people, content),
      settings: settingsFrom(cohort.people, content),
    })
  const content = contentOf(history)
  const opened = useMemo(() => contentOf(firstHistory(props)), [props])
  const draft = useDraft({
    cohortId: cohort.id,
    groupingId: kept?.id ?? null,
    version: kept?.version ?? null,
    content,
    changed: JSON.stringify(content) !== JSON.stringify(opened),
    begun: Boolean(props.chosen || props.like),
    onTake: ({ content: left }) =>
      dispatch({
        type: 'take',
        rounds: roundsFrom(cohort.people, left),
        settings: settingsFrom(cohort.people, { name: '', ...left }),
      }),
  })
  const dropDraft = () => {
    draft.drop()
    const { present: rounds, settings } = firstHistory(props)
    dispatch({ type: 'take', rounds, settings })
  }
  const title = kept ? kept.name : 'Make groups'
  const shownRoles: Record<string, string> = roles[round] ?? NO_ROLES
  return {
    ...props,
    people,
    name,
    rounds,
    round,
    setRound,
    present,
    made,
    pool,
    absent,
    whom,
    search,
    make,
    repair,
    history,
    dispatch,
    act,
    choice,
    rules,
    offIds,
    switchRule,
    brokenIds,
    judgedRules,
    judged,
    together,
    again: meetAgain(present.groups, pairs),
    aims,
    held,
    hold,
    roles,
    shownRoles,
    rotation,
    set,
    names,
    effect,
    take,
    content,
    draft,
    dropDraft,
    title,
  }
}

export type GroupingState = ReturnType<typeof useGrouping>

/** All that is kept of a grouping but its name. */
function contentOf({ present, settings }: EditHistory<GroupingSettings>): GroupingDraft['content'] {
  const { aims, offIds, held, roles, rotation } = settings
  const [groups = [], ...laterRounds] = contentRounds(present)
  return {
    groups,
    laterRounds,
    aims,
    offRuleIds: [...offIds],
    heldIds: [...held],
    roles: [...roles],
    rotation,
  }
}

/** Who meets again counts from the first session on: then new groups aim at fresh pairs unless it is switched off. */
const usualAims = (past: readonly PastSession[]): Aim[] =>
  past.length > 0 ? [{ kind: 'fresh', strength: 2 }] : []

function firstHistory({
  cohort,
  kept,
  like,
  chosen,
  past,
}: GroupingPageProps): EditHistory<GroupingSettings> {
  const { people } = cohort
  if (kept) return startHistory(roundsFrom(people, kept), settingsFrom(people, kept))
  const rounds = chosen
    ? roundsFrom(people, { groups: chosen, laterRounds: [] })
    : emptyRounds(people, like?.groupNames ?? [])
  const { aims = usualAims(past), rotation = NO_ROTATION } = like ?? {}
  return startHistory(rounds, { aims, offIds: new Set(), held: new Set(), roles: [], rotation })
}

const NO_ROLES = {}
