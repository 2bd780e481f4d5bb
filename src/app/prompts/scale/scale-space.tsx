import { Box, chakra, Flex } from '@chakra-ui/react'
import { eachOf } from '~/core/boards/prompts/each/document'
import { type Placed, scale, spreadOf } from '~/core/boards/prompts/scale/scale'
import { Button } from '../../ui/button'
import { OwnReason } from '../own-reason'
import { Reasons, Spread } from '../person-answers'
import type { PromptSpaceProps } from '../prompt-space'
import { useAnswer } from '../use-shared'
import { stepLabels } from './scale-answer'

/** Everybody takes a place between two ends; where the others stand shows once one has. */
export default function ScaleSpace({
  prompt,
  connection,
  readOnly,
  full,
  myId,
  names,
}: PromptSpaceProps<'scale'>) {
  const { doc } = connection
  const answer = useAnswer(doc, scale, prompt)
  const { low, high, steps, reasons } = prompt.settings
  const mine: Placed = answer.placed.find(({ personId }) => personId === myId) ?? { value: null, reason: '' }
  const save = (change: Partial<Placed>) => {
    if (myId) eachOf(doc, prompt.id).set(myId, { value: mine.value, reason: mine.reason, ...change })
  }
  return (
    <Box>
      {!readOnly && (
        <>
          <Flex role="group" aria-label={prompt.text} gap="6px" wrap="wrap">
            {stepLabels(prompt.settings).map((label, step) => (
              <Button
                key={label}
                kind={mine.value === step + 1 ? 'main' : 'plain'}
                aria-pressed={mine.value === step + 1}
                aria-label={label}
                minW="44px"
                minH="44px"
                px="6px"
                onClick={() => save({ value: mine.value === step + 1 ? null : step + 1 })}
              >
                {step + 1}
              </Button>
            ))}
          </Flex>
          <Flex
            justify="space-between"
            gap="12px"
            fontSize="s"
            color="quiet"
            maxW={`${steps * 50}px`}
            mb="8px"
          >
            <span>1 {low}</span>
            <chakra.span textAlign="right">
              {steps} {high}
            </chakra.span>
          </Flex>
          {reasons && (
            <OwnReason
              kept={`reason-${connection.copyId}-${prompt.id}`}
              said={mine.reason}
              full={full}
              longest={2_000}
              onSay={reason => save({ reason })}
            />
          )}
        </>
      )}
      {readOnly || mine.value !== null ? (
        <Box bg="panel" borderWidth="1px" borderRadius="6px" p="10px" mt="10px" role="status">
          <chakra.p fontSize="s" color="quiet" mb="6px">
            {scale.summary(answer)}
          </chakra.p>
          <Spread
            counts={spreadOf(answer)}
            labels={stepLabels(prompt.settings)}
            label="How many stand where"
          />
          <Reasons
            reasons={answer.placed.map(({ personId, value, reason }) => ({
              key: personId,
              name: names[personId],
              said: String(value ?? '–'),
              reason,
            }))}
          />
        </Box>
      ) : (
        <chakra.p color="quiet" fontSize="s" mt="4px">
          {answer.placed.length > 0
            ? `${answer.placed.length} answered. Where they stand shows once you have.`
            : 'Where the others stand shows once you have.'}
        </chakra.p>
      )}
    </Box>
  )
}
