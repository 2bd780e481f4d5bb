import { useCallback, useLayoutEffect, useMemo, useRef, useSyncExternalStore } from 'react'
import type * as Y from 'yjs'
import { touches } from '~/core/boards/entries'
import { type Answer, type Prompt, type PromptKind, readAnswer, rootsOf } from '~/core/boards/prompts/kinds'
import { editText } from '~/core/boards/text-edit'

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

/** Follows what stands under a prompt, read whole: for kinds whose answers are small. */
export function useAnswer<Kind extends PromptKind>(
  doc: Y.Doc,
  prompt: Extract<Prompt, { kind: Kind }>,
): Extract<Answer, { kind: Kind }> {
  const followed = useMemo(() => {
    const read = () => readAnswer(doc, prompt) as Extract<Answer, { kind: Kind }>
    let answer = read()
    return {
      get: () => answer,
      subscribe(listener: () => void) {
        const roots = rootsOf(prompt)
        const hear = (transaction: Y.Transaction) => {
          if (!touches(transaction, roots)) return
          answer = read()
          listener()
        }
        doc.on('afterTransaction', hear)
        // Something may have come between drawing and listening.
        answer = read()
        listener()
        return () => doc.off('afterTransaction', hear)
      },
    }
  }, [doc, prompt])
  return useSyncExternalStore(followed.subscribe, followed.get, followed.get)
}

/** Binds a text field to a shared text. When others write in it, one's own cursor stays where it is. */
export function useSharedText(text: Y.Text) {
  const value = useShared(text as unknown as Y.AbstractType<unknown>, () => text.toString())
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
