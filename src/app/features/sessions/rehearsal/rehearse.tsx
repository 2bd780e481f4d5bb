import { Box, chakra, Flex, Grid } from '@chakra-ui/react'
import { type SubmissionResult, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { Drama } from 'lucide-react'
import { useState } from 'react'
import { useFetcher } from 'react-router'
import { rehearsalForm } from '~/contracts/forms/rehearsals'
import { SPEEDS } from '~/core/rehearsal/pace'
import { FEWEST_PEOPLE, MOST_PEOPLE, usualScript } from '~/core/rehearsal/script'
import { Button } from '../../../ui/button'
import { Field, NumberField, Select, Tick } from '../../../ui/fields'
import { Message } from '../../../ui/layout'

const SHARES = [
  ['absent', 'Never come'],
  ['late', 'Come late'],
  ['drop', 'Lose their line'],
  ['silent', 'Write nothing'],
  ['busy', 'Write much'],
  ['asks', 'Call for help'],
  ['moves', 'Change rooms'],
] as const

/** Tries the plan out with simulated participants, as the form says what they are like. */
export function Rehearse({ sessionId, people }: { sessionId: string; people: number }) {
  const [open, setOpen] = useState(false)
  return (
    <Box as="section" aria-label="Rehearsal" mt="14px">
      <Flex gap="8px 12px" align="center" wrap="wrap">
        <Button aria-expanded={open} onClick={() => setOpen(!open)}>
          <Drama size={18} aria-hidden="true" /> Rehearse
        </Button>
        <chakra.span color="quiet">
          Try the plan with simulated participants. It leaves no trace in lists or in who has met whom.
        </chakra.span>
      </Flex>
      {open && <ScriptForm sessionId={sessionId} people={people} />}
    </Box>
  )
}

function ScriptForm({ sessionId, people }: { sessionId: string; people: number }) {
  const begin = useFetcher<{ form?: SubmissionResult; problem?: string }>()
  const usual = usualScript(people)
  const [form, fields] = useForm({
    lastResult: begin.data?.form,
    defaultValue: usual,
    shouldValidate: 'onBlur',
    shouldRevalidate: 'onInput',
    onValidate: ({ formData }) => parseWithZod(formData, { schema: rehearsalForm }),
  })
  return (
    <begin.Form
      method="post"
      action={`/sessions/${sessionId}/rehearse`}
      id={form.id}
      onSubmit={form.onSubmit}
      noValidate
    >
      <Grid
        mt="12px"
        bg="panel"
        borderWidth="1px"
        borderRadius="8px"
        p="14px 16px"
        gap="12px 18px"
        templateColumns={{ base: '1fr 1fr', md: 'repeat(4, 1fr)' }}
      >
        <NumberField
          label="People"
          name="people"
          least={FEWEST_PEOPLE}
          most={MOST_PEOPLE}
          defaultValue={fields.people.initialValue}
          errors={fields.people.errors}
          hint={people > 0 ? `${people} are on the list` : undefined}
        />
        {SHARES.map(([name, label]) => (
          <NumberField
            key={name}
            label={`${label} (%)`}
            name={name}
            least={0}
            most={100}
            defaultValue={fields[name].initialValue}
            errors={fields[name].errors}
          />
        ))}
        <Field label="Speed" errors={fields.speed.errors}>
          {parts => (
            <Select {...parts} name="speed" defaultValue={fields.speed.initialValue}>
              {SPEEDS.map(speed => (
                <option key={speed} value={speed}>
                  {speed === 1 ? 'as it is' : `${speed} times as fast`}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Flex direction="column" gridColumn={{ base: 'span 2', md: 'span 3' }} gap="2px" justify="flex-end">
          <Tick name="itself">It goes on by itself, and I only look on</Tick>
          <Tick name="short">What is for the whole group takes a minute</Tick>
        </Flex>
      </Grid>
      {begin.data?.problem && (
        <Box mt="10px">
          <Message kind="problem">{begin.data.problem}</Message>
        </Box>
      )}
      <Button type="submit" kind="main" mt="10px" disabled={begin.state !== 'idle'}>
        Begin the rehearsal
      </Button>
    </begin.Form>
  )
}
