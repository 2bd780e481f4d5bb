/**
 * A view as it travels: cut into sections, each kept as JSON text. Two equal texts need not be sent again, and a list
 * that only grew is sent by what was added to it.
 */
import type { StreamMessage } from '~/contracts/live'

/** A section's JSON text; a list is kept as the texts of its members. */
export type Sections = Map<string, string | string[]>

/** A value that is already JSON text: the stream writes it as it is. */
export class AsJson {
  constructor(readonly text: string) {}
}

/** Lists that grow at their end while a session runs. */
const GROWING = new Set(['messages', 'marks'])

const texts = new WeakMap<object, string>()

/** Objects of the state are never changed in place, so the text of one that many readers share is made once. */
function textOf(value: unknown): string {
  if (typeof value !== 'object' || value === null) return JSON.stringify(value)
  const known = texts.get(value)
  if (known !== undefined) return known
  const text = JSON.stringify(value)
  texts.set(value, text)
  return text
}

export function sectionsOf(view: object): Sections {
  return new Map(
    Object.entries(view).map(([name, value]) => [
      name,
      GROWING.has(name) ? (value as unknown[]).map(textOf) : textOf(value),
    ]),
  )
}

const listText = (members: string[]) => new AsJson(`[${members.join(',')}]`)
const sectionText = (section: string | string[]) =>
  typeof section === 'string' ? new AsJson(section) : listText(section)

export const wholeView = (sections: Sections): StreamMessage => ({
  kind: 'view',
  sections: Object.fromEntries([...sections].map(([name, section]) => [name, sectionText(section)])),
})

/** What a reader who holds `before` has to be told; null when nothing changed for them. */
export function changes(before: Sections, after: Sections): StreamMessage | null {
  const sections: Record<string, AsJson> = {}
  const added: Record<string, AsJson> = {}
  for (const [name, section] of after) {
    const held = before.get(name)
    if (typeof section === 'string') {
      if (held !== section) sections[name] = new AsJson(section)
    } else if (Array.isArray(held) && held.every((member, place) => member === section[place])) {
      if (section.length > held.length) added[name] = listText(section.slice(held.length))
    } else {
      sections[name] = listText(section)
    }
  }
  if (Object.keys(sections).length === 0 && Object.keys(added).length === 0) return null
  return { kind: 'change', sections, added }
}
