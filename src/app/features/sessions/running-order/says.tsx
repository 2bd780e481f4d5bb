import { Flex, Stack } from '@chakra-ui/react'
import { Plus, Trash2 } from 'lucide-react'
import { MOST_SAYS, type Say } from '~/core/schedule/running-order'
import { Button } from '../../../ui/button'
import { Minutes, Pick, Text } from './words'

/** Broadcasts that say themselves. */
export function Says({ says, onChange }: { says: Say[]; onChange: (says: Say[]) => void }) {
  const change = (index: number, change: Partial<Say>) =>
    onChange(says.map((say, at) => (at === index ? { ...say, ...change } : say)))
  return (
    <Stack gap="6px" mt="10px" as="ul" listStyleType="none" aria-label="Broadcasts on schedule">
      {says.map((say, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: broadcasts have nothing but their place.
        <Flex as="li" key={index} gap="6px" align="center" wrap="wrap">
          <span>Say</span>
          <Text
            label="What is said"
            value={say.text}
            most={500}
            needed
            onKeep={text => change(index, { text })}
          />
          {say.when !== 'half' && (
            <>
              <Minutes value={Math.max(1, say.minutes)} onKeep={minutes => change(index, { minutes })} />
              <span>min</span>
            </>
          )}
          <Pick
            label="When it is said"
            value={say.when}
            onPick={when => change(index, { when: when as Say['when'] })}
          >
            <option value="before-end">before the end</option>
            <option value="after-start">after they went out</option>
            <option value="half">at half time</option>
          </Pick>
          <Button
            size="small"
            kind="bare"
            aria-label={`Do not say “${say.text}”`}
            onClick={() => onChange(says.filter((_, at) => at !== index))}
          >
            <Trash2 size={16} aria-hidden="true" />
          </Button>
        </Flex>
      ))}
      {says.length < MOST_SAYS && (
        <li>
          <Button
            size="small"
            onClick={() => onChange([...says, { when: 'before-end', minutes: 2, text: 'Two more minutes.' }])}
          >
            <Plus size={16} aria-hidden="true" /> Broadcast on schedule
          </Button>
        </li>
      )}
    </Stack>
  )
}
