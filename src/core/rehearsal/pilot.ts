/** What somebody at the front does while a rehearsal goes on by itself: lets in, begins what is next, asks what is planned, visits who calls, ends it. */
import { minBy } from 'lodash-es'
import { drawGrouping } from '../grouping/grouping'
import { evenSizes } from '../grouping/sizes'
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
  const { order, questionsReady, questions, questionNow, clock } = view
  const { startedAt } = runningOf(order) ?? { startedAt: null }
  if (startedAt === null || now - startedAt < ASKS_AFTER_S * SECOND) return []
  if (isArriving(view, now) || clock?.graceEndsAt) return []
  const asked = new Set(questions.map(({ text }) => text))
  const next = questionsReady.find(({ text }) => !asked.has(text))
  if (!next || questionNow?.results.isOpen) return []
  const { text, asks } = next
  const ask = { type: 'ask-question', text, seconds: ASKED_FOR_S } as const
  return [asks.is === 'choice' ? { ...ask, answers: asks.answers } : { ...ask, answers: [], asks }]
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
    const length = short ? MINUTE : current.minutes * MINUTE
    if (now - (current.startedAt ?? now) < length) return []
  }
  const isOver = order.length > 0 ? next === undefined : view.rounds.begun > 0
  if (isOver) return [{ type: 'end' }]
  const isForRooms = next === undefined || next.kind === 'rooms'
  if (isForRooms && !view.rooms.some(room => view.people.some(({ roomId }) => roomId === room.id)))
    return roomsFor(view, now)
  return [
    next
      ? { type: 'next-segment', segmentId: next.id }
      : { type: 'send-out', seconds: view.rounds.roomSeconds },
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
