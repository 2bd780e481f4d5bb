import { useCallback, useLayoutEffect, useRef, useSyncExternalStore } from 'react'
import type * as Y from 'yjs'
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

/** Binds a text field to a shared text. When others write in it, one's own cursor stays where it is. */
export function useSharedText(text: Y.Text) {
  const value = useShared(text as unknown as Y.AbstractType<unknown>, () => text.toString())
  const field = useRef<HTMLTextAreaElement>(null)
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
    if (element) cursor.current = [element.selectionStart, element.selectionEnd]
  }
  return {
    ref: field,
    value,
    onSelect: remember,
    onChange: (event: React.ChangeEvent<HTMLTextAreaElement>) => {
      remember()
      editText(text, event.target.value)
    },
  }
}
