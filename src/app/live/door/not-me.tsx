import { chakra, Flex } from '@chakra-ui/react'
import { useState } from 'react'
import type { ParticipantView } from '~/core/live/views'
import { Button } from '../../ui/button'

interface NotMeProps {
  me: ParticipantView['me']
  onNotMe: () => void
}

/** Whose phone this is, on every page; and a way out for whoever took the wrong name. */
export function NotMe({ me, onNotMe }: NotMeProps) {
  const [asking, setAsking] = useState(false)
  return (
    <Flex gap="4px 10px" align="center" wrap="wrap" fontSize="s">
      <span>
        You are <b>{me.shownName}</b>
      </span>
      {me.doubted ? (
        <chakra.span color="quiet" role="status">
          The facilitator knows that this is not you, and will free the name.
        </chakra.span>
      ) : asking ? (
        <>
          <Button
            size="small"
            kind="ask"
            onClick={() => {
              setAsking(false)
              onNotMe()
            }}
          >
            Give the name back
          </Button>
          <Button size="small" onClick={() => setAsking(false)}>
            It is me
          </Button>
        </>
      ) : (
        <Button size="small" kind="bare" px="4px" onClick={() => setAsking(true)}>
          That’s not me
        </Button>
      )}
    </Flex>
  )
}
