import { Box, Grid, Stack } from '@chakra-ui/react'
import { Redo2, Undo2 } from 'lucide-react'
import { useCallback, useMemo, useReducer, useState } from 'react'
import { Link } from 'react-router'
import type { GroupingContent, GroupingVersion } from '~/contracts/grouping'
import { type Edit, editHistory, type RoundList, startHistory } from '~/core/grouping/edits'
import { effectOfMove } from '~/core/grouping/effect'
import type { Group } from '~/core/grouping/grouping'
import { pairHistory } from '~/core/grouping/history'
import { balances, judgeRules, meetAgain } from '~/core/grouping/judge'
import type { GroupingQuestion } from '~/core/grouping/pose'
import type { Role } from '~/core/grouping/roles'
import type { Aim } from '~/core/grouping/rules'
import { evenSizes } from '~/core/grouping/sizes'
import { Button } from '../../ui/button'
import { Message, PageHead, Section } from '../../ui/layout'
import { AimsPanel } from './aims-panel'
import { Arranger, type MoveEffect } from './arranger'
import { ChosenBar, placeByKey } from './chosen-bar'
import type { GroupedCohort, KeptGrouping, PastSession, RolesHeld } from './grouped-person'
import { contentRounds, emptyRounds, roundsFrom, toggled } from './grouping-rounds'
import { ListTools } from './list-tools'
import { PrintSheet } from './print-sheet'
import { Progress } from './progress'
import { RepairOffer } from './repair-offer'
import { ResultPanel } from './result-panel'
import { RolesPanel } from './roles-panel'
import { RotationPanel } from './rotation-panel'
import { RoundsTable } from './rounds-table'
import { listed, ruleText, shortDayText } from './rule-text'
import { RulesPanel } from './rules-panel'
import { SaveGrouping } from './save-grouping'
import { SizePicker } from './size-picker'
import { usePool, useStable } from './use-pool'
import { groupNames, useJudged, useSearch } from './use-search'
import { VersionsPanel } from './versions-panel'

/** What a new grouping begins with when it is made like one of another cohort: all but the people. */
export interface LikeAnother {
  groupNames: string[]
  rounds: number
  aims: Aim[]
  stations: string[]
}

interface GroupingPageProps {
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

export function GroupingPage(props: GroupingPageProps) {
  const { cohort, past, rolesHeld, kept, like, others } = props
  const people = useMemo(() => new Map(cohort.people.map(person => [person.id, person])), [cohort.people])
  const pairs = useMemo(() => pairHistory(past), [past])
  const [history, dispatch] = useReducer(editHistory, props, start => startHistory(firstRounds(start)))
  const [aims, setAims] = useState<Aim[]>(kept?.aims ?? like?.aims ?? [])
  const [offIds, setOffIds] = useState<ReadonlySet<string>>(new Set(kept?.offRuleIds))
  const [held, setHeld] = useState<ReadonlySet<string>>(new Set(kept?.heldIds))
  const [roles, setRoles] = useState<Record<string, Role>>(kept?.roles ?? {})
  const [stations, setStations] = useState<string[]>(kept?.stations ?? like?.stations ?? [])
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set())
  const [choosing, setChoosing] = useState(false)
  const [wantedRound, setRound] = useState(0)
  const rounds = history.present
  const round = Math.min(wantedRound, rounds.length - 1)
  const present = rounds[round] ?? { groups: [], unplacedIds: [] }
  const { pool, absent, whom } = usePool(cohort)
  const search = useSearch(rounds, dispatch)
  const rules = useMemo(() => cohort.rules.filter(rule => !offIds.has(rule.id)), [cohort.rules, offIds])
  const name = useCallback((id: string) => people.get(id)?.shownName ?? 'somebody who left', [people])
  const act = useCallback((edit: Edit) => dispatch({ ...edit, round }), [round])

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
    const groups = sizes.map((size, place) => ({ name: names[place] ?? '', size }))
    const what = count === 1 ? { kind: 'groups' as const } : { kind: 'rounds' as const, rounds: count }
    search.search(what, questionFor(groups), [...absent])
  }
  const repair = () => {
    const sizes = evenSizes(pool.length, present.groups.length)
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
          ({ personId: other, past: { lastAt } }) => `${name(other)} again, ${shortDayText(lastAt)}`,
        ),
        ...(found.leavesWithoutLead ? ['their group loses its lead'] : []),
      ]
    },
    [present.groups, rules, people, pairs, name],
  )
  const hold = useCallback(
    (personIds: string[], on: boolean) =>
      setHeld(before => personIds.reduce((ids, id) => toggled(ids, id, on), before)),
    [],
  )
  const choose = useCallback((id: string) => setChosen(before => toggled(before, id, !before.has(id))), [])
  const chooseNobody = useCallback(() => setChosen(new Set()), [])
  const placeChosen = (groupId: string | null) => {
    act({ type: 'move', personIds: [...chosen], groupId })
    chooseNobody()
  }
  const swapChosen = () => {
    const [a, b] = [...chosen]
    if (a && b) act({ type: 'swap', personIds: [a, b] })
    chooseNobody()
  }
  const together = (a: string, b: string) =>
    rules.some(rule => rule.kind === 'together' && rule.personIds.includes(a) && rule.personIds.includes(b))
  const brokenIds = useStable(new Set(judgedRules.broken.map(({ rule }) => rule.id)))
  const names = useStable(present.groups.map(group => group.name))
  const switchRule = useCallback(
    (id: string, on: boolean) => setOffIds(before => toggled(before, id, !on)),
    [],
  )
  const take = ({ content }: GroupingVersion) => {
    dispatch({ type: 'replace', rounds: roundsFrom(cohort.people, content) })
    setAims(content.aims)
    setOffIds(new Set(content.offRuleIds))
    setHeld(new Set(content.heldIds))
    setRoles(content.roles)
    setStations(content.stations)
  }
  const content: Omit<GroupingContent, 'name' | 'groups'> = {
    laterRounds: contentRounds(rounds).slice(1),
    aims,
    offRuleIds: [...offIds],
    heldIds: [...held],
    roles: Object.fromEntries(Object.entries(roles).filter(([id]) => people.has(id))),
    stations,
  }
  const title = kept ? kept.name : 'Make groups'
  const shownRoles: Record<string, string> = round === 0 ? roles : NO_ROLES
  return (
    <>
      <PageHead title={title} under={<Link to={`/cohorts/${cohort.id}`}>{cohort.name}</Link>}>
        <Button onClick={() => dispatch({ type: 'undo' })} disabled={history.past.length === 0}>
          <Undo2 size={18} aria-hidden="true" /> Undo
        </Button>
        <Button onClick={() => dispatch({ type: 'redo' })} disabled={history.future.length === 0}>
          <Redo2 size={18} aria-hidden="true" /> Redo
        </Button>
      </PageHead>
      {whom}
      <SizePicker
        people={pool.length}
        listed={cohort.people.length}
        groups={present.groups.length}
        rounds={kept ? rounds.length : (like?.rounds ?? 1)}
        busy={search.busy}
        made={made}
        onDraw={make}
      />
      <Progress busy={search.busy} progress={search.progress} onStop={search.stop} />
      <Box aria-live="polite" my="12px">
        {search.note && <Message>{search.note}</Message>}
      </Box>
      {rounds.length > 1 && (
        <RoundsTable
          rounds={rounds}
          people={people}
          shown={round}
          onShow={setRound}
          outcome={search.outcome}
          together={together}
        />
      )}
      <Grid templateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) 320px' }} gap="24px" alignItems="start">
        <Box
          minW="0"
          onKeyDown={event => {
            const typing =
              event.target instanceof HTMLInputElement || event.target instanceof HTMLSelectElement
            if (typing || chosen.size === 0) return
            if (event.key === 'Escape') chooseNobody()
            if (placeByKey(event.key, present.groups, placeChosen)) event.preventDefault()
          }}
        >
          {rounds.length > 1 && <h2>Round {round + 1}</h2>}
          {made && (
            <RepairOffer
              arrangement={present}
              absent={absent}
              brokenRules={judgedRules.broken.length}
              name={name}
              outcome={search.outcome}
              busy={search.busy}
              onRepair={repair}
            />
          )}
          <ChosenBar
            people={people}
            chosen={chosen}
            places={present.groups}
            choosing={choosing}
            onChoosing={setChoosing}
            onChoose={choose}
            onPlace={placeChosen}
            onSwap={swapChosen}
            onClear={chooseNobody}
          />
          <Arranger
            people={people}
            absent={absent}
            held={held}
            onHold={hold}
            chosen={chosen}
            choosing={choosing}
            onChoose={choose}
            onClearChoice={chooseNobody}
            roles={shownRoles}
            effect={effect}
            arrangement={present}
            onAct={act}
          />
          <SaveGrouping
            cohortId={cohort.id}
            kept={kept}
            groups={rounds[0]?.groups ?? []}
            content={content}
            people={people}
            onTake={take}
          />
          {kept && (
            <Box mt="28px">
              <VersionsPanel
                versions={kept.versions}
                round={round}
                groups={present.groups}
                name={name}
                onTake={take}
              />
            </Box>
          )}
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
                proved={search.outcome?.kind === 'groups' && search.outcome.proved}
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
          {made && (
            <Section title="Roles">
              <RolesPanel
                groups={rounds[0]?.groups ?? []}
                people={people}
                held={rolesHeld}
                roles={roles}
                onChange={setRoles}
              />
            </Section>
          )}
          {made && (
            <Section title="Teams at stations">
              <RotationPanel groups={present.groups} stations={stations} onChange={setStations} />
            </Section>
          )}
          <Section title="Lists and sheets">
            <ListTools
              title={title}
              rounds={rounds}
              round={round}
              people={people}
              kept={kept}
              others={others}
              onUse={next => dispatch({ type: 'replace', rounds: next })}
            />
          </Section>
        </Stack>
      </Grid>
      <PrintSheet title={title} rounds={rounds} name={name} roleOf={id => roles[id] ?? ''} />
    </>
  )
}

function firstRounds({ cohort, kept, like, chosen }: GroupingPageProps): RoundList {
  if (kept) return roundsFrom(cohort.people, kept)
  if (chosen) return roundsFrom(cohort.people, { groups: chosen, laterRounds: [] })
  return emptyRounds(cohort.people, like?.groupNames ?? [])
}

const NO_ROLES = {}
