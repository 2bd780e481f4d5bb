import type * as Y from 'yjs'
import { readCards } from '../cards/document'
import { givenId, readLines } from '../checklist/document'
import type { Prompt, PromptKind } from '../kinds'
import { labelOf } from './document'

/** Something points are given to: its id under its prompt, and what it says, in one short line. */
export interface Thing {
  id: string
  label: string
}

/** Kinds of prompts to whose cards or lines points can be given. */
const KINDS_WITH_THINGS: readonly PromptKind[] = ['cards', 'put-in-order', 'checklist']

export const hasThings = ({ kind }: { kind: PromptKind }): boolean => KINDS_WITH_THINGS.includes(kind)

/** What points can be given to under a prompt, in its order there: cards, or lines, given and added. What says nothing is left out. */
export const thingsUnder = (doc: Y.Doc, prompt: Prompt): Thing[] =>
  saidUnder(doc, prompt)
    .map(({ id, text }) => ({ id, label: labelOf(text) }))
    .filter(({ label }) => label !== '')

function saidUnder(doc: Y.Doc, prompt: Prompt): { id: string; text: string }[] {
  switch (prompt.kind) {
    case 'cards':
      return readCards(doc, prompt.id)
    case 'checklist':
      return readLines(doc, prompt.id, prompt.settings.lines)
    case 'put-in-order':
      return prompt.settings.lines.map((text, place) => ({ id: givenId(place), text }))
    default:
      return []
  }
}
