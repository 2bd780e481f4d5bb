import { chakra, Flex, Stack } from '@chakra-ui/react'
import { Download, Printer } from 'lucide-react'
import type { ReactNode } from 'react'
import { useNavigate } from 'react-router'
import { asCsvFile } from '~/core/formats/csv'
import { writeGroups } from '~/core/formats/groups-file'
import type { RoundList } from '~/core/grouping/edits'
import { Button } from '../../../ui/button'
import { Field, Select } from '../../../ui/fields'
import type { GroupedPerson, KeptGrouping } from '../groups/grouped-person'
import { GroupsFilePanel } from './groups-file-panel'

interface ListToolsProps {
  title: string
  rounds: RoundList
  /** The round shown, from 0. */
  round: number
  people: Map<string, GroupedPerson>
  kept: KeptGrouping | null
  others: { id: string; name: string }[]
  onUse: (rounds: RoundList) => void
}

/** Groups in and out as a list, a sheet for the wall, and the like for another cohort. */
export function ListTools({ title, rounds, round, people, kept, others, onUse }: ListToolsProps) {
  const groups = rounds[round]?.groups ?? []
  const made = groups.some(group => group.personIds.length > 0)
  return (
    <Stack gap="8px">
      {made && (
        <Flex gap="8px" wrap="wrap">
          <Button size="small" onClick={() => window.print()}>
            <Printer size={15} aria-hidden="true" /> Print a sheet
          </Button>
          <Button size="small" onClick={() => download(`${title}.csv`, groupsText(rounds, people))}>
            <Download size={15} aria-hidden="true" /> Download the list
          </Button>
        </Flex>
      )}
      <Fold title="Bring in a list of groups">
        <GroupsFilePanel people={people} onUse={onUse} />
      </Fold>
      {kept && others.length > 0 && (
        <Fold title="The like for another cohort">
          <LikeForAnother groupingId={kept.id} others={others} />
        </Fold>
      )}
    </Stack>
  )
}

const groupsText = (rounds: RoundList, people: Map<string, GroupedPerson>) =>
  writeGroups(
    rounds.map(each => each.groups),
    people,
  )

/** Saves a text as a file. */
function download(name: string, text: string): void {
  const address = URL.createObjectURL(new Blob([asCsvFile(text)], { type: 'text/csv;charset=utf-8' }))
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(address), 1000)
}

export function Fold({ title, open, children }: { title: string; open?: boolean; children: ReactNode }) {
  return (
    <details open={open}>
      <chakra.summary cursor="pointer" fontWeight="650" py="4px">
        {title}
      </chakra.summary>
      <chakra.div py="8px">{children}</chakra.div>
    </details>
  )
}

function LikeForAnother({
  groupingId,
  others,
}: {
  groupingId: string
  others: { id: string; name: string }[]
}) {
  const navigate = useNavigate()
  return (
    <Field
      label="Cohort"
      hint="Takes over the names of the groups, rounds, aims and stations, and no people; the other cohort's own rules hold."
    >
      {parts => (
        <Select
          {...parts}
          value=""
          onChange={event => navigate(`/cohorts/${event.target.value}/groupings/new?like=${groupingId}`)}
        >
          <option value="">choose a cohort</option>
          {others.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Select>
      )}
    </Field>
  )
}
