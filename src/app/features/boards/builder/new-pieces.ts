import type { Prompt } from '~/core/boards/board'
import type { Part } from '~/core/boards/part'
import type { PromptKind } from '~/core/boards/prompts/kinds'
import { hasThings } from '~/core/boards/prompts/points/things'
import type { SettingsProps } from '../../../prompts/look'
import { lookOf } from '../../../prompts/looks'
import { newId } from '../../../ui/by-chance'

export const freshId = (): string => newId().slice(0, 13)

/** A new prompt of a kind, with the settings it begins with; points go to the cards or lines nearest before. */
export function newPrompt(
  kind: PromptKind,
  id: string,
  earlier: SettingsProps<PromptKind>['earlier'],
): Prompt {
  const settings = lookOf(kind)?.settings ?? {}
  const over = earlier.findLast(hasThings)?.id
  return {
    id,
    kind,
    text: '',
    settings: kind === 'points' && over !== undefined ? { ...settings, over } : settings,
  } as Prompt
}

export const newPart = (): Part => ({ id: freshId(), title: '', steps: [], opens: 'hand' })
