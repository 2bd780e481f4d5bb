import { chakra, Flex } from '@chakra-ui/react'
import { useState } from 'react'
import type { Group } from '~/core/grouping/grouping'
import { listed } from '~/core/grouping/rule-text'
import { fullName, isFoundBy } from '~/core/people/shown-name'
import { Button } from '../../../ui/button'
import { Field, Input, Select } from '../../../ui/fields'
import { placeId } from './arranger'
import type { GroupedPerson } from './grouped-person'
import type { useChosen } from './use-chosen'

interface ChosenBarProps {
  people: Map<string, GroupedPerson>
  places: Group[]
  choice: ReturnType<typeof useChosen>
}

/** Finds people by name and places those who are chosen: by a number key, or from a list. */
export function ChosenBar({ people, places, choice }: ChosenBarProps) {
  const { chosen, choosing } = choice
  const [typed, setTyped] = useState('')
  const first =
    typed.trim() === ''
      ? undefined
      : [...people.values()].find(
          person => !chosen.has(person.id) && isFoundBy(typed, person.shownName, fullName(person)),
        )
  const names = [...chosen].map(id => people.get(id)?.shownName ?? '')
  const take = () => {
    if (!first) return
    choice.choose(first.id)
    setTyped('')
    const group = places.find(({ personIds }) => personIds.includes(first.id))
    if (group) document.getElementById(placeId(group.id))?.scrollIntoView({ block: 'nearest' })
  }
  return (
    <Flex gap="12px" wrap="wrap" align="flex-end" my="10px">
      <chakra.div w="220px">
        <Field label="Find somebody">
          {parts => (
            <Input
              {...parts}
              value={typed}
              autoComplete="off"
              placeholder={chosen.size === 0 ? 'start of a name, then Enter' : 'another, or a group’s number'}
              onChange={event => setTyped(event.target.value)}
              onKeyDown={event => {
                if (event.key === 'Enter') {
                  event.preventDefault()
                  take()
                }
                if (typed === '' && chosen.size > 0 && placeByKey(event.key, places, choice.place))
                  event.preventDefault()
              }}
            />
          )}
        </Field>
      </chakra.div>
      <Button size="small" mb="4px" aria-pressed={choosing} onClick={() => choice.setChoosing(!choosing)}>
        {choosing ? 'Done choosing' : 'Choose several'}
      </Button>
      <chakra.div role="status" aria-label="Chosen" mb="8px">
        {typed.trim() !== '' && (first ? `Enter takes ${first.shownName}` : 'Nobody of that name.')}
        {typed.trim() === '' && chosen.size > 0 && (
          <>
            Chosen: <b>{listed(names)}</b>
          </>
        )}
      </chakra.div>
      {chosen.size > 0 && (
        <Flex gap="8px" align="flex-end" mb="4px">
          <Field label="Place them in" hideLabel>
            {parts => (
              <Select
                {...parts}
                value=""
                minH="30px"
                py="2px"
                onChange={event => choice.place(event.target.value === 'none' ? null : event.target.value)}
              >
                <option value="">place in…</option>
                {places.map(({ id, name }, index) => (
                  <option key={id} value={id}>
                    {index < 9 ? `${index + 1}: ` : ''}
                    {name}
                  </option>
                ))}
                <option value="none">0: in no group</option>
              </Select>
            )}
          </Field>
          {chosen.size === 2 && (
            <Button size="small" onClick={choice.swap}>
              Swap
            </Button>
          )}
          <Button size="small" kind="bare" onClick={choice.clear}>
            Choose nobody
          </Button>
        </Flex>
      )}
    </Flex>
  )
}

/** 1 to 9 stand for the first groups, 0 for no group. False for other keys. */
export function placeByKey(
  key: string,
  places: readonly { id: string }[],
  onPlace: (groupId: string | null) => void,
): boolean {
  if (!/^\d$/.test(key)) return false
  if (key === '0') onPlace(null)
  else {
    const place = places[Number(key) - 1]
    if (!place) return false
    onPlace(place.id)
  }
  return true
}
