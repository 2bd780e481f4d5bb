import { chakra, Dialog, Flex, Stack } from '@chakra-ui/react'
import { ListChecks } from 'lucide-react'
import { useState } from 'react'
import { Button } from '../../ui/button'
import { DialogButton } from '../../ui/dialog-button'
import { Field, Select, Tick } from '../../ui/fields'
import { Message } from '../../ui/layout'
import type { LiveView, Send } from '../live-view'
import { useProposals } from './use-proposals'

/** Cohorts there are to choose from; none where a session was planned with its list. */
export type CohortsToAttach = { id: string; name: string; people: number }[]

interface CohortDialogProps {
  view: LiveView
  cohorts: CohortsToAttach
  send: Send
}

/** So many names that are not on the list are gone through at a time: each is held against the whole list. */
const AT_A_TIME = 20

/** Which cohort the session belongs to, and who of its list those are that typed their name. */
export function CohortDialog({ view, cohorts, send }: CohortDialogProps) {
  const { cohort, door } = view
  const unknown = door.hasList ? view.people.filter(person => !person.onList).length : 0
  const isBare = !cohort && !door.hasList
  if (isBare && cohorts.length === 0) return null
  if (!cohort && door.hasList && unknown === 0) return null
  const label = isBare ? 'Attach a cohort' : unknown > 0 ? `${unknown} not on the list` : 'Cohort'
  const title = cohort ? `Cohort: ${cohort.name}` : isBare ? 'Attach a cohort' : 'Not on the list'
  return (
    <DialogButton
      id="cohort"
      label={
        <>
          <ListChecks size={16} aria-hidden="true" /> {label}
        </>
      }
      title={title}
    >
      {close => (
        <>
          <Content view={view} cohorts={cohorts} send={send} />
          <Dialog.Footer>
            <Button onClick={close}>Close</Button>
          </Dialog.Footer>
        </>
      )}
    </DialogButton>
  )
}

function Content({ view, cohorts, send }: CohortDialogProps) {
  const [problem, setProblem] = useState<string | null>(null)
  const [changing, setChanging] = useState(false)
  const ask: Send = async request => {
    setProblem(null)
    return send(request, setProblem)
  }
  const choosing = !view.door.hasList && !view.cohort
  return (
    <Dialog.Body>
      <Stack gap="12px">
        {problem && <Message kind="problem">{problem}</Message>}
        {(choosing || changing) && (
          <ChooseCohort
            cohorts={cohorts}
            now={view.cohort?.id ?? null}
            send={ask}
            onDone={() => setChanging(false)}
          />
        )}
        {!choosing && !changing && <Unlisted view={view} send={ask} />}
        {view.cohort && !changing && cohorts.length > 1 && (
          <Button size="small" kind="bare" alignSelf="flex-start" onClick={() => setChanging(true)}>
            It is another cohort
          </Button>
        )}
      </Stack>
    </Dialog.Body>
  )
}

interface ChooseCohortProps {
  cohorts: CohortsToAttach
  now: string | null
  send: Send
  onDone: () => void
}

function ChooseCohort({ cohorts, now, send, onDone }: ChooseCohortProps) {
  const [cohortId, setCohortId] = useState(now ?? cohorts[0]?.id ?? '')
  return (
    <Stack
      as="form"
      gap="12px"
      onSubmit={async event => {
        event.preventDefault()
        if (await send({ type: 'attach-cohort', cohortId })) onDone()
      }}
    >
      <p>
        Who typed a name of its list is found; the others can be matched one by one. Attendance and who has
        met whom count for the cohort then.
      </p>
      <Field label="Cohort">
        {parts => (
          <Select {...parts} value={cohortId} onChange={event => setCohortId(event.target.value)}>
            {cohorts.map(({ id, name, people }) => (
              <option key={id} value={id}>
                {name} ({people})
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Button type="submit" kind="main">
        Attach
      </Button>
    </Stack>
  )
}

/** Those whose names the list does not know: who they may be, or that they are new. */
function Unlisted({ view, send }: { view: LiveView; send: Send }) {
  const unlisted = view.people.filter(person => !person.onList)
  const shown = unlisted.slice(0, AT_A_TIME)
  const found = useProposals(
    shown.map(({ id, shownName }) => ({ id, name: shownName })),
    view.expected.map(({ personId, shownName }) => ({ id: personId, name: shownName })),
  )
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set())
  const nameOf = new Map(view.expected.map(({ personId, shownName }) => [personId, shownName]))
  const likely = shown.filter(({ id }) => found?.has(id))
  const others = found ? shown.filter(({ id }) => !found.has(id)) : []
  const clear = likely.flatMap(({ id }) => {
    const proposal = found?.get(id)
    const personId = proposal?.clear ? proposal.candidates[0]?.id : undefined
    return personId === undefined ? [] : [{ participantId: id, personId }]
  })
  const toList = unlisted.filter(({ id }) => ticked.has(id)).map(({ id }) => id)
  const tick = (id: string, on: boolean) => {
    const now = new Set(ticked)
    if (on) now.add(id)
    else now.delete(id)
    setTicked(now)
  }
  if (unlisted.length === 0) return <Message kind="good">Everybody here is on the list.</Message>
  return (
    <Stack gap="14px">
      {likely.length > 0 && (
        <Stack gap="6px">
          <Flex justify="space-between" align="center" gap="8px" wrap="wrap">
            <chakra.h3 fontWeight="600">May be on the list</chakra.h3>
            {clear.length > 1 && (
              <Button size="small" kind="main" onClick={() => send({ type: 'match-people', matches: clear })}>
                Take all {clear.length} that are clear
              </Button>
            )}
          </Flex>
          <Stack as="ul" listStyleType="none" gap="4px" aria-label="May be on the list">
            {likely.map(({ id, shownName }) => (
              <Flex as="li" key={id} gap="6px" align="center" wrap="wrap">
                <b>{shownName}</b> is
                {found?.get(id)?.candidates.map(({ id: personId, likeness }) => (
                  <Button
                    key={personId}
                    size="small"
                    onClick={() => send({ type: 'match-people', matches: [{ participantId: id, personId }] })}
                  >
                    {nameOf.get(personId)}{' '}
                    <chakra.span color="quiet" fontWeight="400">
                      {Math.round(likeness * 100)} % alike
                    </chakra.span>
                  </Button>
                ))}
                <Tick checked={ticked.has(id)} onChange={event => tick(id, event.target.checked)}>
                  somebody new
                </Tick>
              </Flex>
            ))}
          </Stack>
        </Stack>
      )}
      {others.length > 0 && (
        <Stack gap="4px">
          <chakra.h3 fontWeight="600">Not on the list</chakra.h3>
          <Stack as="ul" listStyleType="none" gap="0" aria-label="Not on the list">
            {others.map(({ id, shownName }) => (
              <li key={id}>
                <Tick checked={ticked.has(id)} onChange={event => tick(id, event.target.checked)}>
                  {shownName}
                </Tick>
              </li>
            ))}
          </Stack>
        </Stack>
      )}
      {unlisted.length > shown.length && (
        <chakra.p color="quiet">{unlisted.length - shown.length} more come when these are settled.</chakra.p>
      )}
      <Button
        kind="main"
        alignSelf="flex-start"
        disabled={toList.length === 0}
        onClick={async () => {
          if (await send({ type: 'list-people', participantIds: toList })) setTicked(new Set())
        }}
      >
        {toList.length === 0 ? 'Add the ticked to the cohort' : `Add ${toList.length} to the cohort`}
      </Button>
    </Stack>
  )
}
