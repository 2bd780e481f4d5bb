import { Box, chakra, Flex, Grid } from '@chakra-ui/react'
import {
  type Active,
  closestCenter,
  DndContext,
  type DragEndEvent,
  DragOverlay,
  type DragStartEvent,
  type Over,
  pointerWithin,
  useDroppable,
} from '@dnd-kit/core'
import { memo, type ReactNode, useCallback, useMemo, useState } from 'react'
import type { Edit } from '~/core/grouping/edits'
import type { Arrangement } from '~/core/grouping/grouping'
import { Button } from '../../../ui/button'
import { useDragSensors } from '../../../ui/dragging'
import { Field, Input } from '../../../ui/fields'
import { moveByArrows } from '../../../ui/list-keys'
import { RoomMark } from '../../../ui/room-mark'
import type { GroupedPerson } from './grouped-person'
import { PersonChip } from './person-chip'

/** The id of a group's place on the page. */
export const placeId = (groupId: string) => `group-${groupId}`

/** Where somebody in no group is dropped. */
const UNPLACED = 'unplaced'

/** What moving somebody would do to a group, in a few words; nothing to say is an empty list. */
export type MoveEffect = (personId: string, groupId: string) => string[]

interface ArrangerProps {
  people: Map<string, GroupedPerson>
  /** Who is not here today; empty when groups are made of the whole list. */
  absent: ReadonlySet<string>
  /** Who stays when groups are made again. */
  held: ReadonlySet<string>
  onHold: (personIds: string[], hold: boolean) => void
  /** Those who are dragged and placed together. */
  chosen: ReadonlySet<string>
  choosing: boolean
  onChoose: (personId: string) => void
  onClearChoice: () => void
  roles: Record<string, string>
  effect: MoveEffect
  arrangement: Arrangement
  onAct: (edit: Edit) => void
}

/** Groups side by side: drag somebody, or choose their name and pick where they go. */
export const Arranger = memo(function Arranger(props: ArrangerProps) {
  const { people, absent, held, onHold, effect, arrangement, onAct } = props
  const { chosen, choosing, onChoose, onClearChoice, roles } = props
  const sensors = useDragSensors()
  const announcements = useMemo(() => {
    const who = (id: string | number) => people.get(String(id))?.shownName ?? 'Somebody'
    const where = (id: string | number) =>
      id === UNPLACED ? 'in no group' : (arrangement.groups.find(group => group.id === id)?.name ?? '')
    return {
      onDragStart: ({ active }: { active: Active }) => `${who(active.id)} is taken up.`,
      onDragOver: ({ active, over }: { active: Active; over: Over | null }) =>
        over ? `${who(active.id)} is over: ${where(over.id)}.` : undefined,
      onDragEnd: ({ active, over }: { active: Active; over: Over | null }) =>
        over ? `${who(active.id)} was put: ${where(over.id)}.` : `${who(active.id)} stays.`,
      onDragCancel: ({ active }: { active: Active }) => `${who(active.id)} stays.`,
    }
  }, [people, arrangement.groups])
  const [dragged, setDragged] = useState<string | null>(null)
  const move = useCallback(
    (personId: string, groupId: string | null) => onAct({ type: 'move', personIds: [personId], groupId }),
    [onAct],
  )
  /** With somebody who is chosen go all who are. */
  const going = dragged && chosen.has(dragged) ? [...chosen] : dragged ? [dragged] : []
  const names = JSON.stringify(arrangement.groups.map(({ id, name }) => ({ id, name })))
  const places = useMemo(() => JSON.parse(names) as { id: string; name: string }[], [names])
  const chips = (ids: string[], here: string | null) =>
    ids.flatMap((id, index) => {
      const person = people.get(id)
      return person
        ? [
            <PersonChip
              // biome-ignore lint/suspicious/noArrayIndexKey: when hundreds change groups, changing words in place is far cheaper than moving elements.
              key={index}
              person={person}
              absent={absent.has(id)}
              held={held.has(id)}
              chosen={chosen.has(id)}
              choosing={choosing}
              onChoose={onChoose}
              role={roles[id]}
              onHold={onHold}
              here={here}
              places={places}
              onMove={move}
            />,
          ]
        : []
    })
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    setDragged(null)
    if (!over) return
    const groupId = over.id === UNPLACED ? null : String(over.id)
    const personIds = chosen.has(String(active.id)) ? [...chosen] : [String(active.id)]
    onAct({ type: 'move', personIds, groupId })
    if (personIds.length > 1) onClearChoice()
  }
  return (
    <DndContext
      id="arranger"
      sensors={sensors}
      accessibility={{
        announcements,
        screenReaderInstructions: { draggable: 'Press Enter for where this person can go.' },
      }}
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
                <Flex as="ul" listStyleType="none" wrap="wrap" gap="6px" onKeyDown={moveByArrows}>
                  {chips(ids, null)}
                </Flex>
              </Box>
            ))}
        </DropPlace>
      )}
      <Grid templateColumns="repeat(auto-fill, minmax(210px, 1fr))" gap="12px" mt="12px" mb="24px">
        {arrangement.groups.map((group, index) => {
          const allHeld = group.personIds.length > 0 && group.personIds.every(id => held.has(id))
          return (
            <DropPlace key={group.id} id={group.id} label={group.name}>
              <Flex align="center" gap="8px" mb="8px">
                {chosen.size > 0 && index < 9 ? (
                  <chakra.kbd
                    borderWidth="1px"
                    borderRadius="4px"
                    px="6px"
                    fontSize="s"
                    title="Key to place them here"
                  >
                    {index + 1}
                  </chakra.kbd>
                ) : (
                  <RoomMark index={index} />
                )}
                <GroupName key={group.name} groupId={group.id} name={group.name} onAct={onAct} />
                <chakra.span fontWeight="650" fontVariantNumeric="tabular-nums" title="People in this group">
                  {group.personIds.length}
                </chakra.span>
              </Flex>
              <Flex
                as="ul"
                listStyleType="none"
                direction="column"
                gap="4px"
                minH="40px"
                onKeyDown={moveByArrows}
              >
                {chips(group.personIds, group.id)}
              </Flex>
              {dragged && !group.personIds.includes(dragged) && (
                <Effects words={[...new Set(going.flatMap(id => effect(id, group.id)))]} />
              )}
              {!dragged && group.personIds.length > 0 && (
                <Button
                  size="small"
                  kind="bare"
                  aria-pressed={allHeld}
                  onClick={() => onHold(group.personIds, !allHeld)}
                >
                  {allHeld ? `Let go of ${group.name}` : `Hold ${group.name}`}
                </Button>
              )}
            </DropPlace>
          )
        })}
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
            {going.length > 1 && ` and ${going.length - 1} more`}
          </Box>
        )}
      </DragOverlay>
    </DndContext>
  )
})

/** What dropping here would do, while somebody is dragged. */
function Effects({ words }: { words: string[] }) {
  return (
    <chakra.ul listStyleType="none" fontSize="s" mt="6px">
      {words.length === 0 && <chakra.li color="quiet">nothing against it</chakra.li>}
      {words.slice(0, MOST_EFFECTS).map(each => (
        <chakra.li key={each} color="ask" fontWeight="600">
          {each}
        </chakra.li>
      ))}
      {words.length > MOST_EFFECTS && (
        <chakra.li color="quiet">and {words.length - MOST_EFFECTS} more</chakra.li>
      )}
    </chakra.ul>
  )
}

/** More would push the groups below away from under the pointer. */
const MOST_EFFECTS = 3

/** Who stands in no group is seen however far one has scrolled. */
const IN_SIGHT = { position: 'sticky', top: '0', zIndex: 2, maxHeight: '32vh', overflowY: 'auto' } as const
/** Out of sight, a group is not laid out: with a hundred of them a better answer must not hold up the page. */
const LAID_OUT_IN_SIGHT = { contentVisibility: 'auto', containIntrinsicSize: 'auto 210px' } as const

function DropPlace({ id, label, children }: { id: string; label: string; children: ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id })
  return (
    <chakra.section
      ref={setNodeRef}
      id={placeId(id)}
      aria-label={label}
      bg="panel"
      borderWidth="1px"
      borderColor={isOver ? 'live' : 'line'}
      outline={isOver ? '2px solid var(--live)' : undefined}
      borderRadius="8px"
      p="10px"
      css={id === UNPLACED ? IN_SIGHT : LAID_OUT_IN_SIGHT}
    >
      {children}
    </chakra.section>
  )
}

interface GroupNameProps {
  groupId: string
  name: string
  onAct: (edit: Edit) => void
}

const GroupName = memo(function GroupName({ groupId, name, onAct }: GroupNameProps) {
  const keep = (typed: string) => {
    const wanted = typed.trim()
    if (wanted && wanted !== name) onAct({ type: 'rename', groupId, name: wanted })
  }
  return (
    <Box flex="1" minW="0">
      <Field label={`Name of ${name}`} hideLabel>
        {parts => (
          <Input
            {...parts}
            defaultValue={name}
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
})
