import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { groupBy } from 'lodash-es'
import { Shuffle, Undo2 } from 'lucide-react'
import { type ReactNode, useCallback, useMemo, useState } from 'react'
import { sizeProblemText, sizesText } from '../../group-sizes/size-text'
import { SizeFields, useTypedSizes } from '../../group-sizes/size-wish'
import type { LiveView, Send } from '../../live/live-view'
import { answersIn } from '../../live/questions/question-words'
import { RolesRule } from '../../live/roles/roles-rule'
import { Button } from '../../ui/button'
import { Field, Select, Tick } from '../../ui/fields'
import { Message } from '../../ui/layout'
import { AsTheySit } from './as-they-sit'
import type { DraftRooms } from './draft-rooms'
import { Drawer } from './drawer'
import { FromList } from './from-list'
import { GroupsToHold } from './groups-to-hold'
import { type MakingState, useMakingState } from './making-state'
import { NamedRooms } from './named-rooms'
import { type Asked, columnWishes } from './rooms-task'
import { useFactsHere } from './use-facts-here'
import { useMakingRooms } from './use-making-rooms'

interface MakeGroupsProps {
  sessionId: string
  view: LiveView
  /** Groups were asked for by the answers to this question. */
  byQuestion: string | null
  draft: DraftRooms
  onClose: () => void
  send: Send
}

/**
 * Groups of who is here: at random, with fresh pairs, by the cohort's rules and columns. They stand in the lanes at once, and can
 * be made anew, held, changed there by hand, and are sent out like those of a plan; until then everybody stays.
 */
export function MakeGroups({ sessionId, view, byQuestion, draft, onClose, send }: MakeGroupsProps) {
  const facts = useFactsHere(sessionId, answersIn(view.questions))
  const [fresh, setFresh] = useState(true)
  const [keepRules, setKeepRules] = useState(true)
  const [chosen, setColumn] = useState<string | null>(null)
  const answers = facts?.asked.find(({ questionId }) => questionId === byQuestion)
  const column = chosen ?? (answers ? `mixed ${answers.column}` : '')
  /** Where the groups come from: made now, as in a kept grouping (its id), or from a list. */
  const [from, setFrom] = useState('now')
  const kept = facts?.saved.find(round => round.id === from)
  const [held, setHeld] = useState<ReadonlySet<string>>(new Set())
  const { rooms, people } = view
  const here = people.filter(person => person.admitted)
  const sizes = useTypedSizes(here.length, { by: 'people', number: '3' })
  const { result } = sizes
  const groups = useMemo(() => {
    const members = groupBy(
      people.filter(person => person.admitted),
      person => person.roomId,
    )
    return rooms.map(({ id, name }) => ({ id, name, people: members[id] ?? [] }))
  }, [rooms, people])
  const made = groups.some(group => group.people.length > 0)
  const waiting = view.people.length - here.length
  const asked: Asked = { fresh, keepRules, column }
  const { make, makeAsKept, state } = useMakingRooms({
    here,
    groups,
    facts,
    held,
    asked,
    sizes: from === 'now' && result.ok ? result.sizes : null,
    draft,
    send,
  })
  const hold = useCallback((ids: string[], on: boolean) => {
    setHeld(before => {
      const now = new Set(before)
      for (const id of ids) {
        if (on) now.add(id)
        else now.delete(id)
      }
      return now
    })
  }, [])
  return (
    <Drawer label="Make groups" title="Groups of who is here" onClose={onClose}>
      <Stack
        as="form"
        gap="12px"
        onSubmit={event => {
          event.preventDefault()
          if (kept) makeAsKept(kept)
          // Before it is known what the cohort asks for, groups would be made without it.
          else if (result.ok && from === 'now' && facts) make(result.sizes)
        }}
      >
        <Field label="Groups are">
          {parts => (
            <Select {...parts} value={from} onChange={event => setFrom(event.target.value)}>
              <option value="now">made now</option>
              {facts?.saved.map(round => (
                <option key={round.id} value={round.id}>
                  as in {round.name}
                </option>
              ))}
              <option value="choice">by choice of room</option>
              <option value="sit">as they sit</option>
              <option value="hand">by hand, from empty rooms</option>
              <option value="list">from a list that is pasted</option>
            </Select>
          )}
        </Field>
        {from === 'list' && <FromList here={here} send={send} />}
        {from === 'sit' && <AsTheySit view={view} here={here} send={send} />}
        {(from === 'choice' || from === 'hand') && (
          <NamedRooms key={from} view={view} chosen={from === 'choice'} send={send} />
        )}
        {from === 'now' && (
          <Flex gap="12px" wrap="wrap">
            <SizeFields {...sizes} />
          </Flex>
        )}
        <chakra.output aria-live="polite" display={from === 'now' ? undefined : 'none'}>
          {result.ok ? (
            <>
              <b>{sizesText(result.sizes)}</b>{' '}
              <chakra.span color="quiet">of the {here.length} here</chakra.span>
            </>
          ) : (
            <chakra.span color="stop" fontWeight="600">
              {sizeProblemText(result.problem)}
            </chakra.span>
          )}
        </chakra.output>
        {from === 'now' && facts && facts.history.size > 0 && (
          <Tick checked={fresh} onChange={event => setFresh(event.target.checked)}>
            Fresh pairs: people who have not worked together
          </Tick>
        )}
        {(from === 'now' || kept) && facts && facts.rules.length > 0 && (
          <Tick checked={keepRules} onChange={event => setKeepRules(event.target.checked)}>
            {facts.rules.length === 1
              ? 'Keep the 1 rule of the cohort'
              : `Keep the ${facts.rules.length} rules of the cohort`}
          </Tick>
        )}
        {from === 'now' && facts && facts.columns.length > 0 && (
          <Field label="Every group">
            {parts => (
              <Select {...parts} value={column} onChange={event => setColumn(event.target.value)}>
                <option value="">as it comes</option>
                {columnWishes(facts.columns).map(({ value, text }) => (
                  <option key={value} value={value}>
                    {text}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        )}
        <Flex gap="8px" wrap="wrap">
          {from === 'now' && (
            <Unless state={state} off={!result.ok || facts === null}>
              {disabled => (
                <Button type="submit" kind="main" disabled={disabled}>
                  <Shuffle size={18} aria-hidden="true" /> {made ? 'Reshuffle' : 'Make groups'}
                </Button>
              )}
            </Unless>
          )}
          {kept && (
            <Unless state={state} off={here.length === 0}>
              {disabled => (
                <Button type="submit" kind="main" disabled={disabled}>
                  Make these groups
                </Button>
              )}
            </Unless>
          )}
          {view.roomsMadeAt !== null && (
            <Unless state={state} off={false}>
              {disabled => (
                <Button
                  disabled={disabled}
                  onClick={() => send({ type: 'undo-rooms', madeAt: view.roomsMadeAt ?? undefined })}
                >
                  <Undo2 size={18} aria-hidden="true" /> Undo
                </Button>
              )}
            </Unless>
          )}
        </Flex>
        <RolesRule view={view} send={send} />
        <Said state={state} />
        <chakra.p color="quiet" fontSize="s">
          Everybody stays until you send them out; a name in the lanes can be put elsewhere before that.{' '}
          {view.rounds.begun > 0 && 'Rooms of earlier rounds are closed, and keep what was made in them. '}
          {waiting > 0 && `${waiting} on the waiting list are not counted.`}
        </chakra.p>
        {made && <GroupsToHold groups={groups} held={held} onHold={hold} />}
      </Stack>
    </Drawer>
  )
}

interface UnlessProps {
  state: MakingState
  /** It can not be pressed anyway. */
  off: boolean
  children: (disabled: boolean) => ReactNode
}

/** A button that can not be pressed while groups are made. */
function Unless({ state, off, children }: UnlessProps) {
  const { busy } = useMakingState(state)
  return children(off || busy)
}

/** What there is to say of the groups that were made. */
function Said({ state }: { state: MakingState }) {
  const { said, failed } = useMakingState(state)
  return (
    <Box role="status">
      {said && <p>{said}</p>}
      {failed && (
        <Message kind="problem">The groups could not be worked out. Reload the page and try again.</Message>
      )}
    </Box>
  )
}
