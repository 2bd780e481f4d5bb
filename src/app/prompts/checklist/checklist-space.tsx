import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { Plus } from 'lucide-react'
import { useMemo } from 'react'
import { Arrangement } from '~/core/boards/prompts/cards/arrangement'
import { removeCard } from '~/core/boards/prompts/cards/document'
import { checklist } from '~/core/boards/prompts/checklist/checklist'
import { addLine, giveLine, type Line, LONGEST_LINE, tick } from '~/core/boards/prompts/checklist/document'
import { newId } from '../../ui/by-chance'
import { Select, Tick } from '../../ui/fields'
import { RemoveCard, Removed } from '../cards/removed-cards'
import { OneLine } from '../one-line'
import type { PromptSpaceProps } from '../prompt-space'
import { useAnswer } from '../use-shared'
import ChecklistAnswer from './checklist-answer'

const LINES = { one: 'line', many: 'lines' }

/** Lines to tick, given to people, and how far the group is. */
export default function ChecklistSpace({
  prompt,
  connection,
  readOnly,
  full,
  names,
  authors,
  myName,
}: PromptSpaceProps<'checklist'>) {
  const { doc } = connection
  const answer = useAnswer(doc, checklist, prompt)
  const arrangement = useMemo(() => new Arrangement(doc, prompt.id), [doc, prompt.id])
  const done = answer.lines.filter(line => line.done).length
  const count = answer.lines.length
  return (
    <Box>
      <Flex gap="10px" align="center" mb="8px" fontSize="s" color="quiet">
        <Box
          w="120px"
          h="10px"
          bg="sunk"
          borderWidth="1px"
          borderColor="edge"
          borderRadius="5px"
          overflow="hidden"
          aria-hidden="true"
        >
          <Box h="full" bg="live" style={{ width: `${count === 0 ? 0 : (done / count) * 100}%` }} />
        </Box>
        <span role="status">
          {done} of {count} done
        </span>
      </Flex>
      {readOnly ? (
        <ChecklistAnswer answer={answer} />
      ) : (
        <Stack as="ul" gap="6px" listStyleType="none" aria-label="Lines">
          {answer.lines.map(line => (
            <OneOf
              key={line.id}
              line={line}
              names={names}
              author={authors[`${prompt.id}/${line.id}`]}
              myName={myName}
              onTick={on => tick(doc, prompt.id, line.id, on)}
              onGive={id =>
                giveLine(doc, prompt.id, line.id, id === '' ? null : { id, name: names[id] ?? '' })
              }
              onRemove={line.given ? null : () => removeCard(doc, prompt.id, line.id)}
            />
          ))}
        </Stack>
      )}
      <Removed here={{ doc, promptId: prompt.id, readOnly, called: LINES, arrangement }} authors={authors} />
      {!readOnly && prompt.settings.add && (
        <OneLine
          kept={`line-${connection.copyId}-${prompt.id}`}
          label="New line"
          placeholder="Write a line"
          longest={LONGEST_LINE}
          disabled={full}
          onAdd={text => addLine(doc, prompt.id, newId(), text)}
        >
          <Plus size={18} aria-hidden="true" /> Add line
        </OneLine>
      )}
    </Box>
  )
}

interface OneOfProps {
  line: Line
  names: PromptSpaceProps['names']
  /** Who added it. */
  author: string | undefined
  myName: string | null
  onTick: (on: boolean) => void
  onGive: (participantId: string) => void
  onRemove: (() => void) | null
}

function OneOf({ line, names, author, myName, onTick, onGive, onRemove }: OneOfProps) {
  const known = line.owner !== null && names[line.owner.id] !== undefined
  return (
    <Flex
      as="li"
      gap="8px"
      align="center"
      wrap="wrap"
      bg="panel"
      borderWidth="1px"
      borderRadius="6px"
      px="10px"
      py="4px"
    >
      <Box flex="1" minW="180px" minH="36px">
        <Tick checked={line.done} onChange={event => onTick(event.target.checked)}>
          <chakra.span overflowWrap="anywhere">{line.text}</chakra.span>
        </Tick>
      </Box>
      <Select
        w="auto"
        maxW="170px"
        fontSize="s"
        aria-label={`Whose: ${line.text}`}
        value={known ? line.owner?.id : line.owner ? 'gone' : ''}
        onChange={event => onGive(event.target.value)}
      >
        <option value="">nobody’s yet</option>
        {line.owner && !known && (
          <option value="gone" disabled>
            {line.owner.name}
          </option>
        )}
        {Object.entries(names).map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </Select>
      {onRemove && (
        <RemoveCard
          text={line.text}
          author={author}
          mine={author === myName}
          called={LINES}
          onRemove={onRemove}
        />
      )}
    </Flex>
  )
}
