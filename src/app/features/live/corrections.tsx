import { Box, chakra, Flex } from '@chakra-ui/react'
import { useCallback, useEffect, useState } from 'react'
import { Link } from 'react-router'
import type { BoardCorrection } from '~/contracts/corrections'
import { ask } from '../../live-client/ask'
import { Button } from '../../ui/button'
import { Message } from '../../ui/layout'

interface CorrectionsProps {
  sessionId: string
  /** The boards of the session: looked up again when they change. */
  boards: readonly { source?: string | undefined }[]
}

/** Boards that were changed in the library while groups work on them: passed on to one room or to all, once somebody says so. */
export function Corrections({ sessionId, boards }: CorrectionsProps) {
  const address = `/sessions/${sessionId}/corrections`
  const { corrections, look } = useCorrections(address, boards)
  if (corrections.length === 0) return null
  return corrections.map(correction => (
    <Correction key={correction.place} correction={correction} address={address} onDone={look} />
  ))
}

function useCorrections(address: string, boards: CorrectionsProps['boards']) {
  const [corrections, setCorrections] = useState<BoardCorrection[]>([])
  const hasSource = boards.some(({ source }) => source !== undefined)
  const look = useCallback(() => {
    fetch(address)
      .then(answer => (answer.ok ? answer.json() : null))
      .then(
        found => found && setCorrections(found.corrections),
        // It is looked up again when somebody comes back to the page.
        () => undefined,
      )
  }, [address])
  // biome-ignore lint/correctness/useExhaustiveDependencies: other boards may have other corrections.
  useEffect(() => {
    if (!hasSource) return
    look()
    // Boards are changed beside this page: whoever comes back from there is told.
    window.addEventListener('focus', look)
    document.addEventListener('visibilitychange', look)
    return () => {
      window.removeEventListener('focus', look)
      document.removeEventListener('visibilitychange', look)
    }
  }, [hasSource, boards, look])
  return { corrections, look }
}

interface CorrectionProps {
  correction: BoardCorrection
  address: string
  onDone: () => void
}

function Correction({ correction, address, onDone }: CorrectionProps) {
  const { place, boardId, title, rooms, changes, stays, unfinished } = correction
  const [problem, setProblem] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const pass = async (roomId: string | null) => {
    setBusy(true)
    const answer = await ask(address, { place, roomId })
    setBusy(false)
    setProblem(answer.ok ? null : answer.message)
    onDone()
  }
  return (
    <chakra.section
      aria-label={`“${title}” was changed`}
      bg="panel"
      borderWidth="1px"
      borderRadius="8px"
      p="12px"
    >
      <chakra.p fontWeight="600">
        “{title}” was changed since {rooms.length === 1 ? 'this room' : 'the rooms'} got it.{' '}
        <chakra.span textDecoration="underline">
          <Link to={`/boards/${boardId}`}>Open it in the library</Link>
        </chakra.span>
      </chakra.p>
      <chakra.details mt="4px">
        <chakra.summary cursor="pointer">What would change</chakra.summary>
        <chakra.ul ps="1.3em">
          {changes.map(text => (
            <li key={text}>{text}</li>
          ))}
          {stays.map(text => (
            <chakra.li key={text} color="quiet">
              {text}
            </chakra.li>
          ))}
        </chakra.ul>
      </chakra.details>
      {unfinished ? (
        <chakra.p color="quiet" mt="6px">
          Something is still to be said on it; then it can be passed on.
        </chakra.p>
      ) : (
        <Flex gap="8px" mt="8px" wrap="wrap" align="center">
          <Button size="small" kind="main" disabled={busy} onClick={() => pass(null)}>
            {rooms.length === 1 ? `Pass on to ${rooms[0]?.name}` : `Pass on to all ${rooms.length} rooms`}
          </Button>
          {rooms.length > 1 &&
            rooms.map(({ id, name }) => (
              <Button key={id} size="small" kind="bare" disabled={busy} onClick={() => pass(id)}>
                Only to {name}
              </Button>
            ))}
          <chakra.span color="quiet" fontSize="s">
            What groups wrote stays.
          </chakra.span>
        </Flex>
      )}
      {problem && (
        <Box mt="8px">
          <Message kind="problem">{problem}</Message>
        </Box>
      )}
    </chakra.section>
  )
}
