import type { Board } from '~/core/boards/board'
import type { OpeningPlan } from '~/core/live/session/opening'
import type { RunSegment, Segment } from '~/core/schedule/running-order'
import { getBoard } from '../boards/boards.server'
import { getCohort } from '../cohorts/cohorts.server'
import type { Database } from '../db/database.server'
import { notFound, nullWhenGone } from '../errors.server'
import { type Grouping, getGrouping, roundOf } from '../groupings/groupings.server'
import { done, type Result, refused } from '../result'
import { newId } from '../tokens.server'
import { getSession, NO_BOARD, runningOrderOf, type Session, type SessionProblem } from './sessions.server'

/**
 * What the session is opened with, from its plan as it is now. Writes nothing. People taken off the list since a grouping was made
 * are left out. Everybody on the list may join, also those whom no grouping gives a room. Groups and boards that are gone are made, or
 * missing, in the session: the plan said so before.
 */
export async function prepareOpening(
  db: Database,
  sessionId: string,
): Promise<Result<OpeningPlan, SessionProblem>> {
  const session = await getSession(db, sessionId)
  if (session.phase !== 'planned') return refused({ code: 'already-open' })
  if (session.removedAt) throw notFound('session')
  const order = runningOrderOf(session)
  const [people, groupings, boards] = await Promise.all([
    session.cohortId === null ? [] : getCohort(db, session.cohortId).then(cohort => cohort.people),
    groupingsOf(db, session, order),
    boardsOf(db, session, order),
  ])
  const listed = new Set(people.map(person => person.id))
  const first = order.find(({ kind }) => kind === 'rooms')
  const empty = first
    ? groupsOf(first, groupings).filter(({ personIds }) => !personIds.some(id => listed.has(id)))
    : []
  if (empty.length > 0) return refused({ code: 'empty-groups', names: empty.map(group => group.name) })
  const roomsOfGroup = new Map<string, string[]>()
  const segments = runSegments(session, order, groupings, boards, listed, roomsOfGroup)
  const firstRound = segments.find(({ kind }) => kind === 'rooms')
  const rooms = firstRound?.groups.from === 'plan' ? firstRound.groups.rooms : []
  const roomOf = new Map(rooms.flatMap(room => room.personIds.map(id => [id, room.id] as const)))
  const [[, board] = ['', NO_BOARD], ...moreBoards] = boards
  return done({
    title: session.title,
    rooms: rooms.map(({ id, name, copyId }, place) => ({
      id,
      name,
      copyId,
      ...boardOfRoom(firstRound, place),
    })),
    people: people.map(person => ({
      personId: person.id,
      shownName: person.shownName,
      roomId: roomOf.get(person.id) ?? null,
      ...(person.trainedToLead && { leads: true as const }),
    })),
    board,
    moreBoards: moreBoards.map(([, more]) => more),
    segments,
    startsAt: session.startsAt.getTime(),
    minutes: session.minutes,
    roomSeconds: session.roomMinutes * 60,
    graceSeconds: session.graceSeconds,
    waitingList: session.waitingList,
    ...(session.callWay !== 'links' && { callWay: session.callWay }),
    ...(session.writing !== 'all' && { writing: session.writing }),
    ...(!session.mayAddPictures && { mayAddPictures: false as const }),
    ...dutiesIn(session, roomsOfGroup),
    groupingVersion: session.groupingId ? (groupings.get(session.groupingId)?.version ?? null) : null,
  })
}

/** What those at the front do, with the rooms that are made of the groups they were given. */
function dutiesIn({ duties }: Session, roomsOfGroup: ReadonlyMap<string, string[]>) {
  const planned = Object.entries(duties).map(([accountId, { does, groupIds }]) => {
    const rooms = groupIds.flatMap(id => roomsOfGroup.get(id) ?? [])
    return { accountId, does, rooms: rooms.length > 0 ? rooms : null }
  })
  return planned.length > 0 ? { duties: planned } : {}
}

/** What a room of the first round works on, by its place; nothing is said of the session's own board. */
function boardOfRoom(round: RunSegment | undefined, place: number): { board?: number } {
  const board = round?.boards?.[place % round.boards.length] ?? round?.board
  return board ? { board } : {}
}

async function groupingsOf(db: Database, session: Session, order: Segment[]): Promise<Map<string, Grouping>> {
  const ids = order.flatMap(({ groups }) => (groups.from === 'grouping' ? [groups.groupingId] : []))
  const found = new Map<string, Grouping>()
  for (const id of new Set([...(session.groupingId ? [session.groupingId] : []), ...ids])) {
    const grouping = await getGrouping(db, id).catch(nullWhenGone)
    if (grouping) found.set(id, grouping)
  }
  return found
}

/** The boards of a session by id, its own first; without a name there is nothing to work on. */
async function boardsOf(db: Database, session: Session, order: Segment[]): Promise<[string, Board][]> {
  const wanted = order.flatMap(({ kind, boardId, stations }) =>
    kind === 'rooms' ? (stations ?? [boardId ?? '']) : [],
  )
  const boards: [string, Board][] = []
  for (const id of new Set([session.boardId ?? '', ...wanted])) {
    const found = id === '' ? null : await getBoard(db, id).catch(nullWhenGone)
    const { title, steps, prompts, parts } = found ?? NO_BOARD
    boards.push([id, { title, steps, prompts, ...(parts?.length && { parts }), source: id }])
  }
  return boards
}

const groupsOf = ({ groups }: Segment, groupings: ReadonlyMap<string, Grouping>) => {
  const grouping = groups.from === 'grouping' ? groupings.get(groups.groupingId) : undefined
  return grouping && groups.from === 'grouping' && groups.round <= grouping.laterRounds.length
    ? roundOf(grouping, groups.round)
    : []
}

/** The plan as the session runs it: ids nobody has had, and the groups as they are now. */
function runSegments(
  session: Session,
  order: Segment[],
  groupings: ReadonlyMap<string, Grouping>,
  boards: [string, Board][],
  listed: ReadonlySet<string>,
  /** Is told of every room that is made, by the group it is made of. */
  roomsOfGroup: Map<string, string[]>,
): RunSegment[] {
  const idOf = new Map(order.map(({ id }) => [id, newId()]))
  const numberOf = new Map(boards.map(([id], index) => [id, index]))
  const numbered = (boardId: string | null) => numberOf.get(boardId ?? '') ?? 0
  return order.map(planned => {
    const { id, groups, boardId, stations, ...segment } = planned
    const rooms = groupsOf(planned, groupings).flatMap(group => {
      const personIds = group.personIds.filter(personId => listed.has(personId))
      const name = session.roomNames[group.id] ?? group.name
      if (personIds.length === 0) return []
      const room = { id: newId(), name, copyId: newId(), personIds }
      roomsOfGroup.set(group.id, [...(roomsOfGroup.get(group.id) ?? []), room.id])
      return [room]
    })
    return {
      ...segment,
      id: idOf.get(id) ?? newId(),
      board: segment.kind === 'rooms' ? numbered(stations?.[0] ?? boardId) : 0,
      ...(stations && segment.kind === 'rooms' && { boards: stations.map(numbered) }),
      groups: runGroups(groups, rooms, idOf),
    }
  })
}

function runGroups(
  groups: Segment['groups'],
  rooms: Extract<RunSegment['groups'], { from: 'plan' }>['rooms'],
  idOf: ReadonlyMap<string, string>,
): RunSegment['groups'] {
  if (groups.from === 'choice') {
    const { least, most } = groups
    const named = groups.rooms.map(name => ({ id: newId(), name, copyId: newId() }))
    return { from: 'choice', rooms: named, least, most }
  }
  const segmentId = 'segmentId' in groups ? idOf.get(groups.segmentId) : undefined
  if (segmentId && groups.from !== 'grouping') return { from: groups.from as 'earlier', segmentId }
  return rooms.length > 0 ? { from: 'plan', rooms } : { from: 'live' }
}
