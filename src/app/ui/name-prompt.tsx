import { Box, Flex } from '@chakra-ui/react'
import { Button } from './button'
import { Field, Input } from './fields'

interface NamePromptProps {
  label: string
  /** What the button that goes on says. */
  action: string
  most: number
  value: string
  problem: string | null
  onType: (value: string) => void
  onDone: () => void
  onCancel: () => void
}

/** Asks for one name where it is needed, with a way out. */
export function NamePrompt({
  label,
  action,
  most,
  value,
  problem,
  onType,
  onDone,
  onCancel,
}: NamePromptProps) {
  return (
    <Flex
      as="form"
      gap="8px"
      align="flex-end"
      wrap="wrap"
      onSubmit={event => {
        event.preventDefault()
        onDone()
      }}
    >
      <Box w="260px">
        <Field label={label} errors={problem === null ? undefined : [problem]}>
          {parts => (
            <Input
              {...parts}
              autoFocus
              maxLength={most}
              value={value}
              onChange={event => onType(event.target.value)}
            />
          )}
        </Field>
      </Box>
      <Button type="submit" disabled={value.trim() === ''}>
        {action}
      </Button>
      <Button kind="bare" onClick={onCancel}>
        Not now
      </Button>
    </Flex>
  )
}
