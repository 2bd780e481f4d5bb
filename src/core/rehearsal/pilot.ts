/** What somebody at the front does while a rehearsal goes on by itself: lets in, begins what is next, asks what is planned, visits who calls, hears rooms report, ends it. */
import { minBy } from 'lodash-es'
import { drawGrouping } from '../grouping/grouping'
import { evenSizes } from '../grouping/sizes'
import { reporterOf } from '../live/report/order'
import { SHORTEST_REPORT } from '../live/report/report'
import type { FacilitatorRequest } from '../live/topics'
import type { FacilitatorView } from '../live/views'
import type { Script } from './script'

const SECOND = 1_000
const MINUTE = 60 * SECOND
/** So long after the opening people arrive: nothing is begun before. */
const ARRIVING_MS = 90 * SECOND
/** A room that calls is visited after so long, and left after so long. */
const COMES_AFTER_MS = 45 * SECOND
const STAYS_MS = MINUTE
/** What is planned to be asked is asked so long after its segment began, and open for so long, in seconds. */
const ASKS_AFTER_S = 30
const ASKED_FOR_S = 60
/** A room reports for no longer than this, in seconds: common practice, no source. */
const LONGEST_OF_ONE_S = 60
/** People in a room where nobody has said how many: common practice, no source. */
const IN_A_ROOM = 4

/**
 * The next moves of who runs the session, `accountId`; none while there is nothing to do. Each is a wish that may be refused: what has
 * not come true is asked for again. `now` in the session's time, in milliseconds since 1970.
 */
export function pilotMoves(
  view: FacilitatorView,
  accountId: string,
  { short }: Pick<Script, 'short'>,
  now: number,
): FacilitatorRequest[] {
  if (view.session.phase !== 'open') return []
  const moves: FacilitatorRequest[] = []
  const waiting = view.people.filter(({ admitted }) => !admitted).map(({ id }) => id)
  if (waiting.length > 0) moves.push({ type: 'let-in', participantIds: waiting })
  moves.push(...planned(view, now))
  if (view.clock) return [...moves, ...inRound(view, accountId, now)]
  return [...moves, ...betweenRounds(view, short, now)]
}

/** The next question of the segment that runs, once people have come and the one before is closed. */
function planned(view: FacilitatorView, now: number): FacilitatorRequest[] {
  const { order, questionNow, clock } = view
  const { startedAt } = runningOf(order) ?? { startedAt: null }
  if (startedAt === null || now - startedAt < ASKS_AFTER_S * SECOND) return []
  if (isArriving(view, now) || clock?.graceEndsAt) return []
  const next = nextQuestion(view)
  if (!next || questionNow?.results.isOpen) return []
  const { text, asks } = next
  const ask = { type: 'ask-question', text, seconds: ASKED_FOR_S, over: null } as const
  return [asks.is === 'choice' ? { ...ask, answers: asks.answers } : { ...ask, answers: [], asks }]
}

function nextQuestion({ questions, questionsReady }: FacilitatorView) {
  const asked = new Set(questions.map(({ text }) => text))
  return questionsReady.find(({ text }) => !asked.has(text))
}

const isArriving = ({ session: { openedAt } }: FacilitatorView, now: number) =>
  now - (openedAt ?? now) < ARRIVING_MS

const runningOf = (order: FacilitatorView['order']) =>
  order?.segments.findLast(({ startedAt, endedAt }) => startedAt !== null && endedAt === null)

function inRound(view: FacilitatorView, accountId: string, now: number): FacilitatorRequest[] {
  const moves: FacilitatorRequest[] = []
  // Who goes by themselves, or may come back, is let be.
  const { invited, mayReturn } = view.terms
  const astray = view.people.filter(
    ({ admitted, roomId, inRoom, connected }) =>
      admitted && connected && !inRoom && (roomId === null || !(invited || mayReturn)),
  )
  const sizes = view.rooms.map(({ id }) => ({
    roomId: id,
    people: view.people.filter(({ roomId }) => roomId === id).length,
  }))
  const placements = astray.flatMap(({ id, roomId }) => {
    if (roomId !== null) return [{ participantId: id, roomId }]
    const smallest = minBy(sizes, ({ people }) => people)
    if (!smallest) return []
    smallest.people++
    return [{ participantId: id, roomId: smallest.roomId }]
  })
  if (placements.length > 0 && !view.clock?.graceEndsAt) moves.push({ type: 'place-people', placements })
  const visit = view.visits.find(one => one.accountId === accountId)
  const call = view.help.find(({ at }) => now - at >= COMES_AFTER_MS)
  if (visit && now - visit.startedAt < STAYS_MS) return moves
  if (call) moves.push({ type: 'visit', roomId: call.roomId })
  else if (visit) moves.push({ type: 'leave-room' })
  return moves
}

function betweenRounds(view: FacilitatorView, short: boolean, now: number): FacilitatorRequest[] {
  const order = view.order?.segments ?? []
  const current = runningOf(view.order)
  const next = order.find(({ startedAt, skipped }) => startedAt === null && !skipped)
  // Everybody has a while to come, however short the beginning is made.
  if (isArriving(view, now)) return []
  if (current) {
    const endsAt = (current.startedAt ?? now) + (short ? MINUTE : current.minutes * MINUTE)
    if (now < endsAt) return current.kind === 'whole' ? reportBack(view, endsAt, now) : []
  }
  const over: FacilitatorRequest[] = view.report.now ? [{ type: 'end-report' }] : []
  const isOver = order.length > 0 ? next === undefined : view.rounds.begun > 0
  if (isOver) return [...over, { type: 'end' }]
  const isForRooms = next === undefined || next.kind === 'rooms'
  if (isForRooms && !view.rooms.some(room => view.people.some(({ roomId }) => roomId === room.id)))
    return roomsFor(view, now)
  return [
    ...over,
    next
      ? { type: 'next-segment', segmentId: next.id }
      : { type: 'send-out', seconds: view.rounds.roomSeconds },
  ]
}

/** In the whole group after a round its rooms report once, where there is time for each and nothing left to be asked. */
function reportBack(view: FacilitatorView, endsAt: number, now: number): FacilitatorRequest[] {
  const { now: report, rooms, heard } = view.report
  if (report) {
    if (report.now && now < report.now.endsAt) return []
    const isHeard = report.now === null && report.rooms.every(({ heardAt }) => heardAt !== null)
    return [isHeard ? { type: 'end-report' } : { type: 'next-room', afterId: report.now?.roomId ?? null }]
  }
  if (nextQuestion(view) || view.questionNow?.results.isOpen) return []
  if (view.rounds.begun === 0 || rooms.some(({ id }) => heard.rooms[id])) return []
  const secondsEach = Math.min(LONGEST_OF_ONE_S, Math.floor((endsAt - now) / SECOND / rooms.length))
  if (secondsEach < SHORTEST_REPORT) return []
  const reporterIn = (peopleIds: readonly string[]) =>
    reporterOf(
      view.people
        .filter(({ id }) => peopleIds.includes(id))
        .map(({ id, shownName }) => ({
          id,
          shownName,
          isReporter: view.rolesBefore[id] === 'reporter',
          now: heard.people[id] ?? 0,
          before: 0,
        })),
      'role',
    )
  return [
    {
      type: 'begin-report',
      secondsEach,
      onPages: true,
      rooms: rooms.map(({ id, peopleIds }) => ({ roomId: id, reporterId: reporterIn(peopleIds) })),
    },
  ]
}

/** Rooms of four of who is here, by chance. */
function roomsFor({ people }: FacilitatorView, now: number): FacilitatorRequest[] {
  const personIds = people.filter(({ admitted, connected }) => admitted && connected).map(({ id }) => id)
  if (personIds.length < 2) return []
  const sizes = evenSizes(personIds.length, Math.max(1, Math.round(personIds.length / IN_A_ROOM)))
  const { groups } = drawGrouping({ personIds, sizes, seed: Math.floor(now / 1_000) % 2 ** 31 })
  return [
    {
      type: 'make-rooms',
      groups: groups.map((participantIds, place) => ({ name: `Room ${place + 1}`, participantIds })),
    },
  ]
}
