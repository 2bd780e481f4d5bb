import type { ComponentType } from 'react'
import type { Answer, Prompt, PromptKind } from '~/core/boards/prompts/kinds'
import type { PromptSpaceProps } from './prompt-space'
import type { Space } from './when-met'

export interface SettingsProps<Kind extends PromptKind> {
  /** The fields are named under this name. */
  name: string
  settings: Extract<Prompt, { kind: Kind }>['settings']
  /** What is wrong, by the name of the setting. */
  errors: Readonly<Record<string, string[]>>
  /** The prompts before this one on the board, with their places counted from 1. */
  earlier: readonly { id: string; kind: PromptKind; text: string; place: number }[]
}

/** How a kind of prompt is shown: its name, the space to answer, an answer to read, and what can be set about it. */
export interface PromptLook<Kind extends PromptKind> {
  name: string
  /** What it is for, in a few words. */
  hint: string
  space: Space<PromptSpaceProps<Kind>>
  /** Also what stands side by side in the review. An answer that says nothing is not given to it. */
  Answer: ComponentType<{ answer: Extract<Answer, { kind: Kind }> }>
  /** What the answers of all rooms come to together, for kinds of which something can be said. */
  Together?: ComponentType<{ answers: Extract<Answer, { kind: Kind }>[] }>
  /** The settings of a new prompt. */
  settings: Extract<Prompt, { kind: Kind }>['settings']
  /** Fields for the settings in the board's editor; null when there is nothing to set. */
  Settings: ComponentType<SettingsProps<Kind>> | null
}
