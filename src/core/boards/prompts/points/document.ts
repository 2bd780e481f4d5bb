/**
 * What each person gives lies with what each answers (`each`), as a list; what a group shares out together lies in a map by the
 * card or line, so that two who give at once to two of them lose nothing. What was given to is written down with it, as it read then: a
 * card that changes or goes later takes nobody's points along.
 */
import type * as Y from 'yjs'
import { z } from 'zod'
import { eachOf } from '../each/document'

export const MOST_POINTS = 100
const LONGEST_LABEL = 80

export const sharedName = (promptId: string): string => `shared:${promptId}`
export const sharedOf = (doc: Y.Doc, promptId: string): Y.Map<unknown> => doc.getMap(sharedName(promptId))

/** What a card says, in one line that is short enough to stand beside its points. */
export const labelOf = (text: string): string =>
  text.trim().replace(/\s+/g, ' ').slice(0, LONGEST_LABEL).trim()

export const givenShape = z.object({
  id: z.string().max(40),
  label: z.string().max(1_000).transform(labelOf),
  count: z.number().int().min(1).max(MOST_POINTS),
})
/** Points that were given to one card or line. */
export type Given = z.infer<typeof givenShape>

export const givenListShape = z.array(givenShape).max(MOST_POINTS)

/** Sets what somebody gives to a card or line; none takes it back. */
export function giveOwn(
  doc: Y.Doc,
  promptId: string,
  personId: string,
  given: readonly Given[],
  one: Given,
): void {
  const others = given.filter(({ id }) => id !== one.id)
  const next = one.count > 0 ? [...others, one] : others
  if (next.length === 0) eachOf(doc, promptId).delete(personId)
  else
    eachOf(doc, promptId).set(
      personId,
      next.map(each => ({ ...each })),
    )
}

/** Sets what the group gives to a card or line; none takes it back. */
export function giveShared(doc: Y.Doc, promptId: string, { id, label, count }: Given): void {
  if (count > 0) sharedOf(doc, promptId).set(id, { id, label, count })
  else sharedOf(doc, promptId).delete(id)
}

/** What the group has given, by the ids of cards in their order, which is the same in every browser. */
export const readShared = (doc: Y.Doc, promptId: string): Given[] =>
  [...sharedOf(doc, promptId).entries()]
    .sort(([one], [other]) => (one < other ? -1 : 1))
    .slice(0, MOST_POINTS)
    .flatMap(([id, kept]) => {
      const read = givenShape.safeParse(kept)
      return read.success && read.data.id === id ? [read.data] : []
    })
