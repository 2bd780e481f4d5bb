import { Box, chakra, Stack } from '@chakra-ui/react'
import { type ComponentType, Suspense, useEffect, useState, useSyncExternalStore } from 'react'
import type { Board } from '~/core/boards/board'
import { BoardConnection, type BoardStatus } from '../live-client/board-connection'
import { UNKNOWN_KIND } from '../prompts/answer-view'
import { lookOf } from '../prompts/looks'
import type { PromptSpaceProps } from '../prompts/prompt-space'
import { Message } from '../ui/layout'
import { Instructions } from './instructions'

export interface BoardViewProps {
  copyId: string
  board: Board
  /** Who writes here; null for somebody who looks on. */
  me: { id: string } | null
  /** Names of the people in the room by participant id, for the cursors in a sheet. */
  names: Readonly<Record<string, string>>
  onStatus?: (status: BoardStatus['saved']) => void
}

/** A room's own copy of a board, alive: what others write appears as they write it. */
export function BoardView(props: BoardViewProps) {
  const { board, me } = props
  if (board.prompts.length > 0) return <LiveBoard {...props} />
  return (
    <chakra.p color="quiet">
      {me
        ? 'There is nothing to fill in here: work together as you were told. The clock and what the facilitator writes stand on this page.'
        : 'This session has no board.'}
    </chakra.p>
  )
}

function LiveBoard({ copyId, board, me, names, onStatus }: BoardViewProps) {
  const connection = useBoardConnection(copyId, me?.id ?? null)
  const heading = (
    <Box mb="16px">
      <chakra.h2 fontSize="l" mb="8px">
        {board.title}
      </chakra.h2>
      <Instructions steps={board.steps} />
    </Box>
  )
  return (
    <Box>
      {heading}
      {connection ? (
        <OpenBoard connection={connection} board={board} me={me} names={names} onStatus={onStatus} />
      ) : (
        <Opening />
      )}
    </Box>
  )
}

const Opening = () => (
  <chakra.p role="status" color="quiet">
    Opening the board…
  </chakra.p>
)

type OpenBoardProps = Omit<BoardViewProps, 'copyId'> & { connection: BoardConnection }

function OpenBoard({ connection, board, me, names, onStatus }: OpenBoardProps) {
  const status = useSyncExternalStore(connection.subscribe, connection.getStatus, connection.getStatus)
  useEffect(() => onStatus?.(status.saved), [status.saved, onStatus])
  if (status.closed) return <p role="status">This board is closed now. What was written is kept.</p>
  if (!status.ready) return <Opening />
  return (
    <Stack gap="20px">
      {status.full && (
        <Message kind="problem">
          This board is full: nothing more can be added. What is there is kept, and what you were typing stays
          in its field. Removing something makes room again.
        </Message>
      )}
      {board.prompts.map((prompt, index) => (
        <chakra.section key={prompt.id} aria-labelledby={`prompt-${prompt.id}`}>
          <chakra.h3 id={`prompt-${prompt.id}`} fontSize="m" mb="8px">
            <chakra.span color="quiet" mr="6px">
              {index + 1}
            </chakra.span>
            {prompt.text}
          </chakra.h3>
          <PromptSpace
            prompt={prompt}
            connection={connection}
            readOnly={me === null}
            full={status.full}
            myId={me?.id ?? null}
            myName={me ? (names[me.id] ?? null) : null}
            names={names}
            authors={status.authors}
          />
        </chakra.section>
      ))}
    </Stack>
  )
}

function PromptSpace(props: PromptSpaceProps) {
  const Space = lookOf(props.prompt.kind)?.Space as ComponentType<PromptSpaceProps> | undefined
  if (!Space) return <chakra.p color="quiet">{UNKNOWN_KIND}</chakra.p>
  return (
    <Suspense fallback={<chakra.p color="quiet">Opening…</chakra.p>}>
      <Space {...props} />
    </Suspense>
  )
}

/** Opens the copy once the page is in a browser, and closes it when the page goes or the room changes. */
function useBoardConnection(copyId: string, myId: string | null): BoardConnection | null {
  const [connection, setConnection] = useState<BoardConnection | null>(null)
  useEffect(() => {
    const opened = new BoardConnection(copyId, myId === null ? null : { id: myId })
    setConnection(opened)
    return () => {
      setConnection(null)
      opened.destroy()
    }
  }, [copyId, myId])
  return connection
}
