/** Tonight's running order in the demo: whole group, two rounds with other groups and other boards, stations, report back. */
import type { Board } from '~/core/boards/board'
import { newSegment, type Segment } from '~/core/schedule/running-order'
import { createBoard } from '~/server/boards/boards.server'
import type { Database } from '~/server/db/database.server'
import { saveRunningOrder } from '~/server/sessions/plans.server'
import { STATIONS } from './school'

interface Evening {
  sessionId: string
  /** Six groups, for the stations. */
  six: string
  /** Other groups, for planning walks. */
  walks: string
  stationBoard: string
  walkBoard: string
}

/** How long the evening may take, in minutes. */
const EVENING_MINUTES = 90

/** Lays the evening out. A board for each station is made; the rest is there. */
export async function layOutEvening(db: Database, evening: Evening): Promise<void> {
  const stations: string[] = []
  for (const { station } of STATIONS) stations.push(await createBoard(db, stationBoard(station)))
  const laidOut = await saveRunningOrder(db, evening.sessionId, {
    segments: order(evening, stations),
    minutes: EVENING_MINUTES,
  })
  if (!laidOut.ok) throw new Error(`The demo evening could not be laid out: ${laidOut.problem.code}`)
}

const stationBoard = (station: string): Board => ({
  title: `At the station: ${station}`,
  steps: ['Try what the group before you has left.', 'Write down one thing that a new steward must know.'],
  prompts: [
    { id: 'know', kind: 'cards', text: `What must a new steward know about ${station}?`, settings: {} },
  ],
})

function order({ six, walks, stationBoard: notes, walkBoard }: Evening, stations: string[]): Segment[] {
  const rooms = (id: string, changes: Partial<Segment>): Segment => ({
    ...newSegment(id, 'rooms'),
    warnings: [120],
    ...changes,
  })
  const whole = (id: string, name: string, minutes: number, cues: string, shown = ''): Segment => ({
    ...newSegment(id, 'whole'),
    name,
    minutes,
    cues,
    shown,
  })
  return [
    whole(
      'welcome',
      'Welcome',
      8,
      'Who has been out at the marsh since last week? Say that the jetty is slippery.',
      'Welcome. Tonight: six stations, a walk, and what you found.',
    ),
    rooms('notes', {
      minutes: 12,
      groups: { from: 'grouping', groupingId: six, round: 0 },
      boardId: notes,
      warnings: [300, 60],
    }),
    whole('talk', 'What did you notice?', 8, 'One card of each room. Ask the quiet ones first.'),
    rooms('walks', {
      name: 'A walk of one hour',
      minutes: 12,
      groups: { from: 'grouping', groupingId: walks, round: 0 },
      boardId: walkBoard,
      roles: { rule: 'alphabet', mayPass: true },
      says: [{ when: 'half', minutes: 0, text: 'Half time: begin with the opening words now.' }],
    }),
    { ...newSegment('tea', 'break'), minutes: 10, shown: 'Tea is in the boat house. Back in ten minutes.' },
    rooms('station-1', {
      name: 'Stations',
      minutes: 8,
      groups: { from: 'earlier', segmentId: 'notes' },
      stations,
      graceSeconds: 30,
    }),
    rooms('station-2', {
      name: 'Stations, one room on',
      minutes: 8,
      groups: { from: 'next-step', segmentId: 'station-1' },
      stations,
      asLeft: true,
      graceSeconds: 30,
      terms: { invited: true, mayChange: false, mayReturn: false },
    }),
    whole('report', 'Report back', 15, 'Two minutes for each station. Put the board up.', 'What we found'),
  ]
}
