import { Box, chakra, Stack } from '@chakra-ui/react'
import { type ChoiceAnswer, choice, countsOf } from '~/core/boards/prompts/choice/choice'
import { becauseOf, type Chosen, decidedOf, LONGEST_REASON } from '~/core/boards/prompts/choice/document'
import { eachOf } from '~/core/boards/prompts/each/document'
import { letterOf } from '~/core/boards/prompts/settings'
import { Button } from '../../ui/button'
import { Field, TextArea } from '../../ui/fields'
import { OwnReason } from '../own-reason'
import { Reasons, Spread } from '../person-answers'
import type { PromptSpaceProps } from '../prompt-space'
import { useAnswer, useSharedText } from '../use-shared'
import Shown, { lettered } from './choice-answer'

/** One of several is chosen, by the group or by each, and why. */
export default function ChoiceSpace(props: PromptSpaceProps<'choice'>) {
  return props.prompt.settings.by === 'group' ? <GroupChoice {...props} /> : <EachChoice {...props} />
}

function GroupChoice({ prompt, connection: { doc }, readOnly, full }: PromptSpaceProps<'choice'>) {
  const answer = useAnswer(doc, choice, prompt)
  const reason = useSharedText(becauseOf(doc, prompt.id))
  const decided = decidedOf(doc, prompt.id)
  const chosen = answer.chosen[0]?.answer ?? null
  if (readOnly) {
    return answer.chosen.length > 0 ? (
      <Shown answer={answer} />
    ) : (
      <chakra.p color="quiet">Not decided yet.</chakra.p>
    )
  }
  return (
    <Box>
      <Options
        label={prompt.text}
        options={prompt.settings.options}
        chosen={chosen}
        onChoose={place => (place === chosen ? decided.delete('answer') : decided.set('answer', place))}
      />
      {prompt.settings.reasons && (
        <Field label="Because" hideLabel>
          {parts => (
            <TextArea
              {...parts}
              {...reason}
              readOnly={full}
              placeholder="Because…"
              maxLength={LONGEST_REASON}
              css={{ fieldSizing: 'content' }}
            />
          )}
        </Field>
      )}
    </Box>
  )
}

/** Everybody chooses for themselves; what the others chose shows once one has. */
function EachChoice({ prompt, connection, readOnly, full, myId, names }: PromptSpaceProps<'choice'>) {
  const { doc } = connection
  const answer = useAnswer(doc, choice, prompt)
  const mine: Chosen = answer.chosen.find(({ personId }) => personId === myId) ?? { answer: null, reason: '' }
  const save = (change: Partial<Chosen>) => {
    if (myId) eachOf(doc, prompt.id).set(myId, { answer: mine.answer, reason: mine.reason, ...change })
  }
  return (
    <Box>
      {!readOnly && (
        <>
          <Options
            label={prompt.text}
            options={prompt.settings.options}
            chosen={mine.answer}
            onChoose={place => save({ answer: place === mine.answer ? null : place })}
          />
          {prompt.settings.reasons && (
            <OwnReason
              kept={`reason-${connection.copyId}-${prompt.id}`}
              said={mine.reason}
              full={full}
              longest={LONGEST_REASON}
              onSay={reason => save({ reason })}
            />
          )}
        </>
      )}
      {readOnly || mine.answer !== null ? (
        <OfAll answer={answer} names={names} />
      ) : (
        <chakra.p color="quiet" fontSize="s">
          {answer.chosen.length > 0
            ? `${answer.chosen.length} answered. What they chose shows once you have.`
            : 'What the others choose shows once you have.'}
        </chakra.p>
      )}
    </Box>
  )
}

function OfAll({ answer, names }: { answer: ChoiceAnswer; names: PromptSpaceProps['names'] }) {
  return (
    <Box bg="panel" borderWidth="1px" borderRadius="6px" p="10px" mt="10px" role="status">
      <Spread counts={countsOf(answer)} labels={lettered(answer.options)} label="How many chose what" />
      <Reasons
        reasons={answer.chosen.map(({ personId, answer: place, reason }) => ({
          key: personId ?? '',
          name: names[personId ?? ''],
          said: place === null ? '–' : letterOf(place),
          reason,
        }))}
      />
    </Box>
  )
}

interface OptionsProps {
  label: string
  options: readonly string[]
  chosen: number | null
  onChoose: (place: number) => void
}

const Options = ({ label, options, chosen, onChoose }: OptionsProps) => (
  <Stack role="group" aria-label={label} gap="8px" mb="8px" align="stretch">
    {options.map((option, place) => (
      <Button
        key={option}
        kind={chosen === place ? 'main' : 'plain'}
        aria-pressed={chosen === place}
        minH="44px"
        justifyContent="flex-start"
        textAlign="left"
        whiteSpace="normal"
        overflowWrap="anywhere"
        flexShrink="1"
        onClick={() => onChoose(place)}
      >
        <b>{letterOf(place)}</b> {option}
      </Button>
    ))}
  </Stack>
)
