import { Box, Flex } from '@chakra-ui/react'
import { Plus } from 'lucide-react'
import { Button } from '../../ui/button'
import { Field, TextArea } from '../../ui/fields'
import { useKeptText } from '../../ui/use-kept'
import { type Called, LONGEST_CARD } from './called'

interface NewCardProps {
  /** Where what is half typed is kept over a reload. */
  kept: string
  full: boolean
  called: Called
  /** The column it goes into, where there are several. */
  column?: string
  onAdd: (text: string) => void
}

export function NewCard({ kept, full, called, column, onAdd }: NewCardProps) {
  const [typed, setTyped] = useKeptText(kept)
  const add = () => {
    const text = typed.trim()
    if (!text || full) return
    onAdd(text)
    setTyped('')
  }
  return (
    <Flex
      as="form"
      gap="8px"
      mt="10px"
      align="flex-end"
      onSubmit={event => {
        event.preventDefault()
        add()
      }}
    >
      <Box flex="1">
        <Field label={column ? `New ${called.one}: ${column}` : `New ${called.one}`} hideLabel>
          {parts => (
            <TextArea
              {...parts}
              value={typed}
              maxLength={LONGEST_CARD}
              rows={1}
              minH="42px"
              placeholder={`Write a ${called.one}`}
              resize="none"
              css={{ fieldSizing: 'content' }}
              onChange={event => setTyped(event.target.value)}
              onKeyDown={event => {
                if (event.key !== 'Enter' || event.shiftKey || event.nativeEvent.isComposing) return
                event.preventDefault()
                add()
              }}
            />
          )}
        </Field>
      </Box>
      <Button type="submit" minH="42px" disabled={full}>
        <Plus size={18} aria-hidden="true" /> Add {called.one}
      </Button>
    </Flex>
  )
}
