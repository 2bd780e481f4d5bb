import type { KeyboardEvent } from 'react'

/** The step of each arrow key in a grid of so many columns. */
const STEPS: Record<string, (columns: number) => number> = {
  ArrowRight: () => 1,
  ArrowLeft: () => -1,
  ArrowDown: columns => columns,
  ArrowUp: columns => -columns,
}

/** Arrow keys move from one button to the next in a grid as it is laid out just now; put on what holds them. */
export function moveOnGrid(event: KeyboardEvent<HTMLElement>): void {
  const buttons = [...event.currentTarget.querySelectorAll('button')]
  const here = buttons.indexOf(event.target as HTMLButtonElement)
  const step = STEPS[event.key]
  if (here === -1 || !step) return
  const top = buttons[0]?.getBoundingClientRect().top
  const below = buttons.findIndex(button => button.getBoundingClientRect().top !== top)
  const next = buttons[here + step(below === -1 ? buttons.length : below)]
  event.preventDefault()
  next?.focus()
}
