import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { Button } from '../../ui/button'
import type { LiveView, Send } from '../live-view'

/** Names that are in doubt: somebody is at the door and theirs is taken, or goes by a name that is not theirs. */
export function Doubts({ view, send }: { view: LiveView; send: Send }) {
  if (view.doubts.length === 0) return null
  return (
    <Box role="status">
      <Stack as="ul" listStyleType="none" gap="4px" aria-label="Names in doubt">
        {view.doubts.map(doubt => {
          const name = view.people.find(person => person.id === doubt.participantId)?.shownName ?? 'Somebody'
          return (
            <Flex
              as="li"
              key={doubt.id}
              gap="8px"
              align="center"
              wrap="wrap"
              bg="askWash"
              borderRadius="6px"
              p="6px 8px"
            >
              <span>
                {doubt.how === 'not-me' ? (
                  <>
                    Who goes by <b>{name}</b> says that is not them.
                  </>
                ) : (
                  <>
                    Somebody at the door says they are <b>{name}</b>, and the name is taken.
                  </>
                )}
              </span>
              <Button
                size="small"
                kind="ask"
                onClick={() => send({ type: 'settle-doubt', doubtId: doubt.id, free: true })}
              >
                Free the name
              </Button>
              <Button
                size="small"
                onClick={() => send({ type: 'settle-doubt', doubtId: doubt.id, free: false })}
              >
                Leave it as it is
              </Button>
              <chakra.span fontSize="s" color="quiet">
                What was written under it stays.
              </chakra.span>
            </Flex>
          )
        })}
      </Stack>
    </Box>
  )
}
