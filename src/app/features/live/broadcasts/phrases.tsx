import { chakra, Flex, Stack } from '@chakra-ui/react'
import { Plus, X } from 'lucide-react'
import { Button } from '../../../ui/button'
import { Message } from '../../../ui/layout'
import { usePhrases } from './use-phrases'

interface PhrasesProps {
  /** What is being written. */
  text: string
  onUse: (text: string) => void
}

/** Ready phrases of one's own: taken up by one press, kept from what is written, dropped. */
export function Phrases({ text, onUse }: PhrasesProps) {
  const { phrases, problem, change } = usePhrases()
  const written = text.trim()
  const isKept = phrases?.some(phrase => phrase.text === written)
  return (
    <chakra.details>
      <chakra.summary cursor="pointer" fontSize="s" py="4px">
        My phrases{phrases && phrases.length > 0 ? ` (${phrases.length})` : ''}
      </chakra.summary>
      <Stack gap="4px" pt="4px">
        {phrases?.length === 0 && (
          <chakra.p fontSize="s" color="quiet">
            What you keep here is there in every session, for you alone.
          </chakra.p>
        )}
        <Stack as="ul" listStyleType="none" gap="4px" aria-label="My phrases">
          {phrases?.map(phrase => (
            <Flex as="li" key={phrase.id} gap="4px" align="center">
              <Button
                size="small"
                flex="1"
                minW="0"
                justifyContent="flex-start"
                textAlign="left"
                whiteSpace="normal"
                overflowWrap="anywhere"
                onClick={() => onUse(phrase.text)}
              >
                {phrase.text}
              </Button>
              <Button
                size="small"
                kind="bare"
                aria-label={`Drop the phrase ${phrase.text}`}
                onClick={() => change({ drop: phrase.id })}
              >
                <X size={16} aria-hidden="true" />
              </Button>
            </Flex>
          ))}
        </Stack>
        {written !== '' && !isKept && (
          <Flex>
            <Button size="small" kind="bare" onClick={() => change({ keep: written })}>
              <Plus size={16} aria-hidden="true" /> Keep what is written
            </Button>
          </Flex>
        )}
        {problem && <Message kind="problem">{problem}</Message>}
      </Stack>
    </chakra.details>
  )
}
