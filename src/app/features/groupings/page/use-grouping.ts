import { useCallback, useLayoutEffect, useMemo, useReducer, useRef, useState } from 'react'
import type { GroupingVersion } from '~/contracts/grouping'
import { type Edit, editHistory } from '~/core/grouping/edits'
import { judgeRules, meetAgain } from '~/core/grouping/judge'
import { pairHistory } from '~/core/history/pairs'
import { useChosen } from '../groups/use-chosen'
import { type GroupingSettings, roundsFrom, settingsFrom, toggled } from '../rounds/grouping-rounds'
import { useJudged } from '../search/use-judged'
import { useSearch } from '../search/use-search'
import { usePool, useStable } from '../settings/use-pool'
import { contentOf, firstHistory, type GroupingPageProps } from './grouping-history'
import { useDraft } from './use-draft'
import { useMaking } from './use-making'
import { useMoveEffect } from './use-move-effect'

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

  const { questionFor, make, repair } = useMaking({
    present,
    round,
    search,
    pool,
    absent,
    held,
    asked: { rules, aims, columns: cohort.columns, history: pairs },
    // Roles belong to the groups they were given in.
    onMake: () => set(() => ({ roles: [] })),
  })
  const asItIs = present.groups.map(group => ({ name: group.name, size: group.personIds.length }))
  const made = present.groups.some(group => group.personIds.length > 0)
  const judged = useJudged(
    aims.length > 0 && made ? questionFor(asItIs) : null,
    present.groups.map(group => group.personIds),
  )
  const judgedRules = judgeRules(present.groups, rules, people)
  const effect = useMoveEffect(present, { rules, people, history: pairs }, name)
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
  /** The version that what is here goes on from: not what others have saved since, which the page may have heard of. */
  const [base, setBase] = useState(kept?.version ?? null)
  const draft = useDraft({
    cohortId: cohort.id,
    groupingId: kept?.id ?? null,
    version: base,
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
    base,
    setBase,
    content,
    draft,
    dropDraft,
    title,
  }
}

export type GroupingState = ReturnType<typeof useGrouping>

const NO_ROLES = {}
