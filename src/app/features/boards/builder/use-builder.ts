import { isEqual } from 'lodash-es'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Board } from '~/core/boards/board'
import { mergeBoards } from '~/core/boards/building/merge'
import { isSame } from '~/core/merging/merge'
import { Keeping } from './keeping'

export type KeptBoard = Board & { savedAt: number }

/** One step that can be undone. */
interface Step {
  before: Board
  after: Board
  /** What was typed in; typing on is the same step. */
  field: string | null
  at: number
}

/** What is typed in one field without a rest of so long is one step, in milliseconds. */
const ONE_STEP_MS = 1_500

export type Change = (edit: (board: Board) => Board, field?: string) => void

export interface Builder {
  board: Board
  /** Does something to the board; `field` names what is typed in. */
  change: Change
  undo: (() => void) | null
  redo: (() => void) | null
  /** How often a piece was changed from elsewhere, by its id: fields that hold what was typed are drawn anew then. */
  drawn: Readonly<Record<string, number>>
  /** Takes what it was in another version, as a step that can be undone. */
  take: (board: Board) => void
  state: 'as it was' | 'keeping' | 'kept' | { problem: string }
}

/**
 * A board while it is made: every change is kept at once, can be undone, and stands beside what others change at the same time.
 * `told` is what the server says it is, whenever it says so.
 */
export function useBuilder(boardId: string, told: KeptBoard): Builder {
  const [board, setBoard] = useState<Board>(told)
  const [state, setState] = useState<Builder['state']>('as it was')
  const [steps, setSteps] = useState<{ done: Step[]; undone: Step[] }>({ done: [], undone: [] })
  const [drawn, setDrawn] = useState<Record<string, number>>({})
  const now = useRef(board)
  const history = useRef(steps)
  const keeping = useRef<Keeping>(null)

  const show = useCallback((next: Board) => {
    now.current = next
    setBoard(next)
  }, [])
  /** Shows what somebody else did, or an earlier state: what differs in it is drawn anew. */
  const bring = useCallback(
    (next: Board) => {
      const differing = piecesThatDiffer(now.current, next)
      if (differing.length > 0)
        setDrawn(before => ({
          ...before,
          ...Object.fromEntries(differing.map(id => [id, (before[id] ?? 0) + 1])),
        }))
      show(next)
    },
    [show],
  )
  const remember = useCallback((next: typeof steps) => {
    history.current = next
    setSteps(next)
  }, [])

  if (!keeping.current) {
    keeping.current = new Keeping(`/boards/${boardId}/changes`, told, {
      now: () => now.current,
      onState: setState,
      onOthers: bring,
    })
  }
  const kept = keeping.current
  useEffect(() => kept.hear(told), [kept, told])
  useEffect(() => kept.begin(), [kept])

  const change: Change = useCallback(
    (edit, field) => {
      const before = now.current
      const after = edit(before)
      if (after === before || isEqual(after, before)) return
      const { done } = history.current
      const last = done.at(-1)
      const goesOn = field !== undefined && last?.field === field && Date.now() - last.at < ONE_STEP_MS
      const step = { before: goesOn ? last.before : before, after, field: field ?? null, at: Date.now() }
      remember({ done: [...(goesOn ? done.slice(0, -1) : done), step], undone: [] })
      show(after)
      kept.soon()
    },
    [kept, remember, show],
  )
  const take = useCallback(
    (version: Board) => {
      const before = now.current
      const step = { before, after: version, field: null, at: Date.now() }
      remember({ done: [...history.current.done, step], undone: [] })
      bring(version)
      kept.soon()
    },
    [bring, kept, remember],
  )
  const goBack = useCallback(() => {
    const { done, undone } = history.current
    const step = done.at(-1)
    if (!step) return
    remember({ done: done.slice(0, -1), undone: [...undone, step] })
    bring(mergeBoards(step.after, step.before, now.current))
    kept.soon()
  }, [bring, kept, remember])
  const goOn = useCallback(() => {
    const { done, undone } = history.current
    const step = undone.at(-1)
    if (!step) return
    remember({ done: [...done, step], undone: undone.slice(0, -1) })
    bring(mergeBoards(step.before, step.after, now.current))
    kept.soon()
  }, [bring, kept, remember])
  return {
    board,
    change,
    undo: steps.done.length > 0 ? goBack : null,
    redo: steps.undone.length > 0 ? goOn : null,
    drawn,
    take,
    state,
  }
}

/** The board's own words stand under this name. */
export const HEAD = 'head'

function piecesThatDiffer(before: Board, after: Board): string[] {
  const pieces = (board: Board): Map<string, unknown> =>
    new Map<string, unknown>([
      [HEAD, [board.title, board.steps]],
      ...board.prompts.map((prompt): [string, unknown] => [prompt.id, prompt]),
      ...(board.parts ?? []).map((part): [string, unknown] => [part.id, part]),
    ])
  const earlier = pieces(before)
  return [...pieces(after)]
    .filter(([id, piece]) => !isSame({ piece: earlier.get(id) }, { piece }))
    .map(([id]) => id)
}
