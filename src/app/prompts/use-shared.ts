import { useCallback, useLayoutEffect, useMemo, useRef, useSyncExternalStore } from 'react'
import type * as Y from 'yjs'
import { editText } from '~/core/boards/text-edit'
import { touches } from '~/core/boards/touched'

/** Follows a shared type: `read` is called again after each change, and must give equal values for equal content. */
export function useShared<Value extends string | number>(
  type: Y.AbstractType<unknown>,
  read: () => Value,
): Value {
  const subscribe = useCallback(
    (listener: () => void) => {
      type.observeDeep(listener)
      return () => type.unobserveDeep(listener)
    },
    [type],
  )
  return useSyncExternalStore(subscribe, read, read)
}

/** What `useAnswer` needs of a kind. */
interface Readable<Settings, Answer> {
  roots(promptId: string): string[]
  read(doc: Y.Doc, asked: { id: string; settings: Settings }): Answer
}

/** Follows what stands under a prompt, read whole: for kinds whose answers are small. */
export function useAnswer<Settings, Answer>(
  doc: Y.Doc,
  kind: Readable<Settings, Answer>,
  prompt: { id: string; settings: Settings },
): Answer {
  const followed = useMemo(() => {
    let answer = kind.read(doc, prompt)
    return {
      get: () => answer,
      subscribe(listener: () => void) {
        const roots = kind.roots(prompt.id)
        const hear = (transaction: Y.Transaction) => {
          if (!touches(transaction, roots)) return
          answer = kind.read(doc, prompt)
          listener()
        }
        doc.on('afterTransaction', hear)
        // Something may have come between drawing and listening.
        answer = kind.read(doc, prompt)
        listener()
        return () => doc.off('afterTransaction', hear)
      },
    }
  }, [doc, kind, prompt])
  return useSyncExternalStore(followed.subscribe, followed.get, followed.get)
}

/** Follows what a shared text says. */
export const useSharedWords = (text: Y.Text): string =>
  useShared(text as unknown as Y.AbstractType<unknown>, () => text.toString())

/** Binds a text field to a shared text. When others write in it, one's own cursor stays where it is. */
export function useSharedText(text: Y.Text) {
  const value = useSharedWords(text)
  const field = useRef<(HTMLTextAreaElement & HTMLInputElement) | null>(null)
  const cursor = useRef<[number, number] | null>(null)
  const shown = useRef(value)
  useLayoutEffect(() => {
    const element = field.current
    if (!element || shown.current === value) return
    shown.current = value
    if (cursor.current && document.activeElement === element) element.setSelectionRange(...cursor.current)
  }, [value])
  const remember = () => {
    const element = field.current
    if (element) cursor.current = [element.selectionStart ?? 0, element.selectionEnd ?? 0]
  }
  return {
    ref: field,
    value,
    onSelect: remember,
    onChange: (event: React.ChangeEvent<HTMLTextAreaElement | HTMLInputElement>) => {
      remember()
      editText(text, event.target.value)
    },
  }
}
