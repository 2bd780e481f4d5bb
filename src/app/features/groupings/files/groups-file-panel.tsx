import { chakra, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import { type GroupsFile, type GroupsFileFault, readGroups } from '~/core/formats/groups-file'
import type { RoundList } from '~/core/grouping/edits'
import { Button } from '../../../ui/button'
import { Field, Input, TextArea } from '../../../ui/fields'
import type { GroupedPerson } from '../groups/grouped-person'
import { newGroupId } from '../search/group-names'

interface GroupsFilePanelProps {
  people: Map<string, GroupedPerson>
  onUse: (rounds: RoundList) => void
}

const FAULTS: Record<GroupsFileFault['reason'], string> = {
  'unknown-name': 'nobody on the list has this name',
  'several-of-that-name': 'several people have this name: use the shown name',
  'no-group': 'no group is given',
  'no-name': 'no name is given',
  twice: 'this person stands in a group already',
  round: 'the round is no whole number from 1 to 40',
}

/** Brings groups in from a list, pasted or from a file: `group,name`. Nothing changes before it is confirmed. */
export function GroupsFilePanel({ people, onUse }: GroupsFilePanelProps) {
  const [text, setText] = useState('')
  const [read, setRead] = useState<GroupsFile | null>(null)
  const look = (next: string) => {
    setText(next)
    setRead(next.trim() === '' ? null : readGroups(next, [...people.values()]))
  }
  const placed = read?.rounds[0]?.reduce((sum, group) => sum + group.personIds.length, 0) ?? 0
  const usable = read !== null && read.rounds.length > 0 && read.rounds.every(groups => groups.length > 0)
  return (
    <Stack gap="10px">
      <Field label="Groups, a person a row" hint="group,name; with a column round where there are several">
        {parts => (
          <TextArea
            {...parts}
            value={text}
            maxLength={200_000}
            placeholder={'group,name\nReeds,Ana Pereira'}
            onChange={event => look(event.target.value)}
          />
        )}
      </Field>
      <Field label="Or a file">
        {parts => (
          <Input
            {...parts}
            type="file"
            accept=".csv,.tsv,.txt,text/csv,text/plain"
            onChange={async event => {
              const file = event.target.files?.[0]
              if (file && file.size <= 1_000_000) look(await file.text())
            }}
          />
        )}
      </Field>
      {read && (
        <div role="status">
          {read.rounds.length === 0
            ? 'No row could be used.'
            : `${read.rounds.length > 1 ? `${read.rounds.length} rounds, ` : ''}${counted(read.rounds[0]?.length ?? 0, 'group', 'groups')}, ${counted(placed, 'person', 'people')}.`}
          {read.faults.length > 0 && (
            <chakra.ul pl="18px" maxH="160px" overflowY="auto" color="ask">
              {read.faults.map(({ row, text: cells, reason }) => (
                <li key={row}>
                  Row {row}, {cells}: {FAULTS[reason]}.
                </li>
              ))}
            </chakra.ul>
          )}
        </div>
      )}
      <div>
        <Button
          disabled={!usable}
          onClick={() => {
            if (read) onUse(roundsOf(read, [...people.keys()]))
            setText('')
            setRead(null)
          }}
        >
          Use these groups
        </Button>
      </div>
    </Stack>
  )
}

const counted = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`

/** Groups of one name are one group over all rounds. */
function roundsOf({ rounds }: GroupsFile, everybody: string[]): RoundList {
  const ids = new Map<string, string>()
  return rounds.map(groups => {
    const placed = new Set(groups.flatMap(group => group.personIds))
    return {
      groups: groups.map(({ name, personIds }) => {
        const id = ids.get(name) ?? newGroupId()
        ids.set(name, id)
        return { id, name, personIds }
      }),
      unplacedIds: everybody.filter(id => !placed.has(id)),
    }
  })
}
