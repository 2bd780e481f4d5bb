import { type Announcements, MouseSensor, TouchSensor, useSensor, useSensors } from '@dnd-kit/core'

/** A press is a press; only a pull of some pixels drags, and a finger that stays. One that moves at once scrolls the page. */
export const useDragSensors = () =>
  useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  )

/** What is read out while something is dragged, `what` in words: ids say nothing to anybody. */
export const dragSaid = (what: string): Announcements => ({
  onDragStart: () => `${what} is taken up.`,
  onDragOver: () => undefined,
  onDragEnd: ({ over }) => (over ? `${what} was put there.` : `${what} stays.`),
  onDragCancel: () => `${what} stays.`,
})
