import type { BlockContent, RootContent, TableRow } from 'mdast'
import { gfmTableToMarkdown } from 'mdast-util-gfm-table'
import { toMarkdown } from 'mdast-util-to-markdown'
import type { Board } from '../boards/board'
import { type Answer, markdownOf, textsOf } from '../boards/prompts/kinds'
import { paragraph } from '../boards/prompts/markdown'

/** What one room made: an answer for each prompt, in the same order; null for one that its board did not ask. */
export interface RoomWork {
  roomId: string
  name: string
  members: string[]
  answers: (Answer | undefined | null)[]
  /** What came when the board was closed to who wrote it. */
  late: { promptId: string; text: string; by: string }[]
}

/** Who took part: presence in whole minutes, and how many pieces of work they had a hand in. */
export interface TakingPart {
  shownName: string
  rooms: string[]
  presentMinutes: number
  inRoomsMinutes: number
  contributions: number
}

export interface SessionReport {
  title: string
  /** The date as people of the session read it. */
  date: string
  board: Board
  rooms: RoomWork[]
  people: TakingPart[]
}

/** The whole session as Markdown (CommonMark, and GFM 4.10 for tables): each prompt with all rooms' answers, then who took part. */
export function reportMarkdown(report: SessionReport): string {
  const children: RootContent[] = [
    heading(1, report.title),
    paragraph(report.date),
    ...report.board.prompts.flatMap((prompt, index) => [
      heading(2, prompt.text),
      ...report.rooms
        .filter(room => room.answers[index] !== null)
        .flatMap(room => [
          heading(3, room.name),
          room.members.length > 0 ? paragraph(room.members.join(', ')) : aside('Nobody was in this room.'),
          ...answerBlocks(room.answers[index]),
          ...lateBlocks(room.late.filter(({ promptId }) => promptId === prompt.id)),
        ]),
    ]),
    ...(report.people.length > 0 ? [heading(2, 'Who took part'), peopleTable(report.people)] : []),
  ]
  return toMarkdown(
    { type: 'root', children },
    { extensions: [gfmTableToMarkdown({ tablePipeAlign: false })], bullet: '-', emphasis: '_' },
  )
}

function answerBlocks(answer: Answer | undefined | null): BlockContent[] {
  const blocks = answer ? markdownOf(answer) : []
  return blocks.length > 0 ? blocks : [aside('Nothing written.')]
}

function lateBlocks(late: RoomWork['late']): BlockContent[] {
  if (late.length === 0) return []
  const items = late.map(({ text, by }) => ({
    type: 'listItem' as const,
    children: [paragraph(`${text} (${by})`)],
  }))
  return [aside('Came late, and is not on the board:'), { type: 'list', spread: false, children: items }]
}

const heading = (depth: 1 | 2 | 3, text: string): BlockContent => ({
  type: 'heading',
  depth,
  children: [{ type: 'text', value: oneLine(text) }],
})

const aside = (text: string): BlockContent => ({
  type: 'paragraph',
  children: [{ type: 'emphasis', children: [{ type: 'text', value: text }] }],
})

const oneLine = (text: string) =>
  text
    .split(/[\r\n]+/)
    .map(line => line.trim())
    .filter(line => line !== '')
    .join(' ')

function peopleTable(people: readonly TakingPart[]): BlockContent {
  const row = (cells: (string | number)[]): TableRow => ({
    type: 'tableRow',
    children: cells.map(cell => ({
      type: 'tableCell',
      children: [{ type: 'text', value: oneLine(String(cell)) }],
    })),
  })
  return {
    type: 'table',
    align: [null, null, 'right', 'right', 'right'],
    children: [
      row(['Name', 'Rooms', 'Present (min)', 'In rooms (min)', 'Contributions']),
      ...people.map(person =>
        row([
          person.shownName,
          person.rooms.join(', '),
          person.presentMinutes,
          person.inRoomsMinutes,
          person.contributions,
        ]),
      ),
    ],
  }
}

/** One row for each piece of work: prompt, room, text; the header first. */
export function workRows(report: SessionReport): string[][] {
  const rows = report.board.prompts.flatMap((prompt, index) =>
    report.rooms.flatMap(room => {
      const answer = room.answers[index]
      return answer ? textsOf(answer).map(text => [prompt.text, room.name, text]) : []
    }),
  )
  return [['prompt', 'room', 'answer'], ...rows]
}

/** One row for each person; the header first. */
export function peopleRows(report: SessionReport): (string | number)[][] {
  return [
    ['name', 'rooms', 'present_minutes', 'in_rooms_minutes', 'contributions'],
    ...report.people.map(person => [
      person.shownName,
      person.rooms.join('; '),
      person.presentMinutes,
      person.inRoomsMinutes,
      person.contributions,
    ]),
  ]
}
