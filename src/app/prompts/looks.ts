import type { PromptKind } from '~/core/boards/prompts/kinds'
import { CARDS_LOOK } from './cards/look'
import { CHECKLIST_LOOK } from './checklist/look'
import { CHOICE_LOOK } from './choice/look'
import { FILE_LOOK } from './file/look'
import { HIDDEN_TEXT_LOOK } from './hidden-text/look'
import { LINK_LOOK } from './link/look'
import type { PromptLook } from './look'
import { PICTURES_LOOK } from './pictures/look'
import { POINTS_LOOK } from './points/look'
import { PUT_IN_ORDER_LOOK } from './put-in-order/look'
import { SCALE_LOOK } from './scale/look'
import { SHEET_LOOK } from './sheet/look'
import { SHORT_ANSWERS_LOOK } from './short-answers/look'
import { SKETCH_LOOK } from './sketch/look'
import { TABLE_LOOK } from './table/look'
import { WORDS_LOOK } from './words/look'
import { YES_NO_LOOK } from './yes-no/look'

/** How each kind of prompt is shown, in the order in which they are offered: a kind without a look does not compile. */
const LOOKS: { [Kind in PromptKind]: PromptLook<Kind> } = {
  cards: CARDS_LOOK,
  sheet: SHEET_LOOK,
  'yes-no': YES_NO_LOOK,
  choice: CHOICE_LOOK,
  scale: SCALE_LOOK,
  'short-answers': SHORT_ANSWERS_LOOK,
  table: TABLE_LOOK,
  checklist: CHECKLIST_LOOK,
  'put-in-order': PUT_IN_ORDER_LOOK,
  points: POINTS_LOOK,
  words: WORDS_LOOK,
  link: LINK_LOOK,
  file: FILE_LOOK,
  pictures: PICTURES_LOOK,
  sketch: SKETCH_LOOK,
  'hidden-text': HIDDEN_TEXT_LOOK,
}

export const KINDS_SHOWN = Object.keys(LOOKS) as PromptKind[]

/** How a prompt is shown; undefined for a kind that a later version of the program made, which is never shown as another. */
export const lookOf = <Kind extends PromptKind>(kind: Kind): PromptLook<Kind> | undefined =>
  LOOKS[kind] as PromptLook<Kind> | undefined
