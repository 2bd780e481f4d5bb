import { Flex, Stack } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import { LONGEST_COMMENT } from '~/core/live/comments/comment'
import { Button } from '../../ui/button'
import { Field, TextArea } from '../../ui/fields'

interface CommentTextProps {
  label: string
  sends: string
  onSend: (text: string) => Promise<boolean>
  onDone: () => void
}

/** Where a comment or an answer to one is written. */
export function CommentText({ label, sends, onSend, onDone }: CommentTextProps) {
  const [text, setText] = useState('')
  const field = useRef<HTMLTextAreaElement>(null)
  useEffect(() => field.current?.focus(), [])
  return (
    <Stack
      as="form"
      gap="6px"
      onSubmit={async event => {
        event.preventDefault()
        if (await onSend(text)) onDone()
      }}
    >
      <Field label={label}>
        {parts => (
          <TextArea
            {...parts}
            ref={field}
            rows={2}
            minH="56px"
            maxLength={LONGEST_COMMENT}
            value={text}
            onChange={event => setText(event.target.value)}
          />
        )}
      </Field>
      <Flex gap="8px">
        <Button type="submit" size="small" kind="main" disabled={text.trim() === ''}>
          {sends}
        </Button>
        <Button size="small" kind="bare" onClick={onDone}>
          Cancel
        </Button>
      </Flex>
    </Stack>
  )
}
