import { Box, chakra, Flex } from '@chakra-ui/react'
import { Button } from '../../../ui/button'
import { Message } from '../../../ui/layout'
import type { DraftState } from './use-draft'

/** Says what of the groups is not saved, and that it is kept in this browser meanwhile. */
export function DraftNotice({ draft, onDrop }: { draft: DraftState; onDrop: () => void }) {
  const time =
    draft.at === null
      ? ''
      : new Date(draft.at).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' })
  // Its line is there before it says anything: what comes a moment after a change must not move what is being clicked.
  if (draft.state === 'none' || draft.state === 'kept' || draft.state === 'refused') {
    return (
      <chakra.p
        minHeight="1lh"
        fontSize="s"
        color={draft.state === 'refused' ? 'ask' : 'quiet'}
        fontWeight={draft.state === 'refused' ? '600' : undefined}
        role="status"
      >
        {draft.state === 'kept' && `Not saved yet. Kept in this browser as a draft at ${time}.`}
        {draft.state === 'refused' &&
          'Not saved yet, and this browser keeps no drafts: save before you leave the page.'}
      </chakra.p>
    )
  }
  return (
    <Box mb="12px">
      <Message>
        <Flex gap="12px" align="center" wrap="wrap">
          {draft.state === 'taken-up' ? (
            <>
              <span>These groups are a draft from {time} that was not saved.</span>
              <Button size="small" onClick={onDrop}>
                Drop the draft
              </Button>
            </>
          ) : (
            <>
              <span>
                There is a draft from {time} in this browser, made before somebody saved this grouping anew.
              </span>
              <Button size="small" onClick={draft.takeUp}>
                Take up the draft
              </Button>
              <Button size="small" onClick={draft.drop}>
                Drop it
              </Button>
            </>
          )}
        </Flex>
      </Message>
    </Box>
  )
}
