import type { Announcements } from '@dnd-kit/core'

/** What is read out while something is dragged, `what` in words: ids say nothing to anybody. */
export const dragSaid = (what: string): Announcements => ({
  onDragStart: () => `${what} is taken up.`,
  onDragOver: () => undefined,
  onDragEnd: ({ over }) => (over ? `${what} was put there.` : `${what} stays.`),
  onDragCancel: () => `${what} stays.`,
})
