import { chakra, Flex } from '@chakra-ui/react'
import { Shuffle } from 'lucide-react'
import { useState } from 'react'
import { groupSizes, type SizeProblem, type SizeWish } from '~/core/grouping/sizes'
import { Button } from '../../ui/button'
import { Field, Input, Select } from '../../ui/fields'

interface SizePickerProps {
  people: number
  groups: number
  /** How many stand on the whole list, when groups are made only of those present. */
  listed: number
  made: boolean
  busy: boolean
  onDraw: (sizes: number[]) => void
}

/** How many groups, said either way, with the sizes that come of it. */
export function SizePicker({ people, listed, groups, made, busy, onDraw }: SizePickerProps) {
  const [by, setBy] = useState<SizeWish['by']>(groups > 0 ? 'groups' : 'people')
  const [typed, setTyped] = useState(String(groups > 0 ? groups : 3))
  const number = typed.trim() === '' ? Number.NaN : Number(typed)
  const result = groupSizes(people, by === 'groups' ? { by, groups: number } : { by, people: number })
  return (
    <Flex
      as="form"
      gap="12px"
      align="flex-start"
      wrap="wrap"
      onSubmit={event => {
        event.preventDefault()
        if (result.ok) onDraw(result.sizes)
      }}
    >
      <chakra.div w="200px">
        <Field label="Say how">
          {parts => (
            <Select {...parts} value={by} onChange={event => setBy(event.target.value as SizeWish['by'])}>
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
              value={typed}
              onChange={event => setTyped(event.target.value)}
            />
          )}
        </Field>
      </chakra.div>
      <chakra.output pt="26px" flex="1" minW="220px" aria-live="polite">
        {result.ok ? (
          <>
            <b>{sizesText(result.sizes)}</b>{' '}
            <chakra.span color="quiet">
              {people < listed
                ? `from the ${people} here today, of ${listed} on the list`
                : `from all ${people} on the list`}
            </chakra.span>
          </>
        ) : (
          <chakra.span color="stop" fontWeight="600">
            {sizeProblemText(result.problem)}
          </chakra.span>
        )}
      </chakra.output>
      <Button type="submit" kind="main" mt="24px" disabled={!result.ok || busy}>
        <Shuffle size={18} aria-hidden="true" /> {made ? 'Reshuffle' : 'Make groups'}
      </Button>
    </Flex>
  )
}

/** `6 groups: 4, 4, 3, 3, 3, 3` */
function sizesText(sizes: number[]): string {
  return `${sizes.length === 1 ? '1 group' : `${sizes.length} groups`}: ${sizes.join(', ')}`
}

function sizeProblemText(problem: SizeProblem): string {
  switch (problem.code) {
    case 'too-few-people':
      return 'Groups need at least two people.'
    case 'not-a-count':
      return 'Enter a whole number of at least 1.'
    case 'group-of-one':
      return `Nobody is left alone: with ${problem.people} people, at most ${problem.mostGroups} groups of two or more.`
  }
}
