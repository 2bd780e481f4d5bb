import { Box, chakra, Flex } from '@chakra-ui/react'
import { Plus } from 'lucide-react'
import { addCard, removeCard } from '~/core/boards/prompts/cards/document'
import { LONGEST_WORD, words as wordsKind } from '~/core/boards/prompts/words/words'
import { Button } from '../../ui/button'
import { newId } from '../../ui/by-chance'
import { OneLine } from '../one-line'
import type { PromptSpaceProps } from '../prompt-space'
import { useAnswer } from '../use-shared'
import { WordCloud } from './word-cloud'

/** Short answers, and the cloud they grow into. One's own can be taken back. */
export default function WordsSpace({
  prompt,
  connection,
  readOnly,
  full,
  authors,
  myName,
}: PromptSpaceProps<'words'>) {
  const { doc } = connection
  const { words } = useAnswer(doc, wordsKind, prompt)
  const mine = words.filter(({ id }) => myName !== null && authors[`${prompt.id}/${id}`] === myName)
  const left = prompt.settings.mostEach - mine.length
  return (
    <Box>
      {words.length > 0 ? (
        <WordCloud words={words.map(({ text }) => text)} label="Words so far" />
      ) : (
        <chakra.p color="quiet">No words yet.</chakra.p>
      )}
      {!readOnly && (
        <>
          {mine.length > 0 && (
            <Flex as="ul" gap="6px" wrap="wrap" listStyleType="none" aria-label="Your words">
              {mine.map(({ id, text }) => (
                <Flex
                  as="li"
                  key={id}
                  gap="4px"
                  align="center"
                  bg="panel"
                  borderWidth="1px"
                  borderRadius="6px"
                  ps="10px"
                >
                  {text}
                  <Button
                    size="small"
                    kind="bare"
                    aria-label={`Take back: ${text}`}
                    onClick={() => removeCard(doc, prompt.id, id)}
                  >
                    Take back
                  </Button>
                </Flex>
              ))}
            </Flex>
          )}
          {left > 0 ? (
            <OneLine
              kept={`word-${connection.copyId}-${prompt.id}`}
              label="New word"
              placeholder="A word, or a few"
              longest={LONGEST_WORD}
              disabled={full}
              onAdd={text => addCard(doc, prompt.id, newId(), text)}
            >
              <Plus size={18} aria-hidden="true" /> Add word
            </OneLine>
          ) : (
            <chakra.p color="quiet" fontSize="s" mt="8px">
              You have written{' '}
              {prompt.settings.mostEach === 1 ? 'your word' : `your ${prompt.settings.mostEach} words`}. Take
              one back to write another.
            </chakra.p>
          )}
        </>
      )}
    </Box>
  )
}
