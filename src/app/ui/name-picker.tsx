import { Stack } from '@chakra-ui/react'
import { Form } from 'react-router'
import { Button } from './button'
import { Field, Input } from './fields'
import { moveByArrows } from './list-keys'

interface NamePickerProps {
  /** Those that fit what is typed. */
  names: { personId: string; shownName: string }[]
  typed: string
  onType: (typed: string) => void
  problem: string | null
  /** What the form says it is for, where a page has several. */
  intent?: string
}

/** One's own name on a phone: typed from its start, then pressed. Sends `personId`. */
export function NamePicker({ names, typed, onType, problem, intent }: NamePickerProps) {
  return (
    <Stack gap="16px" onKeyDown={moveByArrows}>
      <Field
        label="Your name"
        hint="Type the start of it, then choose it."
        errors={problem ? [problem] : undefined}
      >
        {parts => (
          <Input
            {...parts}
            value={typed}
            autoComplete="off"
            maxLength={40}
            fontSize="l"
            minH="52px"
            onChange={event => onType(event.target.value)}
          />
        )}
      </Field>
      <Stack as="ul" gap="8px" listStyleType="none" aria-label="Names on the list">
        {names.map(name => (
          <li key={name.personId}>
            <Form method="post">
              {intent && <input type="hidden" name="intent" value={intent} />}
              <Button
                type="submit"
                name="personId"
                value={name.personId}
                w="full"
                size="large"
                justifyContent="flex-start"
              >
                {name.shownName}
              </Button>
            </Form>
          </li>
        ))}
      </Stack>
    </Stack>
  )
}
