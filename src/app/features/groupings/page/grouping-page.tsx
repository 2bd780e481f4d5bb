import { Box, Grid } from '@chakra-ui/react'
import { Redo2, Undo2 } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { Button } from '../../../ui/button'
import { Message, PageHead } from '../../../ui/layout'
import { PrintSheet } from '../files/print-sheet'
import { GroupsColumn } from '../groups/groups-column'
import { RoundsTable } from '../rounds/rounds-table'
import { Progress } from '../search/progress'
import { type Purpose, PurposePicker, purposeOf } from '../settings/purpose'
import { SizePicker } from '../settings/size-picker'
import { DraftNotice } from './draft-notice'
import type { GroupingPageProps } from './grouping-history'
import { SideColumn } from './side-column'
import { useGrouping } from './use-grouping'

/** Where groups are made: what is asked on top, the groups in the middle, how good they are and by what rules at the side. */
export function GroupingPage(props: GroupingPageProps) {
  const grouping = useGrouping(props)
  const [purpose, setPurpose] = useState<Purpose>(() => purposeOf(grouping))
  const { cohort, kept, like, people, name, title, rounds, present, search, history, dispatch } = grouping
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
      <PurposePicker purpose={purpose} onChange={setPurpose} />
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
