import { Box, Flex } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { Button } from '../ui/button'
import { Field, Input } from '../ui/fields'
import { useKeptText } from '../ui/use-kept'

interface OneLineProps {
  /** Where what is half typed is kept over a reload. */
  kept: string
  label: string
  placeholder: string
  longest: number
  disabled: boolean
  onAdd: (text: string) => void
  /** What the button says. */
  children: ReactNode
}

/** A line that is written and added; what is half typed survives a reload. */
export function OneLine({ kept, label, placeholder, longest, disabled, onAdd, children }: OneLineProps) {
  const [typed, setTyped] = useKeptText(kept)
  return (
    <Flex
      as="form"
      gap="8px"
      mt="10px"
      align="flex-end"
      onSubmit={event => {
        event.preventDefault()
        const text = typed.trim()
        if (!text || disabled) return
        onAdd(text)
        setTyped('')
      }}
    >
      <Box flex="1">
        <Field label={label} hideLabel>
          {parts => (
            <Input
              {...parts}
              value={typed}
              maxLength={longest}
              minH="42px"
              placeholder={placeholder}
              onChange={event => setTyped(event.target.value)}
            />
          )}
        </Field>
      </Box>
      <Button type="submit" minH="42px" disabled={disabled}>
        {children}
      </Button>
    </Flex>
  )
}
