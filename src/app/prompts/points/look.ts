import { lazy } from 'react'
import { loadAgain } from '../../ui/load-again'
import type { PromptLook } from '../look'
import { PointsAnswer } from './points-answer'
import { PointsSettings } from './points-settings'

export const POINTS_LOOK: PromptLook<'points'> = {
  name: 'Points',
  hint: 'Points are given to the cards of an earlier prompt.',
  Space: lazy(() => loadAgain(() => import('./points-space'))),
  Answer: PointsAnswer,
  settings: { over: '', by: 'each', points: 3 },
  Settings: PointsSettings,
}
