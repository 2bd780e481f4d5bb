import type { PromptLook } from '../look'
import { spaceWhenMet, whenMet } from '../when-met'

export const LINK_LOOK: PromptLook<'link'> = {
  name: 'Link',
  hint: 'A page to look at, with a code to scan and space for remarks.',
  space: spaceWhenMet(() => import('./link-space')),
  Answer: whenMet(() => import('./link-answer')),
  settings: { address: '' },
  Settings: whenMet(() => import('./link-settings')),
}
