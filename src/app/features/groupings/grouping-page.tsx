import { Box, chakra, Flex, Grid, Stack } from '@chakra-ui/react'
import { Redo2, Undo2 } from 'lucide-react'
import { useCallback, useMemo, useReducer, useState } from 'react'
import { Link } from 'react-router'
import { editHistory, type HistoryAction, startHistory } from '~/core/grouping/edits'
import { effectOfMove } from '~/core/grouping/effect'
import type { Arrangement, Group } from '~/core/grouping/grouping'
import { pairHistory } from '~/core/grouping/history'
import { balances, judgeRules, meetAgain } from '~/core/grouping/judge'
import type { GroupingQuestion } from '~/core/grouping/pose'
import type { Aim } from '~/core/grouping/rules'
import { presentOn } from '~/core/people/presence'
import { Button } from '../../ui/button'
import { Choice } from '../../ui/fields'
import { Message, PageHead, Section } from '../../ui/layout'
import { useToday } from '../../ui/use-today'
import { AimsPanel } from './aims-panel'
import { Arranger, type MoveEffect } from './arranger'
import type { GroupedCohort, GroupedPerson, KeptGrouping, PastSession } from './grouped-person'
import { ResultPanel } from './result-panel'
import { listed, ruleText, shortDayText } from './rule-text'
import { RulesPanel } from './rules-panel'
import { SaveGrouping } from './save-grouping'
import { SizePicker } from './size-picker'
import { groupNames, useJudged, useSearch } from './use-search'

interface GroupingPageProps {
  cohort: GroupedCohort
  past: PastSession[]
  kept: KeptGrouping | null
}

export function GroupingPage({ cohort, past, kept }: GroupingPageProps) {
  const people = useMemo(() => new Map(cohort.people.map(person => [person.id, person])), [cohort.people])
  const pairs = useMemo(() => pairHistory(past), [past])
  const [history, dispatch] = useReducer(editHistory, null, () =>
    startHistory(startFrom(cohort.people, kept?.groups ?? [])),
  )
  const [aims, setAims] = useState<Aim[]>(kept?.aims ?? [])
  const [offIds, setOffIds] = useState<ReadonlySet<string>>(new Set(kept?.offRuleIds))
  const [held, setHeld] = useState<ReadonlySet<string>>(new Set(kept?.heldIds))
  const { present } = history
  const { pool, absent, whom } = usePool(cohort)
  const search = useSearch(present, dispatch)
  const rules = useMemo(() => cohort.rules.filter(rule => !offIds.has(rule.id)), [cohort.rules, offIds])
  const name = useCallback((id: string) => people.get(id)?.shownName ?? 'somebody who left', [people])

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
  const make = (sizes: number[]) => {
    const names = groupNames(present, sizes.length)
    const groups = sizes.map((size, place) => ({ name: names[place] ?? '', size }))
    search.search(questionFor(groups), [...absent])
  }
  const asItIs = present.groups.map(group => ({ name: group.name, size: group.personIds.length }))
  const judged = useJudged(
    aims.length > 0 && present.groups.length > 0 ? questionFor(asItIs) : null,
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
          ({ personId: other, past: { lastAt } }) => `${name(other)} again, ${shortDayText(lastAt)}`,
        ),
        ...(found.leavesWithoutLead ? ['their group loses its lead'] : []),
      ]
    },
    [present.groups, rules, people, pairs, name],
  )
  const act: (action: HistoryAction) => void = dispatch
  const hold = useCallback(
    (personIds: string[], on: boolean) =>
      setHeld(before => personIds.reduce((ids, id) => toggled(ids, id, on), before)),
    [],
  )
  const brokenIds = useStable(new Set(judgedRules.broken.map(({ rule }) => rule.id)))
  const names = useStable(present.groups.map(group => group.name))
  const switchRule = useCallback(
    (id: string, on: boolean) => setOffIds(before => toggled(before, id, !on)),
    [],
  )
  const made = present.groups.some(group => group.personIds.length > 0)
  return (
    <>
      <PageHead
        title={kept ? kept.name : 'Make groups'}
        under={<Link to={`/cohorts/${cohort.id}`}>{cohort.name}</Link>}
      >
        <Button onClick={() => act({ type: 'undo' })} disabled={history.past.length === 0}>
          <Undo2 size={18} aria-hidden="true" /> Undo
        </Button>
        <Button onClick={() => act({ type: 'redo' })} disabled={history.future.length === 0}>
          <Redo2 size={18} aria-hidden="true" /> Redo
        </Button>
      </PageHead>
      {whom}
      <SizePicker
        people={pool.length}
        listed={cohort.people.length}
        groups={present.groups.length}
        busy={search.busy}
        made={made}
        onDraw={make}
      />
      <Progress busy={search.busy} progress={search.progress} onStop={search.stop} />
      <Box aria-live="polite" my="12px">
        {search.note && <Message>{search.note}</Message>}
      </Box>
      <Grid templateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) 320px' }} gap="24px" alignItems="start">
        <Box minW="0">
          <Arranger
            people={people}
            absent={absent}
            held={held}
            onHold={hold}
            effect={effect}
            arrangement={present}
            onAct={act}
          />
          <SaveGrouping
            cohortId={cohort.id}
            kept={kept}
            groups={present.groups}
            asked={{ aims, offRuleIds: [...offIds], heldIds: [...held] }}
            people={people}
          />
        </Box>
        <Stack gap="0">
          {made && (
            <Section title="Result">
              <ResultPanel
                groups={present.groups}
                name={name}
                rules={judgedRules}
                again={meetAgain(present.groups, pairs)}
                balances={balances(present.groups, aims, cohort.columns, people)}
                judged={judged}
                aimed={aims.length > 0}
                proved={search.outcome?.arrangement === present && search.outcome.proved}
                contradiction={search.contradiction}
              />
            </Section>
          )}
          <Section title="Rules">
            <RulesPanel
              cohortId={cohort.id}
              rules={cohort.rules}
              people={people}
              groupNames={names}
              offIds={offIds}
              brokenIds={brokenIds}
              onSwitch={switchRule}
            />
          </Section>
          <Section title="Aims">
            <AimsPanel aims={aims} columns={cohort.columns} onChange={setAims} />
          </Section>
          {held.size > 0 && (
            <Section title="Held">
              <p>{listed([...held].map(name))} stay where they are when groups are made again.</p>
              <Button size="small" onClick={() => setHeld(new Set())}>
                Let go of all
              </Button>
            </Section>
          )}
        </Stack>
      </Grid>
    </>
  )
}

/** Of whom groups are made: of those here today, or of the whole list. */
function usePool(cohort: GroupedCohort) {
  const [wholeList, setWholeList] = useState(false)
  const today = useToday()
  const here = today ? presentOn(cohort.presence, today, cohort.people) : null
  const ids = cohort.people.map(person => person.id)
  const absent = useStable(new Set(here && !wholeList ? ids.filter(id => !here.includes(id)) : []))
  const pool = cohort.people.filter(person => !absent.has(person.id))
  const whom = here && (
    <chakra.fieldset mb="12px">
      <chakra.legend srOnly>Groups of whom</chakra.legend>
      <Flex gap="18px" wrap="wrap">
        <Choice name="whom" checked={!wholeList} onChange={() => setWholeList(false)}>
          the {here.length} here today
        </Choice>
        <Choice name="whom" checked={wholeList} onChange={() => setWholeList(true)}>
          all {cohort.people.length} on the list
        </Choice>
      </Flex>
    </chakra.fieldset>
  )
  return { pool, absent, whom }
}

/** The same object as long as it says the same: so that what depends on it is not drawn again for nothing. */
function useStable<Value extends Iterable<string>>(value: Value): Value {
  const text = JSON.stringify([...value])
  // biome-ignore lint/correctness/useExhaustiveDependencies: the text says all that the value does.
  return useMemo(() => value, [text])
}

/** People who have joined the list since stand in no group; those who left it are taken out. */
function startFrom(people: GroupedPerson[], groups: Group[]): Arrangement {
  const onList = new Set(people.map(person => person.id))
  const placed = groups.map(group => ({ ...group, personIds: group.personIds.filter(id => onList.has(id)) }))
  const inGroup = new Set(placed.flatMap(group => group.personIds))
  return { groups: placed, unplacedIds: people.map(person => person.id).filter(id => !inGroup.has(id)) }
}

function toggled(ids: ReadonlySet<string>, id: string, on: boolean): ReadonlySet<string> {
  const next = new Set(ids)
  if (on) next.add(id)
  else next.delete(id)
  return next
}

interface ProgressProps {
  busy: boolean
  progress: number | null
  onStop: () => void
}

/** A search at work: how far it is, and a way to be content with what there is. */
function Progress({ busy, progress, onStop }: ProgressProps) {
  if (!busy || progress === null) return null
  return (
    <Flex gap="10px" align="center" mt="8px">
      <chakra.progress value={progress} max={1} aria-label="Looking for better groups" w="220px" />
      <span>looking for better groups</span>
      <Button size="small" onClick={onStop}>
        That will do
      </Button>
    </Flex>
  )
}
