import { Stack } from '@chakra-ui/react'
import { useState } from 'react'
import type { LanePerson } from '~/core/live/door/shown'
import { groupsFromText, LONGEST_PASTE } from '~/core/live/rooms/groups-from-text'
import type { Send } from '../../live/live-view'
import { Button } from '../../ui/button'
import { Field, TextArea } from '../../ui/fields'
import { Message } from '../../ui/layout'

/** Groups as they were pasted; who is not known is named before anything is made. */
export function FromList({ here, send }: { here: readonly LanePerson[]; send: Send }) {
  const [text, setText] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const { groups, unknown, twice } = groupsFromText(text, here)
  const grouped = groups.reduce((sum, group) => sum + group.participantIds.length, 0)
  return (
    <Stack gap="10px">
      <Field
        label="Groups, one on each line"
        hint="Reeds: Ana, Bo"
        errors={problem === null ? undefined : [problem]}
      >
        {parts => (
          <TextArea
            {...parts}
            rows={6}
            maxLength={LONGEST_PASTE}
            value={text}
            onChange={event => setText(event.target.value)}
          />
        )}
      </Field>
      {text.trim() !== '' && (
        <p role="status">
          {groups.length === 1 ? '1 group' : `${groups.length} groups`} with {grouped} of the {here.length}{' '}
          here.
        </p>
      )}
      {unknown.length > 0 && (
        <Message kind="problem">Nobody here is called {unknown.slice(0, 12).join(', ')}.</Message>
      )}
      {twice.length > 0 && (
        <Message kind="problem">
          In two groups, and taken for the first: {twice.slice(0, 12).join(', ')}.
        </Message>
      )}
      <Button
        kind="main"
        alignSelf="flex-start"
        disabled={groups.length === 0}
        onClick={() => {
          setProblem(null)
          send({ type: 'make-rooms', groups }, setProblem)
        }}
      >
        Make these groups
      </Button>
    </Stack>
  )
}
