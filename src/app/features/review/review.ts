import type { Board } from '~/core/boards/board'
import type { ReadAnswer } from '~/core/boards/prompts/kinds'
import type { Mark } from '~/core/live/marks'
import type { QuestionNow } from '~/core/live/questions/shown'
import type { CommentedThen, ReportedThen } from '~/core/review/asked'
import type { OfficeThen } from '~/core/review/office'
import type { PulseBar } from '~/core/review/pulse'
import type { ObservedThen, SaidThen } from '~/core/review/said'
import type { LateHere } from '../../live/late-contributions/came-late'

/** What the review of a session shows. */
export interface Review {
  session: {
    id: string
    title: string
    timeZone: string
    phase: 'planned' | 'open' | 'ended'
    reviewed: boolean
  }
  said: SaidThen[]
  observed: ObservedThen[]
  asked: QuestionNow[]
  commented: CommentedThen[]
  reported: ReportedThen[]
  office: OfficeThen | null
  board: Board
  openedAt: number
  endedAt: number
  rounds: { number: number; startedAt: number; endedAt: number }[]
  rooms: {
    id: string
    name: string
    members: string[]
    asks: string[]
    answers: Record<string, ReadAnswer>
    removed: { promptId: string; text: string; by: string }[]
    talk: { by: string; text: string; takenOff: boolean }[]
    takenOff: { id: string; promptId: string; text: string; by: string; writtenBy: string }[]
    writers: Record<string, string>
    late: LateHere[]
    marks: Mark[]
    pulse: PulseBar[]
  }[]
  people: {
    id: string
    shownName: string
    rooms: string[]
    presentMs: number
    inRoomsMs: number
    contributions: number
    reviewToken: string | null
  }[]
}
