import type { Board } from '../boards/board'
import { type Answer, yesNoText } from '../boards/document'

/** What one room made: an answer for each prompt of the board, in the same order. */
export interface RoomWork {
  roomId: string
  name: string
  members: string[]
  answers: Answer[]
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

const KIND_EMPTY = 'Nothing written.'

/** The whole session as Markdown (CommonMark): each prompt with all rooms' answers, then who took part. */
export function reportMarkdown(report: SessionReport): string {
  const prompts = report.board.prompts.flatMap((prompt, place) => [
    `## ${plain(prompt.text)}`,
    '',
    ...report.rooms.flatMap(room => [
      `### ${plain(room.name)}`,
      '',
      names(room.members),
      '',
      ...answerLines(room.answers[place]),
      '',
    ]),
  ])
  const people = report.people.length > 0 ? ['## Who took part', '', ...table(report.people), ''] : []
  return [`# ${plain(report.title)}`, '', report.date, '', ...prompts, ...people].join('\n')
}

/** One row for each piece of work: prompt, room, text; the header first. */
export function workRows(report: SessionReport): string[][] {
  const rows = report.board.prompts.flatMap((prompt, place) =>
    report.rooms.flatMap(room => {
      const answer = room.answers[place]
      return answer ? answerTexts(answer).map(text => [prompt.text, room.name, text]) : []
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

/** The texts of an answer, one for each piece: every card, or the answer as a whole; none when nothing stands there. */
export function answerTexts(answer: Answer): string[] {
  if (answer.kind === 'cards') return answer.cards.map(card => card.text).filter(text => text.trim())
  const text = answer.kind === 'sheet' ? answer.text : yesNoText(answer)
  return text.trim() ? [text] : []
}

function answerLines(answer: Answer | undefined): string[] {
  const texts = answer ? answerTexts(answer) : []
  if (texts.length === 0) return [`_${KIND_EMPTY}_`]
  if (answer?.kind === 'cards') return texts.map(text => `- ${plainLines(text).join('\\\n  ')}`)
  return texts.flatMap(sheetLines)
}

/** Every line of a sheet is a paragraph of its own, but for lists: the points of one stand together. */
function sheetLines(text: string): string[] {
  const isPoint = (line = '') => /^- +\S/.test(line)
  const lines = text.split('\n').filter(line => line.trim())
  return lines.flatMap((line, place) => {
    const written = isPoint(line) ? `- ${plain(line.slice(2))}` : plain(line)
    const parted = place > 0 && !(isPoint(line) && isPoint(lines[place - 1]))
    return parted ? ['', written] : [written]
  })
}

const plainLines = (text: string): string[] => text.trim().split('\n').map(plain)

const names = (members: string[]) =>
  members.length > 0 ? members.map(plain).join(', ') : '_Nobody was in this room._'

function table(people: TakingPart[]): string[] {
  return [
    '| Name | Rooms | Present (min) | In rooms (min) | Contributions |',
    '|---|---|---:|---:|---:|',
    ...people.map(
      person =>
        `| ${plain(person.shownName)} | ${plain(person.rooms.join(', '))} | ${person.presentMinutes} | ${person.inRoomsMinutes} | ${person.contributions} |`,
    ),
  ]
}

/**
 * A line that people wrote stays text: what Markdown would read as form is escaped (CommonMark 2.4; GFM 4.10 for the bar in
 * a table), also where only the start of a line is form: points, numbers, rulers, indented code.
 */
const plain = (line: string): string =>
  line
    .trim()
    .replace(/[\\`*_[\]<>#&~|]/g, '\\$&')
    .replace(/^[-+=]/, '\\$&')
    .replace(/^(\d{1,9})([.)])/, '$1\\$2')
