import { chakra } from '@chakra-ui/react'
import type { ChoiceTopic } from '~/core/choices/asked'
import { Field, Select } from '../../ui/fields'

interface WishFieldsProps {
  topics: ChoiceTopic[]
  most: number
  wishes: string[]
  onChange: (wishes: string[]) => void
}

/** A list to choose from for each wish; what is chosen elsewhere can't be chosen twice. */
export function WishFields({ topics, most, wishes, onChange }: WishFieldsProps) {
  return (
    <>
      {Array.from({ length: Math.min(most, wishes.length + 1) }, (_, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: wishes are told apart by their rank.
        <chakra.div key={index} minW="180px">
          <Field label={most === 1 ? 'Topic' : `Wish ${index + 1}`}>
            {parts => (
              <Select
                {...parts}
                value={wishes[index] ?? ''}
                onChange={event => {
                  const next = [...wishes]
                  next[index] = event.target.value
                  onChange(next.filter(wish => wish !== ''))
                }}
              >
                <option value="">none</option>
                {topics
                  .filter(({ id }) => id === wishes[index] || !wishes.includes(id))
                  .map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
              </Select>
            )}
          </Field>
        </chakra.div>
      ))}
    </>
  )
}
