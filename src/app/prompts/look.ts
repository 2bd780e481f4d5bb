import type { ComponentType } from 'react'
import type { Answer, Prompt, PromptKind } from '~/core/boards/prompts/kinds'
import type { PromptSpaceProps } from './prompt-space'

/** How a kind of prompt is shown: its name, the space to answer, an answer to read, and what can be set about it. */
export interface PromptLook<Kind extends PromptKind> {
  name: string
  /** What it is for, in a few words. */
  hint: string
  Space: ComponentType<PromptSpaceProps>
  /** Also what stands side by side in the review. An answer that says nothing is not given to it. */
  Answer: ComponentType<{ answer: Extract<Answer, { kind: Kind }> }>
  /** The settings of a new prompt. */
  settings: Extract<Prompt, { kind: Kind }>['settings']
  /** Fields for the settings in the board's editor, named under `name`; null when there is nothing to set. */
  Settings: ComponentType<{ name: string; settings: Extract<Prompt, { kind: Kind }>['settings'] }> | null
}
