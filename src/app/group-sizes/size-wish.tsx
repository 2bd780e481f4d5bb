import { chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { groupSizes, type SizeResult, type SizeWish } from '~/core/grouping/sizes'
import { Field, Input, Select } from '../ui/fields'

export interface TypedSizes {
  by: SizeWish['by']
  /** As it was typed. */
  number: string
}

/** How many groups, or how many people each, as somebody types it; and the sizes that come of it. */
export function useTypedSizes(
  people: number,
  begin: TypedSizes,
): { typed: TypedSizes; setTyped: (typed: TypedSizes) => void; result: SizeResult } {
  const [typed, setTyped] = useState(begin)
  const { by } = typed
  const number = typed.number.trim() === '' ? Number.NaN : Number(typed.number)
  const result = groupSizes(people, by === 'groups' ? { by, groups: number } : { by, people: number })
  return { typed, setTyped, result }
}

/** Its two fields. */
export function SizeFields({ typed, setTyped, result }: ReturnType<typeof useTypedSizes>) {
  const { by, number } = typed
  return (
    <>
      <chakra.div w="200px">
        <Field label="Say how">
          {parts => (
            <Select
              {...parts}
              value={by}
              onChange={event => setTyped({ by: event.target.value as SizeWish['by'], number })}
            >
              <option value="people">about so many each</option>
              <option value="groups">so many groups</option>
            </Select>
          )}
        </Field>
      </chakra.div>
      <chakra.div w="100px">
        <Field label={by === 'groups' ? 'Groups' : 'People each'} errors={result.ok ? undefined : ['']}>
          {parts => (
            <Input
              {...parts}
              type="number"
              inputMode="numeric"
              min={1}
              value={number}
              onChange={event => setTyped({ by, number: event.target.value })}
            />
          )}
        </Field>
      </chakra.div>
    </>
  )
}
