import { chakra, Flex } from '@chakra-ui/react'
import { Choice } from '../../../ui/fields'
import type { GroupingState } from '../page/use-grouping'

/** What is to be made; only what belongs to it is shown. */
export const PURPOSES = {
  once: 'Groups, once',
  rounds: 'Other groups each round',
  stations: 'Teams that go round stations',
  jigsaw: 'Experts, then home groups',
  choice: 'Groups from a choice',
} as const

export type Purpose = keyof typeof PURPOSES

/** What a grouping that is there already was made for. */
export function purposeOf({
  kept,
  like,
  rotation,
}: Pick<GroupingState, 'kept' | 'like' | 'rotation'>): Purpose {
  if (rotation.stations.length > 0) return 'stations'
  const rounds = kept ? 1 + kept.laterRounds.length : (like?.rounds ?? 1)
  return rounds > 1 ? 'rounds' : 'once'
}

interface PurposePickerProps {
  purpose: Purpose
  /** A grouping that is there already can no longer come of a choice. */
  isNew: boolean
  onChange: (purpose: Purpose) => void
}

export function PurposePicker({ purpose, isNew, onChange }: PurposePickerProps) {
  const purposes = (Object.keys(PURPOSES) as Purpose[]).filter(each => isNew || each !== 'choice')
  return (
    <chakra.fieldset mb="12px">
      <chakra.legend fontWeight="600" fontSize="s">
        What to make
      </chakra.legend>
      <Flex gap="2px 20px" wrap="wrap">
        {purposes.map(each => (
          <Choice key={each} name="purpose" checked={each === purpose} onChange={() => onChange(each)}>
            {PURPOSES[each]}
          </Choice>
        ))}
      </Flex>
    </chakra.fieldset>
  )
}
