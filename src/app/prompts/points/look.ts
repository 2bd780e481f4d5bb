import type { PromptLook } from '../look'
import { spaceWhenMet, whenMet } from '../when-met'

export const POINTS_LOOK: PromptLook<'points'> = {
  name: 'Points',
  hint: 'Points are given to the cards or lines of an earlier prompt.',
  space: spaceWhenMet(() => import('./points-space')),
  Answer: whenMet(() => import('./points-answer')),
  settings: { over: '', by: 'each', points: 3 },
  Settings: whenMet(() => import('./points-settings')),
}
