import { Box, chakra } from '@chakra-ui/react'
import { Section } from '../../../ui/layout'
import type { GroupingState } from '../page/use-grouping'
import { RepairOffer } from '../search/repair-offer'
import type { Purpose } from '../settings/purpose'
import { RotationPanel } from '../settings/rotation-panel'
import { SaveGrouping } from '../versions/save-grouping'
import { VersionsPanel } from '../versions/versions-panel'
import { Arranger } from './arranger'
import { ChosenBar, placeByKey } from './chosen-bar'
import { HomeGroups } from './home-groups'

/** The groups of the round shown, with all that changes, mends and keeps them. */
export function GroupsColumn({ grouping, purpose }: { grouping: GroupingState; purpose: Purpose }) {
  const { people, name, cohort, kept, rounds, round, present, absent, search, choice, take } = grouping
  return (
    <Box
      minW="0"
      onKeyDown={event => {
        const typing = event.target instanceof HTMLInputElement || event.target instanceof HTMLSelectElement
        if (typing || choice.chosen.size === 0) return
        if (event.key === 'Escape') choice.clear()
        if (placeByKey(event.key, present.groups, choice.place)) event.preventDefault()
      }}
    >
      {rounds.length > 1 && <chakra.h2 fontSize="l">Round {round + 1}</chakra.h2>}
      {grouping.made && (
        <RepairOffer
          arrangement={present}
          absent={absent}
          brokenRules={search.contradiction ? 0 : grouping.judgedRules.broken.length}
          name={name}
          outcome={search.outcome}
          busy={search.busy}
          onRepair={grouping.repair}
        />
      )}
      <ChosenBar people={people} places={present.groups} choice={choice} />
      <Arranger
        people={people}
        absent={absent}
        held={grouping.held}
        onHold={grouping.hold}
        chosen={choice.chosen}
        choosing={choice.choosing}
        onChoose={choice.choose}
        onClearChoice={choice.clear}
        roles={grouping.shownRoles}
        effect={grouping.effect}
        arrangement={present}
        onAct={grouping.act}
      />
      <SaveGrouping
        cohortId={cohort.id}
        kept={kept}
        base={grouping.base}
        groups={rounds[0]?.groups ?? []}
        content={grouping.content}
        people={people}
        onSaved={grouping.setBase}
        onTake={take}
      />
      {grouping.made && purpose === 'jigsaw' && (
        <Box mt="28px">
          <Section title="Home groups">
            <HomeGroups
              rounds={rounds}
              round={round}
              onUse={next => grouping.dispatch({ type: 'replace', rounds: next })}
            />
          </Section>
        </Box>
      )}
      {grouping.made && (purpose === 'stations' || grouping.rotation.stations.length > 0) && (
        <Box mt="28px">
          <Section title="Teams at stations">
            <RotationPanel
              groups={present.groups}
              rotation={grouping.rotation}
              onChange={rotation => grouping.set(() => ({ rotation }))}
            />
          </Section>
        </Box>
      )}
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
  )
}
