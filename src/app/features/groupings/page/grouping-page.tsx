import { Box, chakra, Grid } from '@chakra-ui/react'
import { Redo2, Undo2 } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { Button } from '../../../ui/button'
import { Message, PageHead } from '../../../ui/layout'
import { useWholeList } from '../../../ui/use-whole-list'
import { PrintSheet } from '../files/print-sheet'
import type { GroupedCohort, GroupedPerson } from '../groups/grouped-person'
import { GroupsColumn } from '../groups/groups-column'
import { RoundsTable } from '../rounds/rounds-table'
import { Progress } from '../search/progress'
import { FromChoice } from '../settings/from-choice'
import { type Purpose, PurposePicker, purposeOf } from '../settings/purpose'
import { SizePicker } from '../settings/size-picker'
import { DraftNotice } from './draft-notice'
import type { GroupingPageProps } from './grouping-history'
import { SideColumn } from './side-column'
import { type GroupingState, useGrouping } from './use-grouping'

interface ListedGroupingPageProps extends Omit<GroupingPageProps, 'cohort'> {
  /** With the beginning of its list, and how many people stand on it. */
  cohort: GroupedCohort & { count: number }
}

/** Groups can be made once the whole list is here: of a long one the beginning comes with the page. */
export function GroupingPage({ cohort, ...props }: ListedGroupingPageProps) {
  const { count, people: first } = cohort
  const { items: people, state } = useWholeList<GroupedPerson>(`/cohorts/${cohort.id}/people`, first, count)
  const whole = useMemo(() => ({ ...cohort, people }), [cohort, people])
  if (state === 'whole' || people.length >= count) return <Grouping {...props} cohort={whole} />
  return (
    <>
      <PageHead
        title={props.kept?.name ?? 'Make groups'}
        under={<Link to={`/cohorts/${cohort.id}`}>{cohort.name}</Link>}
      />
      {state === 'broken' ? (
        <Message kind="problem">
          The list could not be fetched. Load the page again when the line is back.
        </Message>
      ) : (
        <chakra.p role="status" color="quiet">
          The list of {count} people is coming…
        </chakra.p>
      )}
    </>
  )
}

/** Where groups are made: what is asked on top, the groups in the middle, how good they are and by what rules at the side. */
function Grouping(props: GroupingPageProps) {
  const grouping = useGrouping(props)
  const [purpose, setPurpose] = useState<Purpose>(() => purposeOf(grouping))
  const { cohort, kept, title, history, dispatch } = grouping
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
      <DraftNotice draft={grouping.draft} onDrop={grouping.dropDraft} />
      <PurposePicker purpose={purpose} isNew={!kept} onChange={setPurpose} />
      {purpose === 'choice' ? (
        <FromChoice cohortId={cohort.id} choices={props.choices} />
      ) : (
        <Making grouping={grouping} purpose={purpose} />
      )}
    </>
  )
}

/** What is asked, and the groups that come of it. */
function Making({ grouping, purpose }: { grouping: GroupingState; purpose: Purpose }) {
  const { cohort, kept, like, people, name, title, rounds, present, search } = grouping
  return (
    <>
      {grouping.whom}
      <SizePicker
        inRounds={purpose === 'rounds'}
        people={grouping.pool.length}
        listed={cohort.people.length}
        groups={present.groups.length}
        rounds={kept ? rounds.length : (like?.rounds ?? 1)}
        busy={search.busy}
        made={grouping.made}
        onDraw={grouping.make}
      />
      <Progress busy={search.busy} progress={search.progress} onStop={search.stop} />
      <Box aria-live="polite" my="12px">
        {search.note && <Message>{search.note}</Message>}
      </Box>
      {rounds.length > 1 && (
        <RoundsTable
          rounds={rounds}
          people={people}
          shown={grouping.round}
          onShow={grouping.setRound}
          outcome={search.outcome}
          together={grouping.together}
        />
      )}
      <Grid templateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) 320px' }} gap="24px" alignItems="start">
        <GroupsColumn grouping={grouping} purpose={purpose} />
        <SideColumn grouping={grouping} />
      </Grid>
      <PrintSheet
        title={title}
        rounds={rounds}
        name={name}
        roles={grouping.roles}
        rotation={grouping.rotation}
      />
    </>
  )
}
