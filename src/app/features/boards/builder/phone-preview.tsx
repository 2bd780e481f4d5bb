import { Box, chakra, Flex } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import { Awareness } from 'y-protocols/awareness'
import * as Y from 'yjs'
import type { Board } from '~/core/boards/board'
import { beginSheets } from '~/core/boards/prompts/sheet/document'
import { BoardBody } from '../../../board-view/board-body'
import { Instructions } from '../../../board-view/instructions'
import { Button } from '../../../ui/button'
import { newId } from '../../../ui/by-chance'

const ME = { id: 'tried-out' }
/** Others, so that what people do with each other can be seen. */
const NAMES = { [ME.id]: 'You', 'other-1': 'Somebody', 'other-2': 'Somebody else' }

/** A document of this page alone, in which a board is tried out. */
class TrialDocument {
  readonly doc = new Y.Doc()
  readonly provider = { awareness: new Awareness(this.doc) }
  readonly copyId = `trial-${newId()}`

  constructor(board: Board) {
    beginSheets(this.doc, board)
    this.provider.awareness.setLocalStateField('user', ME)
  }

  destroy(): void {
    this.provider.awareness.destroy()
    this.doc.destroy()
  }
}

/** What participants will see on a phone, all parts open, to be tried out: nothing of it is kept. It goes to the prompt `at`. */
export function PhonePreview({ board, at }: { board: Board; at: string | null }) {
  const phone = useRef<HTMLDivElement>(null)
  const [trial, setTrial] = useState<TrialDocument | null>(null)
  const [times, setTimes] = useState(0)
  const [done, setDone] = useState<string[]>([])
  const [opened, setOpened] = useState<Record<string, string>>({})
  const begins = JSON.stringify(
    board.prompts.map(({ id, kind, settings }) => kind === 'sheet' && [id, settings.begin]),
  )
  // biome-ignore lint/correctness/useExhaustiveDependencies: made anew each time it is begun afresh, or sheets begin with another text.
  useEffect(() => {
    const made = new TrialDocument(board)
    setTrial(made)
    setDone([])
    setOpened({})
    return () => made.destroy()
  }, [times, begins])
  useEffect(() => {
    const [shown, heading] = [phone.current, document.getElementById(`prompt-${at}`)]
    if (!shown || !heading) return
    const top = heading.getBoundingClientRect().top - shown.getBoundingClientRect().top
    shown.scrollBy({ top: top - 20 })
  }, [at])
  return (
    <chakra.section aria-label="As participants see it">
      <Flex justify="space-between" align="center" mb="6px" gap="8px">
        <chakra.h2 fontSize="m">As participants see it</chakra.h2>
        <Button size="small" kind="bare" onClick={() => setTimes(count => count + 1)}>
          Try it afresh
        </Button>
      </Flex>
      <Box
        ref={phone}
        borderWidth="8px"
        borderColor="ink"
        borderRadius="22px"
        bg="paper"
        maxW="390px"
        h={{ base: '640px', lg: 'calc(100vh - 110px)' }}
        overflowY="auto"
        px="14px"
        py="16px"
        tabIndex={0}
        role="region"
        aria-label="The board on a phone"
      >
        <chakra.p fontWeight="650" fontSize="l" mb="8px" overflowWrap="anywhere">
          {board.title}
        </chakra.p>
        <Box mb="16px">
          <Instructions steps={board.steps} />
        </Box>
        {board.prompts.length === 0 && <chakra.p color="quiet">Nothing is asked yet: add a prompt.</chakra.p>}
        {trial && (
          <BoardBody
            key={trial.copyId}
            board={board}
            connection={trial}
            me={ME}
            names={NAMES}
            full={false}
            authors={{}}
            parts={{
              shut: 0,
              done,
              onDone: (id, isDone) =>
                setDone(ids => (isDone ? [...ids, id] : ids.filter(each => each !== id))),
            }}
            hidden={{
              openedBy: opened,
              onOpen: id => setOpened(known => ({ ...known, [id]: NAMES[ME.id] as string })),
            }}
          />
        )}
      </Box>
      <chakra.p color="quiet" fontSize="s" mt="6px">
        With all its parts open. Try it out: nothing written here is kept.
      </chakra.p>
    </chakra.section>
  )
}
