import type { PromptLook } from '../look'
import { atHand } from '../when-met'
import { YesNoAnswer } from './yes-no-answer'
import { YesNoSpace } from './yes-no-space'

export const YES_NO_LOOK: PromptLook<'yes-no'> = {
  name: 'Yes or no, with a reason',
  hint: 'The group decides, and says why.',
  space: atHand(YesNoSpace),
  Answer: YesNoAnswer,
  settings: {},
  Settings: null,
}
