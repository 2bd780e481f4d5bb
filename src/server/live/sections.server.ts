/**
 * A view as it travels: cut into sections. A section that is the same object as before, or reads the same, need not be sent
 * again, and a list that only grew is sent by what was added to it.
 */
import type { StreamMessage } from '~/contracts/live'
import { remember, rememberBoth } from '~/core/live/remember'

/** A view by the names of its sections: JSON, and so none of them undefined. */
export type Sections = Readonly<Record<string, unknown>>

/** A value that is already JSON text: the stream writes it as it is. */
export class AsJson {
  constructor(readonly text: string) {}
}

/** Lists that grow at their end while a session runs. */
const GROWING = new Set(['messages', 'marks', 'talk', 'signalsOverTime', 'messageAnswers', 'observations'])

/**
 * Objects of the state are never changed in place, so what many readers share is written as text once: one message, and also
 * a list of them and what it grew by.
 */
const textOfObject = remember((value: object) => JSON.stringify(value))
const textOf = (value: unknown): string =>
  // What is not there has no text, and one section without would spoil the whole message.
  typeof value === 'object' && value !== null ? textOfObject(value) : (JSON.stringify(value) ?? 'null')

const membersOf = remember((list: readonly unknown[]) => list.map(textOf))
const listText = (members: string[]) => new AsJson(`[${members.join(',')}]`)

const sectionText = (name: string, section: unknown): AsJson =>
  GROWING.has(name) ? listText(membersOf(section as unknown[])) : new AsJson(textOf(section))

export const wholeView = (view: Sections): StreamMessage => ({
  kind: 'view',
  sections: Object.fromEntries(
    Object.entries(view).map(([name, section]) => [name, sectionText(name, section)]),
  ),
})

interface ListChange {
  how: 'same' | 'added' | 'whole'
  told: AsJson
}

const listChange = rememberBoth((before: readonly unknown[], after: readonly unknown[]): ListChange => {
  const held = membersOf(before)
  const now = membersOf(after)
  const grew = held.length <= now.length && held.every((member, index) => member === now[index])
  if (!grew) return { how: 'whole', told: listText(now) }
  return { how: held.length === now.length ? 'same' : 'added', told: listText(now.slice(held.length)) }
})

/** What a reader who holds `before` has to be told; null when nothing changed for them. */
export function changes(before: Sections, after: Sections): StreamMessage | null {
  if (before === after) return null
  let sections: Record<string, AsJson> | undefined
  let added: Record<string, AsJson> | undefined
  for (const name in after) {
    const held = before[name]
    const section = after[name]
    if (held === section) continue
    if (GROWING.has(name) && Array.isArray(held)) {
      const { how, told } = listChange(held, section as unknown[])
      if (how === 'added') added = { ...added, [name]: told }
      if (how === 'whole') sections = { ...sections, [name]: told }
    } else if (held === undefined || textOf(held) !== textOf(section)) {
      sections = { ...sections, [name]: sectionText(name, section) }
    }
  }
  return sections || added ? { kind: 'change', sections: sections ?? {}, added: added ?? {} } : null
}
