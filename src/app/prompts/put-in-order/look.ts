import { lazy } from 'react'
import { loadAgain } from '../../ui/load-again'
import type { PromptLook } from '../look'
import { OrderAnswer, OrdersTogether } from './order-answer'
import { OrderSettings } from './order-settings'

export const PUT_IN_ORDER_LOOK: PromptLook<'put-in-order'> = {
  name: 'Put in order',
  hint: 'The group puts lines in order.',
  Space: lazy(() => loadAgain(() => import('./order-space'))),
  Answer: OrderAnswer,
  Together: OrdersTogether,
  settings: { lines: [] },
  Settings: OrderSettings,
}
