import { Box, chakra, Stack } from '@chakra-ui/react'
import {
  type ComponentType,
  type ReactNode,
  Suspense,
  useEffect,
  useState,
  useSyncExternalStore,
} from 'react'
import type { Board } from '~/core/boards/board'
import { type PartShown, partsOf } from '~/core/boards/parts'
import { BoardConnection, type BoardStatus } from '../live-client/board-connection'
import { UNKNOWN_KIND } from '../prompts/answer-view'
import { lookOf } from '../prompts/looks'
import type { PromptSpaceProps } from '../prompts/prompt-space'
import { Button } from '../ui/button'
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
  /** What is said of its parts, by those who work on it. */
  parts?: PartsHere
}

interface PartsHere {
  /** How many are still shut. */
  shut: number
  /** Ids of those that are done. */
  done: readonly string[]
  onDone: (partId: string, done: boolean) => void
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

function LiveBoard({ copyId, board, me, names, onStatus, parts }: BoardViewProps) {
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
        <OpenBoard
          connection={connection}
          board={board}
          me={me}
          names={names}
          onStatus={onStatus}
          parts={parts}
        />
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

function OpenBoard({ connection, board, me, names, onStatus, parts }: OpenBoardProps) {
  const status = useSyncExternalStore(connection.subscribe, connection.getStatus, connection.getStatus)
  useEffect(() => onStatus?.(status.saved), [status.saved, onStatus])
  if (status.closed) return <p role="status">This board is closed now. What was written is kept.</p>
  if (!status.ready) return <Opening />
  const shown = partsOf(board)
  const inOrder = shown.flatMap(({ prompts }) => prompts)
  return (
    <Stack gap="20px">
      {status.full && (
        <Message kind="problem">
          This board is full: nothing more can be added. What is there is kept, and what you were typing stays
          in its field. Removing something makes room again.
        </Message>
      )}
      {shown.map((part, place) => (
        <Part
          key={part.id}
          part={part}
          place={place}
          isOnly={shown.length === 1 && !parts?.shut}
          parts={parts}
        >
          {part.prompts.map(prompt => (
            <chakra.section key={prompt.id} aria-labelledby={`prompt-${prompt.id}`}>
              <chakra.h3 id={`prompt-${prompt.id}`} fontSize="m" mb="8px">
                <chakra.span color="quiet" mr="6px">
                  {inOrder.indexOf(prompt) + 1}
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
        </Part>
      ))}
      {parts !== undefined && parts.shut > 0 && (
        <chakra.p color="quiet" role="status">
          {parts.shut === 1 ? 'One more part opens later.' : `${parts.shut} more parts open later.`}
        </chakra.p>
      )}
    </Stack>
  )
}

interface PartProps {
  part: PartShown
  place: number
  /** There is no other to tell it from. */
  isOnly: boolean
  parts: PartsHere | undefined
  children: ReactNode
}

/** A part with its instructions, and at its end where the group says that it is done. The first has the board's own. */
function Part({ part, place, isOnly, parts, children }: PartProps) {
  if (isOnly) return children
  const isDone = parts?.done.includes(part.id) ?? false
  return (
    <Stack
      as="section"
      gap="20px"
      aria-label={part.title || `Part ${place + 1}`}
      borderTopWidth={place > 0 ? '2px' : '0'}
      pt={place > 0 ? '16px' : '0'}
    >
      {place > 0 && (
        <Box>
          <chakra.h2 fontSize="l" mb="6px">
            {part.title}{' '}
            {part.minutes !== null && (
              <chakra.span color="quiet" fontSize="s" fontWeight="400">
                about {part.minutes} min
              </chakra.span>
            )}
          </chakra.h2>
          <Instructions steps={[...part.steps]} />
        </Box>
      )}
      {children}
      {parts && (
        <Button
          alignSelf="flex-start"
          minH="44px"
          kind={isDone ? 'main' : 'plain'}
          aria-pressed={isDone}
          onClick={() => parts.onDone(part.id, !isDone)}
        >
          {isDone ? 'Done with this part' : 'We are done with this part'}
        </Button>
      )}
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
