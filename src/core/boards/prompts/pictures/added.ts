/**
 * Pictures that a group adds lie in a map by place, `0` to `5`, each a plain value; one that was taken away leaves its place
 * empty for good, so that what was drawn on the others stays with them.
 */
import type * as Y from 'yjs'
import { z } from 'zod'
import { fileHash } from '../../../material/material'
import { MOST_ADDED, MOST_PICTURES } from '../drawing/document'
import type { Place } from '../place'

export const addedName = (promptId: string): string => `added:${promptId}`
export const addedOf = (doc: Y.Doc, promptId: string): Y.Map<unknown> => doc.getMap(addedName(promptId))

export interface Added {
  /** Which of the pictures it is for what is drawn on it. */
  on: number
  /** The hash of the file; empty for one of which it is only known that there was one. */
  file: string
  width: number
  height: number
}

const shape = z.object({
  file: fileHash,
  width: z.number().int().min(1).max(100_000),
  height: z.number().int().min(1).max(100_000),
})
const GONE = 'gone'
const places = Array.from({ length: MOST_ADDED }, (_, place) => place)

/** The pictures a group has added and not taken away, in order. */
export function readAdded(doc: Y.Doc, promptId: string): Added[] {
  const added = addedOf(doc, promptId)
  return places.flatMap(place => {
    const read = shape.safeParse(added.get(String(place)))
    return read.success ? [{ on: MOST_PICTURES + place, ...read.data }] : []
  })
}

/** How many more can be added. */
export const roomForAdded = (doc: Y.Doc, promptId: string): number => {
  const added = addedOf(doc, promptId)
  return places.filter(place => !added.has(String(place))).length
}

/** Adds a picture at the first place that was never taken; false when there is none. */
export function addPicture(
  doc: Y.Doc,
  promptId: string,
  { file, width, height }: Omit<Added, 'on'>,
): boolean {
  const added = addedOf(doc, promptId)
  const place = places.find(each => !added.has(String(each)))
  if (place === undefined) return false
  added.set(String(place), { file, width, height })
  return true
}

/** Takes a picture away; what was drawn on it is seen no more. */
export const takePictureAway = (doc: Y.Doc, promptId: string, on: number): void => {
  addedOf(doc, promptId).set(String(on - MOST_PICTURES), GONE)
}

/** Where a picture lies that is taken off the board. */
export const placesOfAdded = (doc: Y.Doc, promptId: string, on: number): Place[] => [
  { is: 'entry', map: addedOf(doc, promptId), key: String(on - MOST_PICTURES), gone: GONE },
]

/** The id of the piece that an added picture is, and back. */
export const pieceOfAdded = (on: number): string => `p-${on - MOST_PICTURES}`
export const isAdded = (pieceId: string): boolean => /^p-[0-5]$/.test(pieceId)
export const placeOfPiece = (pieceId: string): number => MOST_PICTURES + Number(pieceId.slice(2))
