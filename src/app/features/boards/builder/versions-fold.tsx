import { chakra, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import { useFetcher } from 'react-router'
import type { BoardVersion } from '~/contracts/board-version'
import type { Board } from '~/core/boards/board'
import { Button } from '../../../ui/button'
import { Row, Rows } from '../../../ui/layout'
import { When } from '../../../ui/when'

interface VersionsFoldProps {
  boardId: string
  /** Takes a version, as a step that can be undone. */
  onTake: (board: Board) => void
}

/** How the board was left, by whom and when; each can be read, and taken again. */
export function VersionsFold({ boardId, onTake }: VersionsFoldProps) {
  const fetcher = useFetcher<{ versions: BoardVersion[] }>()
  const [read, setRead] = useState<number | null>(null)
  const versions = fetcher.data?.versions
  return (
    <chakra.details
      onToggle={event => {
        if (event.currentTarget.open) fetcher.load(`/boards/${boardId}/versions`)
      }}
    >
      <chakra.summary cursor="pointer" fontWeight="600" minH="30px">
        Versions
      </chakra.summary>
      {versions === undefined ? (
        <chakra.p color="quiet">Opening…</chakra.p>
      ) : (
        <Rows label="Versions">
          {versions.map(({ version, board, savedBy, savedAt }) => (
            <Row key={version}>
              <b>{version}</b>
              <span>
                {savedBy && `${savedBy}, `}
                <When at={savedAt} />
              </span>
              <Button
                size="small"
                kind="bare"
                ml="auto"
                aria-expanded={read === version}
                aria-label={`Read version ${version}`}
                onClick={() => setRead(read === version ? null : version)}
              >
                Read
              </Button>
              <Button
                size="small"
                kind="bare"
                aria-label={`Take version ${version}`}
                onClick={() => onTake(board)}
              >
                Take
              </Button>
              {read === version && <InBrief board={board} />}
            </Row>
          ))}
        </Rows>
      )}
    </chakra.details>
  )
}

/** What a board asks, in lines. */
const InBrief = ({ board }: { board: Board }) => (
  <Stack gap="2px" w="full" ps="24px" fontSize="s">
    <b>{board.title}</b>
    {board.prompts.map(({ id, text }, index) => (
      <span key={id}>
        {index + 1}. {text || 'asks nothing yet'}
      </span>
    ))}
  </Stack>
)
