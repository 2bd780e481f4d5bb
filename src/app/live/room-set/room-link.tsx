import { Box, Flex } from '@chakra-ui/react'
import { useState } from 'react'
import { Button } from '../../ui/button'
import { Field, Input } from '../../ui/fields'
import type { LiveView, Send } from '../live-view'

/** Where the people of a room talk, in whatever call service the class uses. */
export function RoomLink({ room, send }: { room: LiveView['rooms'][number]; send: Send }) {
  const [link, setLink] = useState(room.link)
  const [problem, setProblem] = useState<string | null>(null)
  return (
    <Flex
      as="form"
      gap="8px"
      align="flex-end"
      onSubmit={event => {
        event.preventDefault()
        setProblem(null)
        send({ type: 'link-room', roomId: room.id, link }, setProblem)
      }}
    >
      <Box flex="1" minW="0">
        <Field label="Link of its call, for its people" errors={problem === null ? undefined : [problem]}>
          {parts => (
            <Input
              {...parts}
              inputMode="url"
              autoComplete="off"
              maxLength={600}
              value={link}
              onChange={event => setLink(event.target.value)}
            />
          )}
        </Field>
      </Box>
      <Button type="submit" disabled={link.trim() === room.link}>
        Save
      </Button>
    </Flex>
  )
}
