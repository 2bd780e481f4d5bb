import { Box, chakra, Flex, Grid } from '@chakra-ui/react'
import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  DragOverlay,
  type DragStartEvent,
  PointerSensor,
  pointerWithin,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import { Redo2, Undo2 } from 'lucide-react'
import { type ReactNode, useReducer, useState } from 'react'
import { Link } from 'react-router'
import { editHistory, type HistoryAction, startHistory } from '~/core/grouping/edits'
import type { Arrangement, Group } from '~/core/grouping/grouping'
import { type Presence, presentOn } from '~/core/people/presence'
import { Button } from '../../ui/button'
import { Choice, Field, Input } from '../../ui/fields'
import { Message, PageHead } from '../../ui/layout'
import { RoomMark } from '../../ui/room-mark'
import { useToday } from '../../ui/use-today'
import type { GroupedPerson } from './grouped-person'
import { PersonChip } from './person-chip'
import { SaveGrouping } from './save-grouping'
import { SizePicker } from './size-picker'
import { useDraw } from './use-draw'

interface GroupingPageProps {
  cohort: { id: string; name: string; people: GroupedPerson[]; presence: Presence | null }
  kept: { id: string; name: string; groups: Group[]; version: number } | null
}

/** Where somebody in no group is dropped. */
const UNPLACED = 'unplaced'

export function GroupingPage({ cohort, kept }: GroupingPageProps) {
  const people = new Map(cohort.people.map(person => [person.id, person]))
  const [history, dispatch] = useReducer(editHistory, null, () =>
    startHistory(startFrom(cohort.people, kept?.groups ?? [])),
  )
  const [message, setMessage] = useState<string | null>(null)
  const { present } = history
  const [wholeList, setWholeList] = useState(false)
  const today = useToday()
  const here = today ? presentOn(cohort.presence, today, cohort.people) : null
  const absent = new Set(
    here && !wholeList ? cohort.people.map(({ id }) => id).filter(id => !here.includes(id)) : [],
  )
  const pool = cohort.people.filter(person => !absent.has(person.id))
  const draw = useDraw(pool, absent, present, (arrangement, note) => {
    dispatch({ type: 'replace', arrangement })
    setMessage(note)
  })
  const act = (action: HistoryAction) => {
    setMessage(null)
    dispatch(action)
  }
  return (
    <>
      <PageHead
        title={kept ? kept.name : 'Make groups'}
        under={<Link to={`/cohorts/${cohort.id}`}>{cohort.name}</Link>}
      >
        <Button onClick={() => act({ type: 'undo' })} disabled={history.past.length === 0}>
          <Undo2 size={18} aria-hidden="true" /> Undo
        </Button>
        <Button onClick={() => act({ type: 'redo' })} disabled={history.future.length === 0}>
          <Redo2 size={18} aria-hidden="true" /> Redo
        </Button>
      </PageHead>
      {here && (
        <chakra.fieldset mb="12px">
          <chakra.legend srOnly>Groups of whom</chakra.legend>
          <Flex gap="18px" wrap="wrap">
            <Choice name="whom" checked={!wholeList} onChange={() => setWholeList(false)}>
              the {here.length} here today
            </Choice>
            <Choice name="whom" checked={wholeList} onChange={() => setWholeList(true)}>
              all {cohort.people.length} on the list
            </Choice>
          </Flex>
        </chakra.fieldset>
      )}
      <SizePicker
        people={pool.length}
        listed={cohort.people.length}
        groups={present.groups.length}
        busy={draw.busy}
        made={present.groups.some(group => group.personIds.length > 0)}
        onDraw={draw.draw}
      />
      <Box aria-live="polite" my="12px">
        {message && <Message>{message}</Message>}
      </Box>
      <Arranger people={people} absent={absent} arrangement={present} onAct={act} />
      <SaveGrouping cohortId={cohort.id} kept={kept} groups={present.groups} people={people} />
    </>
  )
}

/** People who have joined the list since stand in no group; those who left it are taken out. */
function startFrom(people: GroupedPerson[], groups: Group[]): Arrangement {
  const listed = new Set(people.map(person => person.id))
  const placed = groups.map(group => ({ ...group, personIds: group.personIds.filter(id => listed.has(id)) }))
  const inGroup = new Set(placed.flatMap(group => group.personIds))
  return { groups: placed, unplacedIds: people.map(person => person.id).filter(id => !inGroup.has(id)) }
}

interface ArrangerProps {
  people: Map<string, GroupedPerson>
  /** Who is not here today; empty when groups are made of the whole list. */
  absent: ReadonlySet<string>
  arrangement: Arrangement
  onAct: (action: HistoryAction) => void
}

/** Groups side by side: drag somebody, or choose their name and pick where they go. */
function Arranger({ people, absent, arrangement, onAct }: ArrangerProps) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }))
  const [dragged, setDragged] = useState<string | null>(null)
  const move = (personId: string, groupId: string | null) =>
    onAct({ type: 'move', personIds: [personId], groupId })
  const places = arrangement.groups.map(({ id, name }) => ({ id, name }))
  const chips = (ids: string[], here: string | null) =>
    ids.flatMap(id => {
      const person = people.get(id)
      return person
        ? [
            <PersonChip
              key={id}
              person={person}
              absent={absent.has(id)}
              here={here}
              places={places}
              onMove={to => move(id, to)}
            />,
          ]
        : []
    })
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    setDragged(null)
    if (over) move(String(active.id), over.id === UNPLACED ? null : String(over.id))
  }
  return (
    <DndContext
      id="arranger"
      sensors={sensors}
      collisionDetection={arguments_ => {
        const under = pointerWithin(arguments_)
        return under.length > 0 ? under : closestCenter(arguments_)
      }}
      onDragStart={({ active }: DragStartEvent) => setDragged(String(active.id))}
      onDragEnd={onDragEnd}
      onDragCancel={() => setDragged(null)}
    >
      {arrangement.unplacedIds.length > 0 && (
        <DropPlace id={UNPLACED} label="In no group">
          {[
            { title: 'In no group', ids: arrangement.unplacedIds.filter(id => !absent.has(id)) },
            { title: 'Not here today', ids: arrangement.unplacedIds.filter(id => absent.has(id)) },
          ]
            .filter(({ ids }) => ids.length > 0)
            .map(({ title, ids }) => (
              <Box key={title} _notFirst={{ mt: '10px' }}>
                <chakra.h2 fontSize="m" mb="8px">
                  {title} <chakra.span color="quiet">{ids.length}</chakra.span>
                </chakra.h2>
                <Flex as="ul" listStyleType="none" wrap="wrap" gap="6px">
                  {chips(ids, null)}
                </Flex>
              </Box>
            ))}
        </DropPlace>
      )}
      <Grid templateColumns="repeat(auto-fill, minmax(210px, 1fr))" gap="12px" mt="12px" mb="24px">
        {arrangement.groups.map((group, place) => (
          <DropPlace key={group.id} id={group.id} label={group.name}>
            <Flex align="center" gap="8px" mb="8px">
              <RoomMark place={place} />
              <GroupName
                key={group.name}
                group={group}
                onRename={name => onAct({ type: 'rename', groupId: group.id, name })}
              />
              <chakra.span fontWeight="650" fontVariantNumeric="tabular-nums" title="People in this group">
                {group.personIds.length}
              </chakra.span>
            </Flex>
            <Flex as="ul" listStyleType="none" direction="column" gap="4px" minH="40px">
              {chips(group.personIds, group.id)}
            </Flex>
          </DropPlace>
        ))}
      </Grid>
      <DragOverlay dropAnimation={null}>
        {dragged && (
          <Box
            bg="panel"
            borderWidth="2px"
            borderColor="live"
            borderRadius="6px"
            px="10px"
            py="5px"
            fontWeight="600"
          >
            {people.get(dragged)?.shownName}
          </Box>
        )}
      </DragOverlay>
    </DndContext>
  )
}

function DropPlace({ id, label, children }: { id: string; label: string; children: ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id })
  return (
    <chakra.section
      ref={setNodeRef}
      aria-label={label}
      bg="panel"
      borderWidth="1px"
      borderColor={isOver ? 'live' : 'line'}
      outline={isOver ? '2px solid var(--live)' : undefined}
      borderRadius="8px"
      p="10px"
    >
      {children}
    </chakra.section>
  )
}

function GroupName({ group, onRename }: { group: Group; onRename: (name: string) => void }) {
  const keep = (typed: string) => {
    const name = typed.trim()
    if (name && name !== group.name) onRename(name)
  }
  return (
    <Box flex="1" minW="0">
      <Field label={`Name of ${group.name}`} hideLabel>
        {parts => (
          <Input
            {...parts}
            defaultValue={group.name}
            maxLength={60}
            fontWeight="650"
            px="6px"
            py="2px"
            minH="30px"
            borderColor="transparent"
            bg="transparent"
            _hover={{ borderColor: 'edge' }}
            onBlur={event => keep(event.target.value)}
            onKeyDown={event => event.key === 'Enter' && event.currentTarget.blur()}
          />
        )}
      </Field>
    </Box>
  )
}
