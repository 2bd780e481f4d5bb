import { Box, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { Button } from '../../ui/button'
import type { PromptSpaceProps } from '../prompt-space'

/** A hint or a solution: its text once it is open here, and before that how it is opened. */
export default function HiddenTextSpace({ prompt, hidden, readOnly }: PromptSpaceProps<'hidden-text'>) {
  const [asked, setAsked] = useState(false)
  const { hidden: text, opens } = prompt.settings
  const by = hidden?.openedBy[prompt.id]
  if (by === undefined && readOnly && text === '') return <Quiet>It was not opened here.</Quiet>
  if (by !== undefined || readOnly)
    return (
      <Box
        bg="panel"
        borderWidth="1px"
        borderLeftWidth="4px"
        borderLeftColor="live"
        borderRadius="6px"
        p="10px"
      >
        <chakra.p whiteSpace="pre-wrap" overflowWrap="anywhere">
          {text}
        </chakra.p>
        {by !== undefined && <Quiet>{by === '' ? 'Opened by the facilitator' : `Opened by ${by}`}</Quiet>}
      </Box>
    )
  if (opens === 'facilitator') return <Quiet>The facilitator opens this when it is time.</Quiet>
  if (!asked)
    return (
      <Button minH="44px" onClick={() => setAsked(true)}>
        Open for all of us
      </Button>
    )
  return (
    <Box role="group" aria-label={`Open ${prompt.text}?`}>
      <chakra.p mb="8px">Everybody here will read it, and see that you opened it.</chakra.p>
      <Button minH="44px" kind="main" autoFocus me="8px" onClick={() => hidden?.onOpen(prompt.id)}>
        Open it
      </Button>
      <Button minH="44px" kind="bare" onClick={() => setAsked(false)}>
        Not yet
      </Button>
    </Box>
  )
}

const Quiet = ({ children }: { children: string }) => (
  <chakra.p color="quiet" fontSize="s">
    {children}
  </chakra.p>
)
