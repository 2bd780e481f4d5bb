import { Box, Flex } from '@chakra-ui/react'
import type { KeptHere } from '../../live-client/kept/use-kept-here'
import { Button } from '../../ui/button'
import { Message } from '../../ui/layout'

interface CameLateProps {
  late: KeptHere['late']
  onPutAway: () => void
}

/** What was written without a line, and came when the board was not theirs to write on any more. */
export function CameLate({ late: { kept, refused }, onPutAway }: CameLateProps) {
  if (kept === 0 && refused.length === 0) return null
  return (
    <Box mb="12px">
      <Message kind={refused.length > 0 ? 'problem' : 'plain'}>
        <Flex gap="8px 12px" wrap="wrap" align="center">
          <span>
            {kept > 0 &&
              'What you wrote without a line came too late for the board. It is kept beside it as a late contribution, which the facilitator can read. '}
            {refused.length > 0 && `Something you wrote without a line could not be kept: ${refused[0]}`}
          </span>
          <Button size="small" onClick={onPutAway}>
            Put away
          </Button>
        </Flex>
      </Message>
    </Box>
  )
}
