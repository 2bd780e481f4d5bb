import { Box, chakra, Stack } from '@chakra-ui/react'
import { memo, type ReactNode, Suspense, useContext, useState } from 'react'
import type { Board } from '~/core/boards/board'
import { type PartShown, partsOf } from '~/core/boards/parts'
import { CommentsOn } from '../live/comments/comments-on'
import { TakesOff } from '../live/taken-off/takes-off'
import { UNKNOWN_KIND } from '../prompts/answer-view'
import { lookOf } from '../prompts/looks'
import type { HiddenHere, PromptSpaceProps } from '../prompts/prompt-space'
import { SpaceMet } from '../prompts/space-met'
import { type Space, whenMet } from '../prompts/when-met'
import { Button } from '../ui/button'
import { Message } from '../ui/layout'
import { useSame } from '../ui/use-same'
import { Instructions } from './instructions'

const TakeOffList = whenMet(() => import('../live/taken-off/take-off-list'))

export interface PartsHere {
  /** How many are still shut. */
  shut: number
  /** Ids of those that are done. */
  done: readonly string[]
  onDone: (partId: string, done: boolean) => void
}

interface BoardBodyProps {
  board: Board
  connection: PromptSpaceProps['connection']
  /** Who writes here; null for somebody who looks on. */
  me: { id: string } | null
  /** Names of the people in the room by participant id, for the cursors in a sheet. */
  names: Readonly<Record<string, string>>
  /** Nothing more can be added. */
  full: boolean
  authors: Readonly<Record<string, string>>
  /** What is said of its parts, by those who work on it. */
  parts?: PartsHere | undefined
  hidden?: HiddenHere | undefined
}

/** What a board asks, part by part, with the space to answer each. */
export const BoardBody = memo(function BoardBody(props: BoardBodyProps) {
  const { connection, board, me, names, full, authors, parts, hidden } = props
  const takesOff = useContext(TakesOff) !== null
  // It comes while what is at hand is drawn: that can be a thousand cards.
  useState(() => meetAll(board))
  const shown = partsOf(board)
  const inOrder = shown.flatMap(({ prompts }) => prompts)
  return (
    <Stack gap="20px">
      {full && (
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
                full={full}
                myId={me?.id ?? null}
                myName={me ? (names[me.id] ?? null) : null}
                names={names}
                authors={authors}
                prompts={board.prompts}
                hidden={hidden}
              />
              <CommentsOn promptId={prompt.id} pieceId={null} quote="" />
              {takesOff && (
                <Suspense fallback={null}>
                  <TakeOffList prompt={prompt} doc={connection.doc} authors={authors} />
                </Suspense>
              )}
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
})

/** What can't be had is told where it would stand. */
const meetAll = ({ prompts }: Board) => {
  for (const { kind } of prompts)
    lookOf(kind)
      ?.space.meet()
      .catch(() => undefined)
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

/** Who wrote under other prompts is nothing to one. */
function PromptSpace({ authors, ...props }: PromptSpaceProps) {
  const { id } = props.prompt
  const ofPrompt = Object.entries(authors).filter(([piece]) => piece.startsWith(`${id}/`))
  return <SpaceOfKind {...props} authors={useSame(Object.fromEntries(ofPrompt))} />
}

const SpaceOfKind = memo(function SpaceOfKind(props: PromptSpaceProps) {
  const space = lookOf(props.prompt.kind)?.space
  if (!space) return <chakra.p color="quiet">{UNKNOWN_KIND}</chakra.p>
  return <SpaceMet key={props.prompt.kind} space={space as Space<PromptSpaceProps>} {...props} />
})
