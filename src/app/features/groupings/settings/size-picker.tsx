import { chakra, Flex } from '@chakra-ui/react'
import { Shuffle } from 'lucide-react'
import { useState } from 'react'
import { MOST_ROUNDS } from '~/contracts/forms/groupings'
import { mostRounds } from '~/core/grouping/rounds/repeats'
import { sizeProblemText, sizesText } from '../../../group-sizes/size-text'
import { SizeFields, useTypedSizes } from '../../../group-sizes/size-wish'
import { Button } from '../../../ui/button'
import { Field, Input } from '../../../ui/fields'

interface SizePickerProps {
  people: number
  groups: number
  /** How many stand on the whole list, when groups are made only of those present. */
  listed: number
  made: boolean
  busy: boolean
  /** Whether other groups are made each round; otherwise there is one. */
  inRounds: boolean
  /** Rounds of the grouping as it is. */
  rounds: number
  onDraw: (sizes: number[], rounds: number) => void
}

/** How many groups, said either way, with the sizes that come of it. */
export function SizePicker({
  inRounds,
  people,
  listed,
  groups,
  rounds,
  made,
  busy,
  onDraw,
}: SizePickerProps) {
  const sizes = useTypedSizes(
    people,
    groups > 0 ? { by: 'groups', number: String(groups) } : { by: 'people', number: '3' },
  )
  const { result } = sizes
  const [typedRounds, setTypedRounds] = useState(String(Math.max(2, rounds)))
  const wantedRounds = inRounds ? Number(typedRounds) : 1
  const roundsFit = Number.isInteger(wantedRounds) && wantedRounds >= 1 && wantedRounds <= MOST_ROUNDS
  return (
    <Flex
      as="form"
      gap="12px"
      align="flex-start"
      wrap="wrap"
      onSubmit={event => {
        event.preventDefault()
        if (result.ok && roundsFit) onDraw(result.sizes, wantedRounds)
      }}
    >
      <SizeFields {...sizes} />
      {inRounds && (
        <chakra.div w="84px">
          <Field label="Rounds" errors={roundsFit ? undefined : ['']}>
            {parts => (
              <Input
                {...parts}
                type="number"
                inputMode="numeric"
                min={1}
                max={MOST_ROUNDS}
                value={typedRounds}
                onChange={event => setTypedRounds(event.target.value)}
              />
            )}
          </Field>
        </chakra.div>
      )}
      <chakra.output pt="26px" flex="1" minW="220px" aria-live="polite">
        {!roundsFit ? (
          <chakra.span color="stop" fontWeight="600">
            Enter 1 to {MOST_ROUNDS} rounds.
          </chakra.span>
        ) : result.ok ? (
          <>
            <b>{sizesText(result.sizes)}</b>{' '}
            <chakra.span color="quiet">
              {people < listed
                ? `from the ${people} here today, of ${listed} on the list`
                : `from all ${people} on the list`}
              {wantedRounds > mostRounds(result.sizes) &&
                `; without meeting twice at most ${mostRounds(result.sizes)} rounds`}
            </chakra.span>
          </>
        ) : (
          <chakra.span color="stop" fontWeight="600">
            {sizeProblemText(result.problem)}
          </chakra.span>
        )}
      </chakra.output>
      <Button type="submit" kind="main" mt="24px" disabled={!result.ok || !roundsFit || busy}>
        <Shuffle size={18} aria-hidden="true" /> {made ? 'Reshuffle' : 'Make groups'}
      </Button>
    </Flex>
  )
}
