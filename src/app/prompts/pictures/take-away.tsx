import { Flex } from '@chakra-ui/react'
import { useState } from 'react'
import { Button } from '../../ui/button'

interface TakeAwayProps {
  author: string | undefined
  myName: string | null
  onTakeAway: () => void
}

/** How a picture that was added goes: somebody else's only after a second thought. */
export function TakeAway({ author, myName, onTakeAway }: TakeAwayProps) {
  const [asking, setAsking] = useState(false)
  const isMine = author === undefined || author === myName
  return (
    <Flex gap="8px" align="center" wrap="wrap" fontSize="s" minH="36px">
      {!asking && (
        <Button size="small" kind="bare" onClick={() => (isMine ? onTakeAway() : setAsking(true))}>
          Take the picture away
        </Button>
      )}
      {asking && (
        <>
          <span>Take away {author}’s picture?</span>
          <Button size="small" kind="stop" autoFocus onClick={onTakeAway}>
            Take it away
          </Button>
          <Button size="small" onClick={() => setAsking(false)}>
            Keep it
          </Button>
        </>
      )}
    </Flex>
  )
}
