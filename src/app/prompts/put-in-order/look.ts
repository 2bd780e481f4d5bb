import type { PromptLook } from '../look'
import { spaceWhenMet, whenMet } from '../when-met'

export const PUT_IN_ORDER_LOOK: PromptLook<'put-in-order'> = {
  name: 'Put in order',
  hint: 'The group puts lines in order.',
  space: spaceWhenMet(() => import('./order-space')),
  Answer: whenMet(() => import('./order-answer')),
  Together: whenMet(() => import('./orders-together')),
  settings: { lines: [] },
  Settings: whenMet(() => import('./order-settings')),
}
