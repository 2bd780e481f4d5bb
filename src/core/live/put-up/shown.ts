import { uniqBy } from 'lodash-es'
import { segmentName } from '../../schedule/running-order'
import type { DoorState } from '../door/door-facts'
import type { GivenThing } from '../material/given'
import type { Results } from '../questions/results'
import { resultsOf } from '../questions/shown'
import type { QuestionsState } from '../questions/state'
import { remember } from '../remember'
import { roomsForAll, type Task, taskOf } from '../rooms/for-all'
import { boardOf, openRooms } from '../rooms/room'
import type { RoundState } from '../rounds/round'
import { shownNow } from '../segments/shown'
import { currentOf, type SegmentsState } from '../segments/state'
import type { Playing, PutUp, PutUpState } from './things'
import { type ReadForWork, roomsWith } from './work'

export type ReadForPutUp = PutUpState &
  ReadForWork &
  QuestionsState &
  DoorState &
  RoundState &
  Pick<SegmentsState, 'segments'>

/** What is up, as everybody who sees it is sent it. */
export type PutUpShown = Pick<PutUp, 'onPages' | 'upSince'> &
  (
    | {
        is: 'work'
        roomId: string | null
        promptId: string | null
        /** Whose it is, and what it asks. */
        whose: string
        asks: string
      }
    | { is: 'groups'; rooms: readonly { name: string; members: readonly string[] }[] }
    /** Until when something runs, in milliseconds of the server's time; null when nothing does. */
    | { is: 'clock'; what: string; endsAt: number | null }
    | { is: 'instructions'; said: string; tasks: readonly Task[] }
    | { is: 'join-code' }
    | { is: 'question'; results: Results; before: Results | null }
    | { is: 'material'; thing: GivenThing; page: number; playing: Playing }
  )

/** What is up; null when nothing is, or what was up is there no more. */
export const putUpNow = remember((state: ReadForPutUp): PutUpShown | null => {
  const { putUp } = state
  const shown = putUp && state.phase === 'open' ? shownOf(state, putUp) : null
  return shown && putUp && { ...shown, onPages: putUp.onPages, upSince: putUp.upSince }
})

type Shown = PutUpShown extends infer T ? (T extends unknown ? Omit<T, 'onPages' | 'upSince'> : never) : never

function shownOf(state: ReadForPutUp, up: PutUp): Shown | null {
  switch (up.is) {
    case 'work': {
      const [first] = roomsWith(state, up)
      if (!first) return null
      const asked = first.board.prompts.find(({ id }) => id === up.promptId)
      const whose = up.roomId === null ? 'All rooms' : first.room.name
      return {
        is: 'work',
        roomId: up.roomId,
        promptId: up.promptId,
        whose,
        asks: asked?.text ?? first.board.title,
      }
    }
    case 'groups':
      return { is: 'groups', rooms: roomsForAll(state).map(({ name, members }) => ({ name, members })) }
    case 'clock':
      return clockOf(state)
    case 'instructions': {
      const boards = openRooms(state.rooms).map(room => boardOf(state, room))
      const tasks = uniqBy(boards, board => board)
        .filter(({ title, steps }) => title !== '' || steps.length > 0)
        .map(taskOf)
      return { is: 'instructions', said: shownNow(state), tasks }
    }
    case 'join-code':
      return { is: 'join-code' }
    case 'question': {
      const question = state.questions.find(({ id }) => id === up.questionId)
      if (!question) return null
      const before = state.questions.find(({ id }) => id === question.again)
      return {
        is: 'question',
        results: resultsOf(state, question),
        before: before ? resultsOf(state, before) : null,
      }
    }
    case 'material':
      return { is: 'material', thing: up.thing, page: up.page, playing: up.playing }
  }
}

/** The round's time, or that of the segment that runs. */
function clockOf(state: ReadForPutUp): Shown {
  const { round } = state
  const now = currentOf(state)
  if (round)
    return {
      is: 'clock',
      what: round.graceEndsAt === null ? 'left in rooms' : 'to come back',
      endsAt: round.graceEndsAt ?? round.endsAt,
    }
  const startedAt = now?.startedAt ?? null
  if (!now || startedAt === null) return { is: 'clock', what: '', endsAt: null }
  return { is: 'clock', what: segmentName(now), endsAt: startedAt + now.minutes * 60_000 }
}
