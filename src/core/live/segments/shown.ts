import type { ReadyQuestion } from '../../schedule/ready-question'
import { type SegmentKind, segmentName } from '../../schedule/running-order'
import { remember } from '../remember'
import { currentOf, nextOf, type Running, type SegmentsState } from './state'

/** The running order as facilitators see it. */
export interface OrderView {
  segments: {
    id: string
    kind: SegmentKind
    name: string
    minutes: number
    cues: string
    startedAt: number | null
    endedAt: number | null
    skipped: boolean
  }[]
  startsAt: number | null
  minutesPlanned: number | null
}

const segmentsOf = remember((all: Running[]): OrderView['segments'] =>
  all.map(segment => {
    const { id, kind, minutes, cues, startedAt, endedAt, skipped } = segment
    return { id, kind, name: segmentName(segment), minutes, cues, startedAt, endedAt, skipped }
  }),
)
/** Null where nothing was planned. */
export const orderOf = ({ segments: all, startsAt, minutesPlanned }: SegmentsState): OrderView | null =>
  all.length > 0 ? { segments: segmentsOf(all), startsAt, minutesPlanned } : null

/** What is now and what comes, for everybody. */
export interface Program {
  now: { kind: SegmentKind; name: string } | null
  next: { kind: SegmentKind; name: string; minutes: number } | null
}

export const programOf = remember((all: Running[]): Program => {
  const [now, next] = [currentOf({ segments: all }), nextOf({ segments: all })]
  return {
    now: now ? { kind: now.kind, name: segmentName(now) } : null,
    next: next ? { kind: next.kind, name: segmentName(next), minutes: next.minutes } : null,
  }
})

/** Questions that are ready now: those of what runs, or else of what comes first. */
export const questionsReady = remember((all: Running[]): readonly ReadyQuestion[] => {
  const segment = currentOf({ segments: all }) ?? nextOf({ segments: all })
  return segment?.questions ?? []
})

/** What the projector shows beside. */
export const shownNow = (state: Pick<SegmentsState, 'segments'>): string => currentOf(state)?.shown ?? ''
