import { chakra, Flex } from '@chakra-ui/react'
import { X } from 'lucide-react'
import { useState } from 'react'
import { fullName, isFoundBy } from '~/core/people/shown-name'
import { Button } from '../../../ui/button'
import { Field, Input } from '../../../ui/fields'
import type { GroupedPerson } from '../groups/grouped-person'

interface PeoplePickerProps {
  people: Map<string, GroupedPerson>
  chosen: string[]
  onChange: (personIds: string[]) => void
}

const MOST_SHOWN = 6

/** People found by the start of a name, accents ignored: Enter takes the first, a click any. */
export function PeoplePicker({ people, chosen, onChange }: PeoplePickerProps) {
  const [typed, setTyped] = useState('')
  const wanted = typed.trim()
  const fitting = [...people.values()].filter(
    person => !chosen.includes(person.id) && isFoundBy(typed, person.shownName, fullName(person)),
  )
  const take = (person: GroupedPerson | undefined) => {
    if (!person) return
    onChange([...chosen, person.id])
    setTyped('')
  }
  return (
    <div>
      <Field label="People" hint={chosen.length === 0 ? 'Type the start of a name.' : undefined}>
        {parts => (
          <Input
            {...parts}
            value={typed}
            autoComplete="off"
            onChange={event => setTyped(event.target.value)}
            onKeyDown={event => {
              if (event.key !== 'Enter') return
              event.preventDefault()
              if (wanted) take(fitting[0])
            }}
          />
        )}
      </Field>
      {wanted && (
        <Flex wrap="wrap" gap="4px" mt="6px">
          {fitting.slice(0, MOST_SHOWN).map(person => (
            <Button key={person.id} size="small" onClick={() => take(person)}>
              {person.shownName}
            </Button>
          ))}
          {fitting.length === 0 && <chakra.span color="quiet">Nobody of that name.</chakra.span>}
          {fitting.length > MOST_SHOWN && (
            <chakra.span color="quiet">and {fitting.length - MOST_SHOWN} more</chakra.span>
          )}
        </Flex>
      )}
      {chosen.length > 0 && (
        <Flex as="ul" listStyleType="none" wrap="wrap" gap="4px" mt="6px" aria-label="People of the rule">
          {chosen.map(id => (
            <chakra.li key={id} bg="sunk" borderRadius="4px" pl="8px" fontSize="s">
              {people.get(id)?.shownName}
              <chakra.button
                type="button"
                px="6px"
                py="4px"
                cursor="pointer"
                aria-label={`Leave out ${people.get(id)?.shownName}`}
                onClick={() => onChange(chosen.filter(other => other !== id))}
              >
                <X size={14} aria-hidden="true" />
              </chakra.button>
            </chakra.li>
          ))}
        </Flex>
      )}
    </div>
  )
}
