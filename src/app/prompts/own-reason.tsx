import { Box, Flex } from '@chakra-ui/react'
import { Button } from '../ui/button'
import { Field, TextArea } from '../ui/fields'
import { useKeptText } from '../ui/use-kept'

interface OwnReasonProps {
  /** Where what is half typed is kept over a reload. */
  kept: string
  /** What one has said so far. */
  said: string
  full: boolean
  longest: number
  onSay: (reason: string) => void
}

/** Why somebody answered as they did: others read it once it is said, and it can be changed after. */
export function OwnReason({ kept, said, full, longest, onSay }: OwnReasonProps) {
  const [typed, setTyped] = useKeptText(kept)
  const text = typed || said
  const say = () => {
    onSay(text.trim())
    setTyped('')
  }
  const changed = typed !== '' && typed.trim() !== said
  return (
    <Flex
      as="form"
      gap="8px"
      align="flex-end"
      onSubmit={event => {
        event.preventDefault()
        if (!full && changed) say()
      }}
    >
      <Box flex="1">
        <Field label="Because" hideLabel>
          {parts => (
            <TextArea
              {...parts}
              value={text}
              readOnly={full}
              placeholder="Because…"
              maxLength={longest}
              rows={1}
              minH="42px"
              css={{ fieldSizing: 'content' }}
              // An empty field says nothing: what was said goes with its last letter.
              onChange={event => {
                setTyped(event.target.value)
                if (event.target.value === '') onSay('')
              }}
            />
          )}
        </Field>
      </Box>
      {changed && (
        <Button type="submit" minH="42px" disabled={full}>
          Say so
        </Button>
      )}
    </Flex>
  )
}
