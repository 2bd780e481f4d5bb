import { Box, chakra, Flex } from '@chakra-ui/react'
import { Button } from '../../../ui/button'
import { Message } from '../../../ui/layout'
import type { DraftState } from './use-draft'

/** Says what of the groups is not saved, and that it is kept in this browser meanwhile. */
export function DraftNotice({ draft, onDrop }: { draft: DraftState; onDrop: () => void }) {
  const { state, at, earlierAt } = draft
  return (
    <>
      {earlierAt !== null && (
        <Box mb="12px">
          <Message>
            <Flex gap="12px" align="center" wrap="wrap">
              <span>
                There is a draft from {timeOf(earlierAt)} in this browser, made before somebody saved this
                grouping anew.
              </span>
              <Button size="small" onClick={draft.takeUpEarlier}>
                Take up the draft
              </Button>
              <Button size="small" onClick={draft.dropEarlier}>
                Drop it
              </Button>
            </Flex>
          </Message>
        </Box>
      )}
      {state === 'taken-up' ? (
        <Box mb="12px">
          <Message>
            <Flex gap="12px" align="center" wrap="wrap">
              <span>These groups are a draft from {timeOf(at)} that was not saved.</span>
              <Button size="small" onClick={onDrop}>
                Drop the draft
              </Button>
            </Flex>
          </Message>
        </Box>
      ) : (
        // Its line is there before it says anything: what comes a moment after a change must not move what is being clicked.
        <chakra.p
          minHeight="1lh"
          fontSize="s"
          color={state === 'refused' ? 'ask' : 'quiet'}
          fontWeight={state === 'refused' ? '600' : undefined}
          role="status"
        >
          {state === 'kept' && `Not saved yet. Kept in this browser as a draft at ${timeOf(at)}.`}
          {state === 'refused' &&
            'Not saved yet, and this browser keeps no drafts: save before you leave the page.'}
        </chakra.p>
      )}
    </>
  )
}

const timeOf = (at: number | null): string =>
  at === null ? '' : new Date(at).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' })
