/** Loads the made-up school into an empty data folder: people, groupings, boards, sessions past, ended and to come. */
import { join } from 'node:path'
import { and, eq, isNull } from 'drizzle-orm'
import type { Picture } from '~/core/boards/prompts/shown-picture'
import { writeCsv } from '~/core/formats/csv'
import { peopleTable } from '~/core/formats/people-export'
import { arrange } from '~/core/grouping/arrange'
import { drawGrouping } from '~/core/grouping/grouping'
import { planRounds } from '~/core/grouping/rounds/plan'
import type { Aim } from '~/core/grouping/rules'
import { evenSizes } from '~/core/grouping/sizes'
import { pairHistory } from '~/core/history/pairs'
import { dateFields } from '~/core/schedule/session-time'
import { createAccount, hasAccounts } from '~/server/auth/accounts.server'
import type { Account } from '~/server/auth/sign-ins.server'
import { createBoard } from '~/server/boards/boards.server'
import { choose, getChoice, openChoice } from '~/server/choices/choices.server'
import { getCohort } from '~/server/cohorts/cohorts.server'
import { importPeople } from '~/server/cohorts/imports.server'
import { addRule } from '~/server/cohorts/rules.server'
import type { Database } from '~/server/db/database.server'
import { cohorts, sessions } from '~/server/db/schema.server'
import { createGrouping } from '~/server/groupings/groupings.server'
import { pastSessions } from '~/server/groupings/history.server'
import type { FileFolder } from '~/server/material/file-folder.server'
import { addFile, listMaterial } from '~/server/material/material.server'
import { createSession } from '~/server/sessions/plans.server'
import { markReviewed } from '~/server/sessions/sessions.server'
import { newId } from '~/server/tokens.server'
import { layOutEvening } from './evening.server'
import { recordSession } from './record-session.server'
import {
  COHORTS,
  DEMO_PASSWORD,
  FACILITATORS,
  lookingBoard,
  PICTURES,
  STATION_BOARD,
  STATIONS,
  TIME_ZONE,
  WALK_BOARD,
  WORKSHEET_BOARD,
} from './school'

const TONIGHT = 'Evening 6: Six stations'
const DAY = 24 * 60 * 60 * 1000

const PAST_TITLES = [
  'Evening 1: First look at the marsh',
  'Evening 2: Keeping a notebook',
  'Evening 3: Working in small teams',
  'Evening 4: After the flood',
  'Evening 5: Teaching a station',
]

/** Does nothing when there is anything in the folder already. */
export async function loadDemo(db: Database, folder: FileFolder, now = Date.now()): Promise<void> {
  if (await hasAccounts(db)) return
  const [marit] = await Promise.all(FACILITATORS.map(account => madeAccount(db, account)))
  const by = marit?.displayName ?? ''
  const [evenings, weekends] = await Promise.all(COHORTS.map(cohort => madeCohort(db, by, cohort)))
  const stationBoard = await createBoard(db, STATION_BOARD)
  const walkBoard = await createBoard(db, WALK_BOARD)
  await createBoard(db, WORKSHEET_BOARD)
  await createBoard(db, lookingBoard(await madePictures(db, folder, by)))
  if (!marit || !evenings || !weekends) throw new Error('The demo data is incomplete.')
  for (const [week, title] of PAST_TITLES.entries()) {
    const startsAt = seven(now - (PAST_TITLES.length - week) * 7 * DAY)
    const groupingId = await madeGrouping(db, marit, evenings, `Stations, week ${week + 1}`, week + 1, 6)
    const sessionId = await madeSession(db, { title, startsAt, groupingId, boardId: stationBoard })
    await recordSession(db, { sessionId, account: marit, startsAt, seed: week + 1 })
    await markReviewed(db, sessionId, new Date(startsAt + DAY))
  }
  const three = await madeGrouping(db, marit, weekends, 'Three teams', 40, 3)
  const ended = now - 50 * 60 * 1000
  const mapEvening = await madeSession(db, {
    title: 'Reading the marsh together',
    startsAt: ended,
    groupingId: three,
    boardId: stationBoard,
  })
  await recordSession(db, { sessionId: mapEvening, account: marit, startsAt: ended, seed: 40 })
  await addRules(db, evenings)
  const tonight = await arrangedGrouping(db, marit, evenings, 'Six stations')
  const sessionId = await madeSession(db, {
    title: TONIGHT,
    startsAt: seven(now),
    groupingId: tonight,
    boardId: stationBoard,
    waitingList: true,
  })
  const walks = await madeGrouping(db, marit, evenings, 'Walk teams', 70, 8)
  await layOutEvening(db, { sessionId, six: tonight, walks, stationBoard, walkBoard })
  await plannedRounds(db, marit, weekends, 'Four walks')
  await openedChoice(db, evenings)
}

/** What one needs to try the demo. */
export interface DemoWelcome {
  accounts: string[]
  password: string
  joinCode: string
}

/** Null when the folder holds something else than the demo. */
export async function demoWelcome(db: Database): Promise<DemoWelcome | null> {
  const planned = await db
    .select()
    .from(sessions)
    .where(and(eq(sessions.title, TONIGHT), isNull(sessions.rehearsalOf)))
  const [tonight] = planned
  if (!tonight) return null
  return {
    accounts: FACILITATORS.map(account => account.email),
    password: DEMO_PASSWORD,
    joinCode: tonight.joinCode,
  }
}

/** Seven in the evening of that day, at the school. */
function seven(at: number): number {
  const { time } = dateFields(at, TIME_ZONE)
  const [hour = 0, minute = 0] = time.split(':').map(Number)
  return at - (at % 60_000) + (19 * 60 - hour * 60 - minute) * 60_000
}

async function madeAccount(db: Database, account: (typeof FACILITATORS)[number]): Promise<Account> {
  const made = await createAccount(db, { ...account, password: DEMO_PASSWORD })
  if (!made.ok) throw new Error(`The demo account could not be made: ${made.problem.code}`)
  return made.value
}

async function madeCohort(db: Database, by: string, cohort: (typeof COHORTS)[number]): Promise<string> {
  const id = newId()
  await db.insert(cohorts).values({ id, name: cohort.name })
  const names = Object.keys(cohort.people[0]?.columns ?? {})
  const columns = names.map(name => ({ name, kind: 'text' as const }))
  const imported = await importPeople(db, id, by, {
    text: writeCsv(peopleTable(cohort.people, columns)),
  })
  if (!imported.ok) throw new Error(`The demo cohort could not be imported: ${imported.problem.code}`)
  return id
}

async function madeGrouping(
  db: Database,
  account: Account,
  cohortId: string,
  name: string,
  seed: number,
  groups: number,
): Promise<string> {
  const cohort = await getCohort(db, cohortId)
  const personIds = cohort.people.map(person => person.id)
  const drawn = drawGrouping({ personIds, sizes: evenSizes(personIds.length, groups), seed })
  return keptGrouping(db, account, cohortId, { name, groups: drawn.groups, aims: [] })
}

/** Rules that any class has, with reasons nobody in it should read. */
async function addRules(db: Database, cohortId: string): Promise<void> {
  const { people } = await getCohort(db, cohortId)
  const ids = (...names: string[]) =>
    names.map(name => people.find(each => each.firstName === name)?.id ?? '')
  for (const rule of [
    {
      kind: 'apart' as const,
      personIds: ids('Bram', 'Odalys'),
      reason: 'Fell out over the sluice gate last autumn.',
    },
    {
      kind: 'together' as const,
      personIds: ids('Thuy', 'Ulla'),
      reason: 'Ulla reads the sheets out to Thuy.',
    },
    { kind: 'lead-in-each' as const, reason: '' },
  ]) {
    const added = await addRule(db, cohortId, rule)
    if (!added.ok) throw new Error(`The demo rule could not be kept: ${added.problem.code}`)
  }
}

/** Groups as the engine makes them: by the cohort's rules, of people who have met least, experience mixed. */
async function arrangedGrouping(
  db: Database,
  account: Account,
  cohortId: string,
  name: string,
): Promise<string> {
  const { people, rules, columns } = await getCohort(db, cohortId)
  const aims: Aim[] = [
    { kind: 'fresh', strength: 3 },
    { kind: 'mixed', column: 'experience (years)', strength: 1 },
  ]
  const groups = STATIONS.map(({ station }) => ({ name: station, size: people.length / STATIONS.length }))
  const history = pairHistory(await pastSessions(db, cohortId))
  const question = { people, groups, rules, aims, columns, history, now: new Map(), held: new Set<string>() }
  const search = arrange(question, { seed: 7, steps: 200_000 })
  for (let next = search.next(); ; next = search.next()) {
    if (next.done) return keptGrouping(db, account, cohortId, { name, groups: next.value.groups, aims })
  }
}

/** Four rounds in threes, in which everybody works with everybody. */
async function plannedRounds(db: Database, account: Account, cohortId: string, name: string): Promise<void> {
  const { people, columns } = await getCohort(db, cohortId)
  const names = ['Dyke path', 'Alder woods', 'Ferry landing']
  const groups = evenSizes(people.length, names.length).map((size, index) => ({
    name: names[index] ?? '',
    size,
  }))
  const asked = { people, groups, rules: [], aims: [], columns, history: new Map(), now: new Map() }
  const search = planRounds({ ...asked, held: new Set() }, { rounds: 4, seed: 3, steps: 200_000 })
  let step = search.next()
  while (!step.done) step = search.next()
  const [first = [], ...later] = step.value.rounds.map(round =>
    round.map((personIds, index) => ({ id: `g${index + 1}`, name: names[index] ?? '', personIds })),
  )
  const made = await createGrouping(db, account, cohortId, {
    name,
    version: null,
    groups: first,
    laterRounds: later,
  })
  if (!made.ok) throw new Error(`The demo rounds could not be made: ${made.problem.code}`)
}

/** A choice that is open, with what some have chosen so far. */
async function openedChoice(db: Database, cohortId: string): Promise<void> {
  const topics = STATIONS.map(({ station }) => ({ name: station, min: 2, max: 5 }))
  const title = 'Which station would you like to teach?'
  const id = await openChoice(db, cohortId, { title, kind: 'wishes', wishes: 3, topics })
  const { topics: kept } = await getChoice(db, id)
  const { people } = await getCohort(db, cohortId)
  for (const [index, person] of people.slice(0, 15).entries()) {
    const wishes = [0, 1, 3].map(step => kept[(index * index + step) % kept.length]?.id ?? '')
    const chosen = await choose(db, id, person.id, wishes, { corrects: true })
    if (!chosen.ok) throw new Error(`The demo choice could not be made: ${chosen.problem.code}`)
  }
}

async function keptGrouping(
  db: Database,
  account: Account,
  cohortId: string,
  { name, groups, aims }: { name: string; groups: string[][]; aims: Aim[] },
): Promise<string> {
  const made = await createGrouping(db, account, cohortId, {
    name,
    version: null,
    aims,
    groups: groups.map((personIds, index) => ({
      id: newId(),
      name: (groups.length === STATIONS.length && STATIONS[index]?.station) || `Team ${index + 1}`,
      personIds,
    })),
  })
  if (!made.ok) throw new Error(`The demo grouping could not be made: ${made.problem.code}`)
  return made.value
}

interface DemoSession {
  title: string
  startsAt: number
  groupingId: string
  boardId: string
  waitingList?: boolean
}

async function madeSession(db: Database, session: DemoSession): Promise<string> {
  const made = await createSession(db, {
    ...session,
    ...dateFields(session.startsAt, TIME_ZONE),
    timeZone: TIME_ZONE,
    roomMinutes: 12,
    graceSeconds: 60,
    waitingList: session.waitingList ?? false,
    rooms: [],
  })
  if (!made.ok) throw new Error(`The demo session could not be planned: ${made.problem.code}`)
  return made.value
}

/** Pictures drawn for this school, in its library. */
async function madePictures(db: Database, folder: FileFolder, by: string): Promise<Picture[]> {
  for (const { name, title } of PICTURES)
    await addFile(db, folder, { path: join('src/demo/pictures', name), name: title, by })
  return (await listMaterial(db)).flatMap(({ title, file }) =>
    file ? [{ file: file.hash, title, width: file.width ?? 4, height: file.height ?? 3 }] : [],
  )
}
