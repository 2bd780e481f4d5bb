import { Box, Flex } from '@chakra-ui/react'
import { Trash2 } from 'lucide-react'
import { memo } from 'react'
import type { PlanWorld } from '~/core/schedule/readiness'
import {
  LONGEST_CUES,
  LONGEST_NAME,
  LONGEST_SHOWN,
  type Segment,
  segmentName,
} from '~/core/schedule/running-order'
import { Button } from '../../../ui/button'
import { Field, TextArea } from '../../../ui/fields'
import { ReadyQuestions } from './ready-questions'
import { RoundWords } from './round-words'
import { Says } from './says'
import { Minutes, Text } from './words'

interface LineProps {
  segment: Segment
  /** Those before it. */
  earlier: readonly Segment[]
  world: PlanWorld
  onChange: (segmentId: string, change: Partial<Segment>) => void
  onRemove: (segmentId: string) => void
}

/** All of a segment as a sentence, each word of it changed where it stands. */
export const SegmentLine = memo(function SegmentLine(props: LineProps) {
  const { segment, earlier, world, onRemove } = props
  const onChange = (change: Partial<Segment>) => props.onChange(segment.id, change)
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
        <Button size="small" ml="auto" onClick={() => onRemove(segment.id)}>
          <Trash2 size={16} aria-hidden="true" /> Take out
        </Button>
      </Flex>
      <Flex gap="16px" mt="12px" wrap="wrap">
        <Box flex="2" minW="260px">
          <Field label="Cues" hint="Only facilitators ever see them.">
            {parts => (
              <TextArea
                {...parts}
                key={`${segment.id} ${segment.cues}`}
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
                key={`${segment.id} ${segment.shown}`}
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
      <ReadyQuestions
        ready={segment.questions ?? []}
        onChange={questions => onChange({ questions: questions.length > 0 ? questions : undefined })}
      />
      {segment.kind === 'rooms' && <Says says={segment.says} onChange={says => onChange({ says })} />}
    </Box>
  )
})
