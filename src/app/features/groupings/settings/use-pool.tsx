import { chakra, Flex } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import { presentOn } from '~/core/people/presence'
import { Choice } from '../../../ui/fields'
import { useToday } from '../../../ui/use-today'
import type { GroupedCohort } from '../groups/grouped-person'

/** Of whom groups are made: of those here today, or of the whole list. */
export function usePool(cohort: GroupedCohort) {
  const [wholeList, setWholeList] = useState(false)
  const today = useToday()
  const here = today ? presentOn(cohort.presence, today, cohort.people) : null
  const ids = cohort.people.map(person => person.id)
  const absent = useStable(new Set(here && !wholeList ? ids.filter(id => !here.includes(id)) : []))
  const pool = cohort.people.filter(person => !absent.has(person.id))
  const whom = here && (
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
  )
  return { pool, absent, whom }
}

/** The same object as long as it says the same: so that what depends on it is not drawn again for nothing. */
export function useStable<Value extends Iterable<string>>(value: Value): Value {
  const text = JSON.stringify([...value])
  // biome-ignore lint/correctness/useExhaustiveDependencies: the text says all that the value does.
  return useMemo(() => value, [text])
}
