import type { PromptLook } from '../look'
import { spaceWhenMet, whenMet } from '../when-met'

export const SKETCH_LOOK: PromptLook<'sketch'> = {
  name: 'Sketch',
  hint: 'An empty ground to draw on together.',
  space: spaceWhenMet(() => import('./sketch-space')),
  Answer: whenMet(() => import('./sketch-answer')),
  settings: {},
  Settings: null,
}
