import type { KeyboardEvent } from 'react'

/** Whatever in a row can have the focus. */
const CONTROLS = 'a[href], button:not([disabled]), input:not([disabled])'
const ROWS = 'li, tbody tr'

/**
 * Arrow keys move through the rows of a list, from one control to the like one in the next row; from the field above the
 * rows down into them and back. Put on what holds the rows, `li` or `tr`, and the field that filters them.
 */
export function moveByArrows(event: KeyboardEvent<HTMLElement>): void {
  const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
  const { currentTarget: list, target } = event
  // A list within what holds it and its field: the inner one has done it.
  if (step === 0 || event.defaultPrevented || !(target instanceof HTMLElement) || hasOwnArrows(target)) return
  const rows = [...list.querySelectorAll<HTMLElement>(ROWS)].map(controlsOf).filter(row => row.length > 0)
  const here = rows.findIndex(row => row.includes(target))
  const index = rows[here]?.indexOf(target) ?? 0
  const next = here === -1 && step === -1 ? undefined : rows[here + step]
  const wanted = next ? (next[index] ?? next[0]) : step === -1 ? fieldAbove(list) : undefined
  if (!wanted) return
  event.preventDefault()
  wanted.focus()
}

/** Menus and boxes in which arrow keys already mean something else. */
const hasOwnArrows = (target: HTMLElement): boolean =>
  target.closest('select, textarea, [contenteditable], [role=menu]') !== null ||
  (target.matches('input:not([type=checkbox])') && target.closest(ROWS) !== null)

const controlsOf = (row: HTMLElement): HTMLElement[] => [...row.querySelectorAll<HTMLElement>(CONTROLS)]

const fieldAbove = (list: HTMLElement): HTMLElement | undefined =>
  [...list.querySelectorAll('input')].find(input => input.closest(ROWS) === null)
