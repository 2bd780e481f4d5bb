import { Stack } from '@chakra-ui/react'
import { balances } from '~/core/grouping/judge'
import { listed } from '~/core/grouping/rule-text'
import { Button } from '../../../ui/button'
import { Section } from '../../../ui/layout'
import { Fold, ListTools } from '../files/list-tools'
import { ResultPanel } from '../groups/result-panel'
import { AimsPanel } from '../settings/aims-panel'
import { RolesPanel } from '../settings/roles-panel'
import { RulesPanel } from '../settings/rules-panel'
import type { GroupingState } from './use-grouping'

/** How good the groups are, what they are made by, and what is made of them. */
export function SideColumn({ grouping }: { grouping: GroupingState }) {
  const { cohort, people, name, rounds, round, present, made, search, aims, held } = grouping
  return (
    <Stack gap="0">
      {made && (
        <Section title="Result">
          <ResultPanel
            groups={present.groups}
            name={name}
            rules={grouping.judgedRules}
            again={grouping.again}
            sessions={grouping.past.length}
            balances={balances(present.groups, aims, cohort.columns, people)}
            judged={grouping.judged}
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
          groupNames={grouping.names}
          offIds={grouping.offIds}
          brokenIds={grouping.brokenIds}
          onSwitch={grouping.switchRule}
        />
      </Section>
      <Section title="Aims">
        <AimsPanel
          aims={aims}
          columns={cohort.columns}
          sessions={grouping.past.length}
          onChange={aims => grouping.set(() => ({ aims }))}
        />
      </Section>
      {held.size > 0 && (
        <Section title="Held">
          <p>
            {listed([...held].map(name))} {held.size === 1 ? 'stays' : 'stay'} where they are when groups are
            made again, in every round there is.
          </p>
          <Button size="small" onClick={() => grouping.set(() => ({ held: new Set() }))}>
            Let go of all
          </Button>
        </Section>
      )}
      {made && (
        <Fold title="Roles" open={grouping.roles.length > 0}>
          <RolesPanel
            rounds={rounds}
            people={people}
            held={grouping.rolesHeld}
            roles={grouping.roles}
            onChange={roles => grouping.set(() => ({ roles }))}
          />
        </Fold>
      )}
      <Section title="Lists and sheets">
        <ListTools
          title={grouping.title}
          rounds={rounds}
          round={round}
          people={people}
          kept={grouping.kept}
          others={grouping.others}
          onUse={next => grouping.dispatch({ type: 'replace', rounds: next })}
        />
      </Section>
    </Stack>
  )
}
