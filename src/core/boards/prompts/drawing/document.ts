/**
 * What is marked on pictures, or on an empty ground. Remarks lie as cards do; one that is pinned to a place has `pin: { on, x, y }`.
 * Marks lie in a map by id, each a plain value that is never changed but replaced. Lengths are ten-thousandths of the width of
 * the picture, both ways, so that a mark sits where it was made whatever size the picture is shown in.
 */
import type * as Y from 'yjs'
import { remember } from '../../../live/remember'
import { type Card, cardMap, cardsName, readCards } from '../cards/document'
import { PIECE_ID } from '../pieces'

export const WIDTH = 10_000
/** Most pictures beside each other, and of those that a group adds, one that was taken away counting too. */
export const MOST_PICTURES = 4
export const MOST_ADDED = 6
const MOST_GROUNDS = MOST_PICTURES + MOST_ADDED
/** Marks of one prompt; whoever draws more is told. */
export const MOST_MARKS = 400
/** Points of one stroke of the pen. */
export const MOST_POINTS = 300
export const LONGEST_LABEL = 80
/** Farthest a point may lie from the picture's corner: it may be a long one. */
const FARTHEST = 60_000

export const SHAPES = ['pen', 'arrow', 'box', 'ellipse', 'text'] as const
export type Shape = (typeof SHAPES)[number]
export const COLOURS = 4

export interface Mark {
  id: string
  /** Which of the pictures, from 0; those a group added come after the most there can be beside them. */
  on: number
  shape: Shape
  /** x, y, x, y: of the pen all it went over, of a text where it begins, of the others from where to where. */
  points: readonly number[]
  /** Which of the colours, from 0. */
  colour: number
  /** Of a text what it says; otherwise empty. */
  text: string
}

export interface Pin {
  on: number
  x: number
  y: number
}

/** A remark; `pin` is null for one on the whole. */
export interface Remark extends Card {
  pin: Pin | null
}

const marksName = (promptId: string): string => `marks:${promptId}`
export const marksOf = (doc: Y.Doc, promptId: string): Y.Map<unknown> => doc.getMap(marksName(promptId))

/** Names of the root types in which what is drawn under a prompt lies. */
export const drawingRoots = (promptId: string): string[] => [cardsName(promptId), marksName(promptId)]

/** The marks under a prompt, in the order of their ids: the same for everybody. O(marks). */
export function readMarks(doc: Y.Doc, promptId: string): Mark[] {
  const marks: Mark[] = []
  for (const [id, value] of marksOf(doc, promptId)) {
    const mark = PIECE_ID.test(id) && typeof value === 'object' && value !== null ? known(value)(id) : null
    if (mark) marks.push(mark)
  }
  return marks.sort((one, other) => (one.id < other.id ? -1 : 1))
}

/** Read once for each value: what is drawn of it need not be drawn again. */
const known = remember((value: object) => {
  let mark: Mark | null | undefined
  return (id: string) => {
    if (mark === undefined || (mark && mark.id !== id)) mark = markIn(id, value)
    return mark
  }
})

/** What a value of the map says; null for what has not the shape of a mark. Values are never changed, so the same one stays. */
export function markIn(id: string, value: unknown): Mark | null {
  if (typeof value !== 'object' || value === null) return null
  const { on, shape, points, colour = 0, text = '' } = value as Record<string, unknown>
  if (!isCount(on, MOST_GROUNDS) || !isCount(colour, COLOURS) || typeof text !== 'string') return null
  if (!SHAPES.includes(shape as Shape) || !Array.isArray(points)) return null
  const length = shape === 'text' ? 2 : 4
  const fits =
    shape === 'pen' ? points.length >= 4 && points.length <= 2 * MOST_POINTS : points.length === length
  if (!fits || points.length % 2 !== 0 || !points.every(isPlace)) return null
  if (text.length > LONGEST_LABEL || (shape === 'text') !== (text.trim() !== '')) return null
  return { id, on, shape: shape as Shape, points: points as number[], colour, text }
}

const isCount = (value: unknown, below: number): value is number =>
  typeof value === 'number' && Number.isInteger(value) && value >= 0 && value < below
const isPlace = (value: unknown): value is number =>
  typeof value === 'number' && Number.isInteger(value) && Math.abs(value) <= FARTHEST

/** Puts a mark, or what takes the place of one with its id. */
export const putMark = (doc: Y.Doc, promptId: string, { id, ...mark }: Mark): Y.Map<unknown> => {
  const marks = marksOf(doc, promptId)
  marks.set(id, { ...mark, points: mark.points.map(Math.round) })
  return marks
}

/** Moves a mark by so much; the second point too, or, when it is only stretched, that alone. */
export function shifted(mark: Mark, dx: number, dy: number, stretch = false): Mark {
  const points = mark.points.map((value, place) =>
    stretch && place < 2 && mark.shape !== 'text' ? value : value + (place % 2 === 0 ? dx : dy),
  )
  return { ...mark, points: points.map(value => Math.max(-FARTHEST, Math.min(FARTHEST, Math.round(value)))) }
}

/** Of many points of a stroke so few that it still looks the same: those that lie within `off` of the line through the others go. */
export function simplified(points: readonly number[], off = 12): number[] {
  const kept = thinned(points, off)
  return kept.length > 2 * MOST_POINTS ? simplified(points, off * 2) : kept
}

/** Ramer (1972) and Douglas and Peucker (1973): the farthest point from a line is kept, and both sides looked at again. */
function thinned(points: readonly number[], off: number): number[] {
  const count = Math.floor(points.length / 2)
  const keep = new Set([0, count - 1])
  const stretches: [number, number][] = [[0, count - 1]]
  for (let stretch = stretches.pop(); stretch; stretch = stretches.pop()) {
    const [from, to] = stretch
    let [farthest, distance] = [-1, off]
    for (let at = from + 1; at < to; at++) {
      const away = distanceToLine(points, at, from, to)
      if (away > distance) [farthest, distance] = [at, away]
    }
    if (farthest === -1) continue
    keep.add(farthest)
    stretches.push([from, farthest], [farthest, to])
  }
  return [...keep]
    .sort((one, other) => one - other)
    .flatMap(at => [points[2 * at] ?? 0, points[2 * at + 1] ?? 0])
}

function distanceToLine(points: readonly number[], at: number, from: number, to: number): number {
  const [x = 0, y = 0] = points.slice(2 * at, 2 * at + 2)
  const [ax = 0, ay = 0] = points.slice(2 * from, 2 * from + 2)
  const [bx = 0, by = 0] = points.slice(2 * to, 2 * to + 2)
  const length = Math.hypot(bx - ax, by - ay)
  if (length === 0) return Math.hypot(x - ax, y - ay)
  return Math.abs((by - ay) * x - (bx - ax) * y + bx * ay - by * ax) / length
}

/** The remarks under a prompt in order, each with its place where it has one. */
export const readRemarks = (doc: Y.Doc, promptId: string): Remark[] =>
  readCards(doc, promptId).map(card => ({ ...card, pin: pinOf(doc, promptId, card.id) }))

function pinOf(doc: Y.Doc, promptId: string, id: string): Pin | null {
  const pin = cardMap(doc, promptId, id)?.get('pin')
  if (typeof pin !== 'object' || pin === null) return null
  const { on, x, y } = pin as Record<string, unknown>
  return isCount(on, MOST_GROUNDS) && isPlace(x) && isPlace(y) ? { on, x, y } : null
}

/** Pins a remark to a place, or takes it off. */
export function pinTo(doc: Y.Doc, promptId: string, id: string, pin: Pin | null): void {
  const card = cardMap(doc, promptId, id)
  if (pin === null) card?.delete('pin')
  else card?.set('pin', { on: pin.on, x: Math.round(pin.x), y: Math.round(pin.y) })
}
