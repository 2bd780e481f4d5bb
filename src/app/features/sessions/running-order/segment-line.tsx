import { Box, Flex, Stack } from '@chakra-ui/react'
import { Plus, Trash2 } from 'lucide-react'
import type { ReactNode } from 'react'
import type { PlanWorld } from '~/core/schedule/readiness'
import {
  type GroupsFrom,
  LONGEST_CUES,
  LONGEST_NAME,
  LONGEST_SEGMENT,
  LONGEST_SHOWN,
  MOST_SAYS,
  type Say,
  type Segment,
  segmentName,
} from '~/core/schedule/running-order'
import { Button } from '../../../ui/button'
import { Field, Input, Select, TextArea } from '../../../ui/fields'

interface LineProps {
  segment: Segment
  /** Those before it. */
  earlier: readonly Segment[]
  world: PlanWorld
  onChange: (change: Partial<Segment>) => void
  onRemove: () => void
}

/** All of a segment as a sentence, each word of it changed where it stands. */
export function SegmentLine({ segment, earlier, world, onChange, onRemove }: LineProps) {
  return (
    <Box
      as="section"
      aria-label={segmentName(segment)}
      bg="panel"
      borderWidth="1px"
      borderRadius="8px"
      p="14px"
      mt="10px"
    >
      <Flex gap="6px 8px" align="center" wrap="wrap">
        <Text
          label="Name"
          value={segment.name}
          most={LONGEST_NAME}
          placeholder={segmentName({ ...segment, name: '' })}
          onKeep={name => onChange({ name })}
        />
        <span>:</span>
        <Minutes value={segment.minutes} onKeep={minutes => onChange({ minutes })} />
        {segment.kind === 'rooms' ? (
          <RoundWords segment={segment} earlier={earlier} world={world} onChange={onChange} />
        ) : (
          <span>min {segment.kind === 'break' ? 'of break' : 'with the whole group'}.</span>
        )}
        <Button size="small" ml="auto" onClick={onRemove}>
          <Trash2 size={16} aria-hidden="true" /> Take out
        </Button>
      </Flex>
      <Flex gap="16px" mt="12px" wrap="wrap">
        <Box flex="2" minW="260px">
          <Field label="Cues" hint="Only facilitators ever see them.">
            {parts => (
              <TextArea
                {...parts}
                key={segment.id}
                rows={2}
                maxLength={LONGEST_CUES}
                defaultValue={segment.cues}
                onBlur={event =>
                  event.target.value !== segment.cues && onChange({ cues: event.target.value })
                }
              />
            )}
          </Field>
        </Box>
        <Box flex="1" minW="220px">
          <Field label="On the projector" hint="Shown to the whole class meanwhile.">
            {parts => (
              <TextArea
                {...parts}
                key={segment.id}
                rows={2}
                maxLength={LONGEST_SHOWN}
                defaultValue={segment.shown}
                onBlur={event =>
                  event.target.value !== segment.shown && onChange({ shown: event.target.value })
                }
              />
            )}
          </Field>
        </Box>
      </Flex>
      {segment.kind === 'rooms' && <Says says={segment.says} onChange={says => onChange({ says })} />}
    </Box>
  )
}

function RoundWords({ segment, earlier, world, onChange }: Omit<LineProps, 'onRemove'>) {
  const rounds = earlier.filter(({ kind }) => kind === 'rooms')
  return (
    <>
      <span>min in rooms, groups</span>
      <Pick
        label="Groups"
        value={groupsKey(segment.groups)}
        onPick={key => onChange({ groups: groupsOf(key) })}
      >
        <option value="live">made in the session</option>
        {rounds.map(round => (
          <option key={round.id} value={`earlier ${round.id}`}>
            as in {segmentName(round)}
          </option>
        ))}
        {world.groupings.flatMap(({ id, name, rounds: all }) =>
          all.map(({ groups }, round) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: rounds have nothing but their number.
            <option key={`${id} ${round}`} value={`grouping ${id} ${round}`}>
              {name}
              {all.length > 1 && `, round ${round + 1}`} ({groups.length})
            </option>
          )),
        )}
      </Pick>
      <span>on</span>
      <Pick
        label="Board"
        value={segment.boardId ?? ''}
        onPick={id => onChange({ boardId: id === '' ? null : id })}
      >
        <option value="">no board</option>
        {world.boards.map(({ id, title }) => (
          <option key={id} value={id}>
            {title}
          </option>
        ))}
      </Pick>
      <span>warned</span>
      <Pick
        label="Warnings"
        value={segment.warnings.join(' ')}
        onPick={text => onChange({ warnings: text === '' ? [] : text.split(' ').map(Number) })}
      >
        {WARNINGS.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </Pick>
      <span>before the end, then</span>
      <Pick
        label="Time to come back"
        value={String(segment.graceSeconds)}
        onPick={text => onChange({ graceSeconds: Number(text) })}
      >
        {[...new Set([0, 15, 30, 60, 90, 120, segment.graceSeconds])]
          .sort((one, other) => one - other)
          .map(seconds => (
            <option key={seconds} value={seconds}>
              {seconds} s
            </option>
          ))}
      </Pick>
      <span>to come back.</span>
    </>
  )
}

const WARNINGS = [
  ['300 60', '5 min and 1 min'],
  ['120', '2 min'],
  ['60', '1 min'],
  ['300 120 60', '5, 2 and 1 min'],
  ['', 'not'],
] as const

const groupsKey = (groups: GroupsFrom): string =>
  groups.from === 'live'
    ? 'live'
    : groups.from === 'earlier'
      ? `earlier ${groups.segmentId}`
      : `grouping ${groups.groupingId} ${groups.round}`

function groupsOf(key: string): GroupsFrom {
  const [from, id = '', round = '0'] = key.split(' ')
  if (from === 'earlier') return { from, segmentId: id }
  return from === 'grouping' ? { from, groupingId: id, round: Number(round) } : { from: 'live' }
}

interface PickProps {
  label: string
  value: string
  onPick: (value: string) => void
  children: ReactNode
}

/** A word of the sentence that is one of several. */
const Pick = ({ label, value, onPick, children }: PickProps) => (
  <Select
    aria-label={label}
    w="auto"
    maxW="260px"
    minH="30px"
    py="2px"
    value={value}
    onChange={event => onPick(event.target.value)}
  >
    {children}
  </Select>
)

interface TextProps {
  label: string
  value: string
  most: number
  placeholder?: string
  onKeep: (text: string) => void
}

/** A word of the sentence that is written: kept when one leaves it, or with Enter. */
const Text = ({ label, value, most, placeholder, onKeep }: TextProps) => (
  <Input
    key={value}
    aria-label={label}
    w="180px"
    minH="30px"
    py="2px"
    fontWeight="600"
    maxLength={most}
    placeholder={placeholder}
    defaultValue={value}
    onBlur={event => event.target.value.trim() !== value && onKeep(event.target.value.trim())}
    onKeyDown={event => event.key === 'Enter' && event.currentTarget.blur()}
  />
)

const Minutes = ({ value, onKeep }: { value: number; onKeep: (minutes: number) => void }) => (
  <Input
    key={value}
    type="number"
    aria-label="Minutes"
    w="70px"
    minH="30px"
    py="2px"
    min={1}
    max={LONGEST_SEGMENT}
    defaultValue={value}
    onBlur={event => {
      const minutes = Number(event.target.value)
      if (event.target.value === '' || !Number.isInteger(minutes) || minutes < 1 || minutes > LONGEST_SEGMENT)
        event.target.value = String(value)
      else if (minutes !== value) onKeep(minutes)
    }}
    onKeyDown={event => event.key === 'Enter' && event.currentTarget.blur()}
  />
)

/** Broadcasts that say themselves. */
function Says({ says, onChange }: { says: Say[]; onChange: (says: Say[]) => void }) {
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
            onKeep={text => text && change(index, { text })}
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
