import type { PromptKind } from '~/core/boards/prompts/kinds'
import { CARDS_LOOK } from './cards/look'
import type { PromptLook } from './look'
import { SHEET_LOOK } from './sheet/look'
import { YES_NO_LOOK } from './yes-no/look'

/** How each kind of prompt is shown: a kind without a look does not compile. */
const LOOKS: { [Kind in PromptKind]: PromptLook<Kind> } = {
  cards: CARDS_LOOK,
  sheet: SHEET_LOOK,
  'yes-no': YES_NO_LOOK,
}

export const KINDS_SHOWN = Object.keys(LOOKS) as PromptKind[]

/** How a prompt is shown; undefined for a kind that a later version of the program made, which is never shown as another. */
export const lookOf = <Kind extends PromptKind>(kind: Kind): PromptLook<Kind> | undefined =>
  LOOKS[kind] as PromptLook<Kind> | undefined
