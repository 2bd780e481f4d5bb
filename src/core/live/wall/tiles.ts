/** What a room's tile on the wall shows: how far each prompt is, where something has just been written, and who is where. */
import { askedPrompts, partsOf } from '../../boards/parts'
import type { FacilitatorView } from '../views'

/** What of a room's work stands on the wall. */
export interface WallWork {
  prompts?: Readonly<Record<string, { pieces: number; latest: string; at: number }>>
  /** By participant id: where they wrote last. */
  people?: Readonly<Record<string, { promptId: string; at: number }>>
}

export interface WallCell {
  promptId: string
  /** Its place among all prompts of the board as they stand there, from 1. */
  number: number
  text: string
  pieces: number
  latest: string
  /** When it was last written in; 0 for never. */
  at: number
  /** Something was written there within the last minute. */
  isLit: boolean
  /** Who of those in the room wrote there last. */
  here: string[]
}

export interface WallTile {
  roomId: string
  /** In the room now. */
  people: number
  pieces: number
  cells: WallCell[]
}

/** What was written within so long is lit, in milliseconds. */
export const LIT_MS = 60_000

type View = Pick<FacilitatorView, 'rooms' | 'people' | 'boards' | 'partsOpen' | 'partsSaid'>

/** The tiles of all rooms, in the order of the rooms. O(rooms x prompts + people). */
export function wallTiles(view: View, work: Readonly<Record<string, WallWork>>, now: number): WallTile[] {
  const people = new Map(view.rooms.map(({ id }) => [id, [] as View['people']]))
  for (const person of view.people) if (person.inRoom) people.get(person.roomId ?? '')?.push(person)
  const inOrder = view.boards.map(board => partsOf(board).flatMap(({ prompts }) => prompts))
  return view.rooms.map(({ id, board = 0 }) => {
    const whole = view.boards[board]
    const order = inOrder[board] ?? []
    const inRoom = people.get(id) ?? []
    const asked = new Set(whole ? askedPrompts(whole, view.partsSaid[id], view.partsOpen) : [])
    const cells = order.flatMap((prompt, place) => {
      if (!asked.has(prompt)) return []
      const written = work[id]?.prompts?.[prompt.id]
      return {
        promptId: prompt.id,
        number: place + 1,
        text: prompt.text,
        pieces: written?.pieces ?? 0,
        latest: written?.latest ?? '',
        at: written?.at ?? 0,
        isLit: written !== undefined && now - written.at < LIT_MS,
        here: inRoom
          .filter(person => work[id]?.people?.[person.id]?.promptId === prompt.id)
          .map(({ shownName }) => shownName),
      }
    })
    return {
      roomId: id,
      people: inRoom.length,
      pieces: cells.reduce((sum, cell) => sum + cell.pieces, 0),
      cells,
    }
  })
}
