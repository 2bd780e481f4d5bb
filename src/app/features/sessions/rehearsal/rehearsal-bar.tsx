import { chakra, Flex } from '@chakra-ui/react'
import { Drama } from 'lucide-react'
import { useId, useState } from 'react'
import { Form, useFetcher } from 'react-router'
import { SPEEDS } from '~/core/rehearsal/pace'
import { Button } from '../../../ui/button'
import { SmallSelect, Tick } from '../../../ui/fields'

export interface RunningRehearsal {
  /** The session whose plan it is. */
  ofId: string
  speed: number
  itself: boolean
}

/** That this is a rehearsal, how it goes on, and the way out of it. Stands on every page of it. */
export function RehearsalBar({ sessionId, rehearsal }: { sessionId: string; rehearsal: RunningRehearsal }) {
  const change = useFetcher()
  const speedId = useId()
  const action = `/sessions/${sessionId}/rehearsal`
  const tell = (fields: Record<string, string>) => change.submit(fields, { method: 'post', action })
  return (
    <Flex
      as="aside"
      aria-label="Rehearsal"
      bg="ink"
      color="paper"
      borderRadius="8px"
      px="12px"
      py="6px"
      mb="10px"
      gap="6px 16px"
      align="center"
      wrap="wrap"
    >
      <Flex gap="8px" align="center">
        <Drama size={18} aria-hidden="true" />
        <span>
          <b>Rehearsal:</b> nobody here is real, and nothing is kept.
        </span>
      </Flex>
      <Flex gap="6px 16px" align="center" wrap="wrap" ml="auto">
        <Flex gap="6px" align="center">
          <label htmlFor={speedId}>Speed</label>
          <SmallSelect
            id={speedId}
            defaultValue={rehearsal.speed}
            onChange={event => tell({ intent: 'speed', speed: event.target.value })}
          >
            {speedsWith(rehearsal.speed).map(speed => (
              <option key={speed} value={speed}>
                {speed === 1 ? 'as it is' : `${speed} times`}
              </option>
            ))}
          </SmallSelect>
        </Flex>
        <Tick
          defaultChecked={rehearsal.itself}
          onChange={event => tell({ intent: 'itself', on: event.target.checked ? 'yes' : 'no' })}
        >
          Goes on by itself
        </Tick>
        <StepInto action={action} />
        <Form method="post" action={action}>
          <Button type="submit" size="small" name="intent" value="end">
            End the rehearsal
          </Button>
        </Form>
      </Flex>
    </Flex>
  )
}

/** Those that are offered, and what it is. */
const speedsWith = (speed: number): number[] =>
  [...new Set<number>([...SPEEDS, speed])].sort((one, other) => one - other)

/** Opens the page of somebody who plays, in a window of its own. They go on by themselves there. */
function StepInto({ action }: { action: string }) {
  const players = useFetcher<{ people: { id: string; shownName: string; room: string | null }[] }>()
  const [asked, setAsked] = useState(false)
  if (!asked)
    return (
      <Button
        size="small"
        onClick={() => {
          setAsked(true)
          players.load(action)
        }}
      >
        See a participant’s page
      </Button>
    )
  const people = players.data?.people ?? []
  return (
    <chakra.form method="post" action={action} target="rehearsed-participant" display="flex" gap="6px">
      <input type="hidden" name="intent" value="step-into" />
      <SmallSelect
        name="participantId"
        aria-label="Whose page"
        onFocus={() => players.load(action)}
        autoFocus
      >
        {people.map(({ id, shownName, room }) => (
          <option key={id} value={id}>
            {room === null ? shownName : `${shownName}, ${room}`}
          </option>
        ))}
      </SmallSelect>
      <Button type="submit" size="small" disabled={people.length === 0}>
        Open
      </Button>
    </chakra.form>
  )
}
