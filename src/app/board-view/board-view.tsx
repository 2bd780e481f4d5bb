import { Box, chakra } from '@chakra-ui/react'
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react'
import type { Board } from '~/core/boards/board'
import { BoardConnection, type BoardStatus } from '../live-client/board-connection'
import type { HiddenHere } from '../prompts/prompt-space'
import { useSame, useSameActs } from '../ui/use-same'
import { BoardBody, type PartsHere } from './board-body'
import { Instructions } from './instructions'

export interface BoardViewProps {
  copyId: string
  board: Board
  /** Who writes here; null for somebody who looks on. */
  me: { id: string } | null
  /** The session as one of which what is written is kept in this browser; nothing is kept without it. */
  keptFor?: string
  /** Names of the people in the room by participant id, for the cursors in a sheet. */
  names: Readonly<Record<string, string>>
  onStatus?: (status: BoardStatus['saved']) => void
  /** What is said of its parts, by those who work on it. */
  parts?: PartsHere | undefined
  hidden?: HiddenHere | undefined
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

function LiveBoard({ copyId, keptFor, onStatus, ...shown }: BoardViewProps) {
  const steady = useSteady(shown)
  const { board, me } = steady
  const connection = useBoardConnection(copyId, me?.id ?? null, keptFor ?? null)
  return (
    <Box>
      <Box mb="16px">
        <chakra.h2 fontSize="l" mb="8px">
          {board.title}
        </chakra.h2>
        <Instructions steps={board.steps} />
      </Box>
      {connection ? <OpenBoard connection={connection} onStatus={onStatus} {...steady} /> : <Opening />}
    </Box>
  )
}

type Shown = Omit<BoardViewProps, 'copyId' | 'keptFor' | 'onStatus'>

/** The same objects for as long as they say the same, whatever else is new on the page: a board is much to draw. */
function useSteady({ board, me, names, parts, hidden }: Shown): Shown {
  const { onDone, onOpen } = useSameActs({
    onDone: parts?.onDone ?? NOTHING,
    onOpen: hidden?.onOpen ?? NOTHING,
  })
  const says = useSame({
    board,
    me,
    names,
    parts: parts && { shut: parts.shut, done: parts.done },
    hidden: hidden && { openedBy: hidden.openedBy },
  })
  return useMemo(
    () => ({
      ...says,
      parts: says.parts && { ...says.parts, onDone },
      hidden: says.hidden && { ...says.hidden, onOpen },
    }),
    [says, onDone, onOpen],
  )
}

const NOTHING = () => undefined

const Opening = () => (
  <chakra.p role="status" color="quiet">
    Opening the board…
  </chakra.p>
)

type OpenBoardProps = Shown & Pick<BoardViewProps, 'onStatus'> & { connection: BoardConnection }

function OpenBoard({ connection, onStatus, ...props }: OpenBoardProps) {
  const status = useSyncExternalStore(connection.subscribe, connection.getStatus, connection.getStatus)
  useEffect(() => onStatus?.(status.saved), [status.saved, onStatus])
  if (status.closed) return <p role="status">This board is closed now. What was written is kept.</p>
  if (!status.ready) return <Opening />
  return <BoardBody connection={connection} full={status.full} authors={status.authors} {...props} />
}

/** Opens the copy once the page is in a browser, and closes it when the page goes or the room changes. */
function useBoardConnection(
  copyId: string,
  myId: string | null,
  keptFor: string | null,
): BoardConnection | null {
  const [connection, setConnection] = useState<BoardConnection | null>(null)
  useEffect(() => {
    const opened = new BoardConnection(copyId, myId === null ? null : { id: myId }, keptFor)
    setConnection(opened)
    return () => {
      setConnection(null)
      opened.destroy()
    }
  }, [copyId, myId, keptFor])
  return connection
}
