import { Box, chakra, Flex } from '@chakra-ui/react'
import { ExternalLink, Paperclip } from 'lucide-react'
import { useState } from 'react'
import type { Message } from '~/core/live/messages/message'
import { Button } from '../../ui/button'
import { OpenedMaterial } from '../material/opened-material'

/** What was said with a message: a link, or something of the library that opens below it. */
export function WithMessage({ thing }: Pick<Message, 'thing'>) {
  const [open, setOpen] = useState(false)
  if (!thing) return null
  if (thing.is === 'link')
    return (
      <chakra.a
        href={thing.address}
        target="_blank"
        rel="noreferrer"
        color="live"
        display="inline-flex"
        alignItems="center"
        gap="6px"
        minH="32px"
        fontWeight="600"
        overflowWrap="anywhere"
      >
        <ExternalLink size={16} aria-hidden="true" /> {thing.title}
      </chakra.a>
    )
  return (
    <Box mt="6px">
      <Flex>
        <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
          <Paperclip size={16} aria-hidden="true" /> {open ? 'Close' : 'Open'} {thing.title}
        </Button>
      </Flex>
      {open && (
        <Box mt="8px">
          <OpenedMaterial thing={thing} />
        </Box>
      )}
    </Box>
  )
}
