import { Box, chakra, Flex, Table } from '@chakra-ui/react'
import { useRef, useState } from 'react'
import { useFetcher } from 'react-router'
import type { Column } from '~/core/people/columns'
import { fullName, isFoundBy } from '~/core/people/shown-name'
import { Button } from '../../ui/button'
import { Field, Input } from '../../ui/fields'
import { moveByArrows } from '../../ui/list-keys'
import { useRowsInSight } from '../../ui/rows-in-sight'
import { formWith, type Person } from './person'
import { ChangePerson } from './person-form'
import type { PresentToday } from './present-today'

interface PeopleTableProps {
  people: Person[]
  columns: Column[]
  present: PresentToday
  onRemoved: (ids: string[], words: string) => void
}

/** The list: type to filter, arrow keys to move, tick to choose, Enter or a click to change somebody in place. */
export function PeopleTable({ people, columns, present, onRemoved }: PeopleTableProps) {
  const [filter, setFilter] = useState('')
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set())
  const [changing, setChanging] = useState<Person | null>(null)
  const fetcher = useFetcher()
  const shown = people.filter(person => isFoundBy(filter, fullName(person), person.shownName))
  const chosen = people.filter(person => ticked.has(person.id))

  const remove = (list: Person[]) => {
    const words =
      list.length === 1
        ? `${fullName(list[0] as Person)} was taken off the list.`
        : `${list.length} people were taken off the list.`
    const ids = list.map(person => person.id)
    fetcher.submit(formWith('remove', ids), { method: 'post', action: 'people' })
    setTicked(new Set())
    onRemoved(ids, words)
  }
  const tick = (id: string, on: boolean) => {
    const next = new Set(ticked)
    if (on) next.add(id)
    else next.delete(id)
    setTicked(next)
  }

  const here = present.here && new Set(present.here)
  const width = 6 + columns.length + (here ? 1 : 0)
  const body = useRef<HTMLTableSectionElement>(null)
  const rows = useRowsInSight(shown, body)
  // What is being written of somebody stays while their row is out of sight, and in sight when they are off the list.
  const isOut = changing && !rows.inSight.some(({ item }) => item.id === changing.id)
  const out = isOut ? [{ item: changing, index: -1, measure: () => undefined }] : []
  const isListed = (person: Person) => people.some(({ id }) => id === person.id)
  return (
    <Box onKeyDown={moveByArrows}>
      <Flex gap="12px" align="center" mb="10px" wrap="wrap">
        <chakra.div w="260px">
          <Field label="Find by name" hideLabel>
            {parts => (
              <Input
                {...parts}
                type="search"
                placeholder="Find by name"
                value={filter}
                onChange={event => setFilter(event.target.value)}
              />
            )}
          </Field>
        </chakra.div>
        {chosen.length > 0 && (
          <Button kind="stop" onClick={() => remove(chosen)}>
            Take {chosen.length} off the list
          </Button>
        )}
        {shown.length < people.length && (
          <chakra.span color="quiet">
            {shown.length} of {people.length}
          </chakra.span>
        )}
      </Flex>
      <chakra.div
        position="relative"
        overflowX="auto"
        containerType="inline-size"
        tabIndex={0}
        role="region"
        aria-label="People on the list"
      >
        <Table.Root>
          <Table.Header>
            <Table.Row>
              <Table.ColumnHeader>Choose</Table.ColumnHeader>
              {here && <Table.ColumnHeader>Here</Table.ColumnHeader>}
              <Table.ColumnHeader {...STAYS}>Name</Table.ColumnHeader>
              <Table.ColumnHeader>Shown as</Table.ColumnHeader>
              <Table.ColumnHeader>Email</Table.ColumnHeader>
              <Table.ColumnHeader>Trained to lead</Table.ColumnHeader>
              {columns.map(column => (
                <Table.ColumnHeader key={column.name}>{column.name}</Table.ColumnHeader>
              ))}
              <Table.ColumnHeader>
                <chakra.span srOnly>Actions</chakra.span>
              </Table.ColumnHeader>
            </Table.Row>
          </Table.Header>
          <Table.Body ref={body}>
            <Gap height={rows.before} />
            {[...rows.inSight, ...out].map(({ item: person, index, measure }) =>
              changing?.id === person.id ? (
                <Table.Row
                  key={person.id}
                  ref={measure}
                  data-index={index}
                  hidden={index === -1 && isListed(person)}
                >
                  <Table.Cell colSpan={width}>
                    {/* In sight as a whole, however far the table goes beside the screen. */}
                    <chakra.div position="sticky" left="8px" maxW="calc(100cqw - 24px)">
                      <ChangePerson person={person} columns={columns} onDone={() => setChanging(null)} />
                    </chakra.div>
                  </Table.Cell>
                </Table.Row>
              ) : (
                <PersonRow
                  key={person.id}
                  row={{ ref: measure, 'data-index': index }}
                  person={person}
                  columns={columns}
                  ticked={ticked.has(person.id)}
                  here={here?.has(person.id)}
                  onHere={on => present.tick(person.id, on)}
                  onTick={on => tick(person.id, on)}
                  onChange={() => setChanging(person)}
                  onRemove={() => remove([person])}
                />
              ),
            )}
            <Gap height={rows.after} />
          </Table.Body>
        </Table.Root>
      </chakra.div>
    </Box>
  )
}

/** Stands for rows out of sight. */
const Gap = ({ height }: { height: number }) => (height > 0 ? <tr style={{ height: `${height}px` }} /> : null)

interface PersonRowProps {
  /** What measures the row. */
  row: { ref: (element: HTMLElement | null) => void; 'data-index': number }
  person: Person
  columns: Column[]
  ticked: boolean
  /** Undefined while presence is not kept today. */
  here: boolean | undefined
  onHere: (on: boolean) => void
  onTick: (on: boolean) => void
  onChange: () => void
  onRemove: () => void
}

const box = { w: '20px', h: '20px', accentColor: 'var(--live)', verticalAlign: 'middle' }

/** Whose row it is can be read however far the list is moved sideways. */
const STAYS = { position: 'sticky', left: '0', bg: 'paper', zIndex: '1' } as const

function PersonRow({
  row,
  person,
  columns,
  ticked,
  here,
  onHere,
  onTick,
  onChange,
  onRemove,
}: PersonRowProps) {
  const fetcher = useFetcher()
  const name = fullName(person)
  const trained = fetcher.formData ? fetcher.formData.get('trained') === 'on' : person.trainedToLead
  const setTrained = (on: boolean) => {
    const form = formWith('trained', [person.id])
    form.set('trained', on ? 'on' : 'off')
    fetcher.submit(form, { method: 'post', action: 'people' })
  }
  return (
    <Table.Row {...row}>
      <Table.Cell w="36px">
        <chakra.input
          type="checkbox"
          {...box}
          aria-label={`Choose ${name}`}
          value={person.id}
          checked={ticked}
          onChange={event => onTick(event.target.checked)}
          onKeyDown={event => event.key === 'Enter' && onChange()}
        />
      </Table.Cell>
      {here !== undefined && (
        <Table.Cell w="50px">
          <chakra.input
            type="checkbox"
            {...box}
            aria-label={`${name} is here today`}
            checked={here}
            onChange={event => onHere(event.target.checked)}
          />
        </Table.Cell>
      )}
      <Table.Cell fontWeight="600" {...STAYS}>
        {name}
      </Table.Cell>
      <Table.Cell>{person.shownName}</Table.Cell>
      <Table.Cell color="quiet">{person.email}</Table.Cell>
      <Table.Cell>
        <chakra.input
          type="checkbox"
          {...box}
          aria-label={`${name} is trained to lead`}
          checked={trained}
          onChange={event => setTrained(event.target.checked)}
        />
      </Table.Cell>
      {columns.map(column => (
        <Table.Cell key={column.name}>{person.columns[column.name]}</Table.Cell>
      ))}
      <Table.Cell whiteSpace="nowrap" textAlign="right">
        <Button size="small" kind="bare" onClick={onChange} aria-label={`Change ${name}`}>
          Change
        </Button>
        <Button size="small" kind="bare" onClick={onRemove} aria-label={`Take ${name} off the list`}>
          Remove
        </Button>
      </Table.Cell>
    </Table.Row>
  )
}
