/**
 * Lines that are given have ids by their place (`l0`); lines the group adds are kept like cards. What is ticked, and whose each
 * line is, lies in a map under `<line>/done` and `<line>/for`, so that two who set one each lose nothing.
 */
import type * as Y from 'yjs'
import { z } from 'zod'
import { addCard, readCards } from '../cards/document'

export const LONGEST_LINE = 200

export const ticksName = (promptId: string): string => `ticks:${promptId}`
export const ticksOf = (doc: Y.Doc, promptId: string): Y.Map<unknown> => doc.getMap(ticksName(promptId))

/** Whose a line is: a participant, by the name the others see, or a name alone where only that is left. */
const ownerShape = z.object({ id: z.string().max(40), name: z.string().max(120) })
export type LineOwner = z.infer<typeof ownerShape>

export interface Line {
  id: string
  text: string
  done: boolean
  owner: LineOwner | null
  /** Whether it was given, rather than added by the group. */
  given: boolean
}

export const givenId = (place: number): string => `l${place}`

export const addLine = (doc: Y.Doc, promptId: string, id: string, text: string): void =>
  addCard(doc, promptId, id, text)

export function tick(doc: Y.Doc, promptId: string, lineId: string, done: boolean): void {
  if (done) ticksOf(doc, promptId).set(`${lineId}/done`, true)
  else ticksOf(doc, promptId).delete(`${lineId}/done`)
}

export function giveLine(doc: Y.Doc, promptId: string, lineId: string, owner: LineOwner | null): void {
  if (owner) ticksOf(doc, promptId).set(`${lineId}/for`, owner)
  else ticksOf(doc, promptId).delete(`${lineId}/for`)
}

/** All lines: those that are given, then those that were added and say something. */
export function readLines(doc: Y.Doc, promptId: string, given: readonly string[]): Line[] {
  const ticks = ticksOf(doc, promptId)
  const line = (id: string, text: string, isGiven: boolean): Line => {
    const owner = ownerShape.safeParse(ticks.get(`${id}/for`))
    return {
      id,
      text,
      done: ticks.get(`${id}/done`) === true,
      owner: owner.success && owner.data.name.trim() ? owner.data : null,
      given: isGiven,
    }
  }
  return [
    ...given.map((text, place) => line(givenId(place), text, true)),
    ...readCards(doc, promptId)
      .filter(card => card.text.trim())
      .map(card => line(card.id, card.text.trim(), false)),
  ]
}
