import { lazy } from 'react'
import { loadAgain } from '../../ui/load-again'
import type { PromptLook } from '../look'
import { TextLines } from '../text-lines'
import { LinkSettings } from './link-settings'

export const LINK_LOOK: PromptLook<'link'> = {
  name: 'Link',
  hint: 'A page to look at, with a code to scan and space for remarks.',
  Space: lazy(() => loadAgain(() => import('./link-space'))),
  Answer: TextLines,
  settings: { address: '' },
  Settings: LinkSettings,
}
