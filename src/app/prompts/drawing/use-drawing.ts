import { useEffect, useState, useSyncExternalStore } from 'react'
import * as Y from 'yjs'
import { type Mark, marksOf, putMark } from '~/core/boards/prompts/drawing/document'

/** What is done here, to be told from what others do. */
const HERE = { drawing: 'here' }

class Steps {
  private readonly manager: Y.UndoManager
  private readonly listeners = new Set<() => void>()
  private state = '00'

  constructor(
    private readonly doc: Y.Doc,
    private readonly promptId: string,
  ) {
    this.manager = new Y.UndoManager(marksOf(doc, promptId), {
      trackedOrigins: new Set([HERE]),
      captureTimeout: 0,
    })
    for (const event of ['stack-item-added', 'stack-item-popped', 'stack-cleared'] as const)
      this.manager.on(event, () => this.tell())
  }

  put(mark: Mark): void {
    this.doc.transact(() => putMark(this.doc, this.promptId, mark), HERE)
  }

  erase(id: string): void {
    this.doc.transact(() => marksOf(this.doc, this.promptId).delete(id), HERE)
  }

  undo = (): void => void this.manager.undo()
  redo = (): void => void this.manager.redo()
  /** Whether there is something to undo, and to redo. */
  get = (): string => this.state
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
  end = (): void => this.manager.destroy()

  private tell(): void {
    this.state = `${Math.min(1, this.manager.undoStack.length)}${Math.min(1, this.manager.redoStack.length)}`
    for (const listener of this.listeners) listener()
  }
}

const never = () => () => undefined

/** Puts and erases marks; undo and redo take back one's own steps only. Null until the page is there. */
export function useDrawing(doc: Y.Doc, promptId: string, isOff: boolean) {
  const [steps, setSteps] = useState<Steps | null>(null)
  useEffect(() => {
    if (isOff) return
    const made = new Steps(doc, promptId)
    setSteps(made)
    return () => {
      setSteps(null)
      made.end()
    }
  }, [doc, promptId, isOff])
  const can = useSyncExternalStore(steps?.subscribe ?? never, steps?.get ?? (() => '00'), () => '00')
  return {
    put: (mark: Mark) => steps?.put(mark),
    erase: (id: string) => steps?.erase(id),
    undo: can[0] === '1' ? (steps?.undo ?? null) : null,
    redo: can[1] === '1' ? (steps?.redo ?? null) : null,
  }
}
