/** Plays a whole session as if it had happened, through the same decisions a live one goes through. */
import * as Y from 'yjs'
import { addCard } from '~/core/boards/prompts/cards/document'
import { sheetOf } from '~/core/boards/prompts/sheet/document'
import { answerOf, reasonOf } from '~/core/boards/prompts/yes-no/document'
import type { Actor } from '~/core/live/actors'
import { decide } from '~/core/live/decide'
import { due } from '~/core/live/due'
import { evolve } from '~/core/live/evolve'
import type { OpeningPlan } from '~/core/live/session/opening'
import type { Command } from '~/core/live/topics'
import { type LiveState, unopened } from '~/core/live/topics'
import { type RandomStream, randomStream } from '~/core/random/random'
import { pulseStart } from '~/core/review/pulse'
import type { Account } from '~/server/auth/sign-ins.server'
import { type Contribution, noteContributions } from '~/server/boards/contributions.server'
import type { Database } from '~/server/db/database.server'
import { boardUpdates, participants } from '~/server/db/schema.server'
import { appendToLog } from '~/server/live/database-session-store.server'
import type { Entry } from '~/server/live/session-store'
import { prepareOpening } from '~/server/sessions/opening.server'
import { newId, newToken, tokenHash } from '~/server/tokens.server'
import { STATIONS, type StationWork } from './school'

interface Recording {
  sessionId: string
  account: Account
  startsAt: number
  seed: number
}

const MINUTE = 60_000

export async function recordSession(
  db: Database,
  { sessionId, account, startsAt, seed }: Recording,
): Promise<void> {
  const plan = await prepareOpening(db, sessionId)
  if (!plan.ok) throw new Error(`The demo session could not be opened: ${plan.problem.code}`)
  const random = randomStream(seed)
  const play = new Play(startsAt - 5 * MINUTE)
  const facilitator: Actor = { kind: 'facilitator', accountId: account.id, name: account.displayName }
  const door: Actor = { kind: 'door' }
  play.tell(facilitator, { type: 'open', plan: plan.value })
  const places = arrivals(plan.value, random)
  for (const { participantId, personId, shownName, late } of places) {
    play.at(startsAt + (late ? 6 * MINUTE : -random.below(240) * 1000))
    play.tell(door, { type: 'join', participantId, personId, shownName })
    play.tell(door, { type: 'connect', participantId })
    if (late)
      play.later(startsAt + 7 * MINUTE, facilitator, {
        type: 'place',
        participantId,
        roomId: roomOf(plan.value, personId),
      })
  }
  const sentOut = startsAt + 3 * MINUTE
  play.later(sentOut, facilitator, { type: 'send-out', seconds: plan.value.roomSeconds })
  play.later(sentOut + 4 * MINUTE, facilitator, {
    type: 'broadcast',
    messageId: newId(),
    text: 'Please begin with the sheet now; the cards can wait.',
  })
  playVisits(play, plan.value, places, facilitator, sentOut, random)
  play.later(sentOut + 16 * MINUTE, facilitator, { type: 'end' })
  const { entries, state } = play.perform()
  await appendToLog(db, sessionId, entries)
  await keepPlaces(db, sessionId, places)
  await keepWork(db, plan.value, state, sentOut, random)
}

interface PlaceTaken {
  participantId: string
  /** Null for somebody who is on no list. */
  personId: string | null
  shownName: string
  late: boolean
}

/** Who walks in, on no list. */
const WALK_INS = ['Tamsin', 'Oswin', 'Wenna']

/** Somebody is always missing, somebody always late, and somebody walks in who is on no list. */
function arrivals(plan: OpeningPlan, random: RandomStream): PlaceTaken[] {
  const absent = random.below(plan.people.length)
  const late = random.below(plan.people.length)
  const listed = plan.people
    .filter((_, index) => index !== absent)
    .map(({ personId, shownName }): PlaceTaken => {
      return { participantId: newId(), personId, shownName, late: plan.people[late]?.personId === personId }
    })
  const shownName = WALK_INS[random.below(WALK_INS.length)] ?? ''
  return [...listed, { participantId: newId(), personId: null, shownName, late: true }]
}

/** The room of the plan; whoever is on no list goes into the last. */
const roomOf = (plan: OpeningPlan, personId: string | null) =>
  personId === null
    ? (plan.rooms.at(-1)?.id ?? null)
    : (plan.people.find(person => person.personId === personId)?.roomId ?? null)

function playVisits(
  play: Play,
  plan: OpeningPlan,
  places: PlaceTaken[],
  facilitator: Actor,
  sentOut: number,
  random: RandomStream,
): void {
  const [caller, dropper] = [places[random.below(places.length)], places[random.below(places.length)]]
  if (caller && !caller.late) {
    play.later(
      sentOut + 2 * MINUTE,
      { kind: 'participant', participantId: caller.participantId },
      { type: 'call-help', helpId: newId() },
    )
    const roomId = roomOf(plan, caller.personId)
    if (roomId) play.later(sentOut + 3 * MINUTE, facilitator, { type: 'visit', roomId })
  }
  for (const [index, room] of plan.rooms.slice(0, 4).entries()) {
    play.later(sentOut + (5 + index * 1.5) * MINUTE, facilitator, { type: 'visit', roomId: room.id })
  }
  play.later(sentOut + 11.5 * MINUTE, facilitator, { type: 'leave-room' })
  if (dropper && !dropper.late) {
    const { participantId } = dropper
    play.later(sentOut + 6 * MINUTE, { kind: 'door' }, { type: 'disconnect', participantId })
    play.later(sentOut + 8 * MINUTE, { kind: 'door' }, { type: 'connect', participantId })
  }
}

/** Commands with their times, performed in order; what the clock would have done in between is done. */
class Play {
  private readonly script: { at: number; actor: Actor; command: Command }[] = []

  constructor(private time: number) {}

  at(time: number): void {
    this.time = time
  }

  tell(actor: Actor, command: Command): void {
    this.later(this.time, actor, command)
  }

  later(at: number, actor: Actor, command: Command): void {
    this.script.push({ at, actor, command })
  }

  perform(): { entries: Entry[]; state: LiveState } {
    let state = unopened
    const entries: Entry[] = []
    const take = (actor: Actor, command: Command, at: number) => {
      const decision = decide(state, command, actor, at)
      for (const event of decision.ok ? decision.events : []) {
        const recorded = { seq: state.seq + 1, at, event }
        state = evolve(state, recorded)
        entries.push({ recorded, actor })
      }
    }
    const order = [...this.script].sort((one, other) => one.at - other.at)
    for (const { at, actor, command } of order) {
      for (let time = (entries.at(-1)?.recorded.at ?? at) + 1000; time < at; time += 1000) {
        for (const overdue of due(state, time)) take({ kind: 'clock' }, overdue, time)
      }
      take(actor, command, at)
    }
    return { entries, state }
  }
}

async function keepPlaces(db: Database, sessionId: string, places: PlaceTaken[]): Promise<void> {
  await db.insert(participants).values(
    places.map(({ participantId }) => ({
      id: participantId,
      sessionId,
      tokenHash: tokenHash(newToken()),
      reviewToken: newToken(),
    })),
  )
}

async function keepWork(
  db: Database,
  plan: OpeningPlan,
  state: LiveState,
  sentOut: number,
  random: RandomStream,
): Promise<void> {
  for (const [index, room] of plan.rooms.entries()) {
    const writers = [...state.participants.values()].filter(participant => participant.roomId === room.id)
    const work = STATIONS[index % STATIONS.length]
    if (!work || writers.length === 0) continue
    const doc = new Y.Doc()
    const written = writeBoard(
      doc,
      plan,
      room.copyId,
      work,
      writers.map(writer => writer.id),
      sentOut,
      random,
    )
    await db.insert(boardUpdates).values({ copyId: room.copyId, update: Y.encodeStateAsUpdate(doc) })
    await noteContributions(db, written)
    doc.destroy()
  }
}

/** Fills a copy with a station's work, and says who did what when. */
function writeBoard(
  doc: Y.Doc,
  plan: OpeningPlan,
  copyId: string,
  work: StationWork,
  writers: string[],
  sentOut: number,
  random: RandomStream,
): Contribution[] {
  const done: Contribution[] = []
  const credit = (promptId: string, entryId: string, text: string, minutes: number, edits: number) => {
    const participantId = writers[random.below(writers.length)] as string
    const at = sentOut + Math.round(minutes * MINUTE)
    done.push({ copyId, promptId, entryId, participantId, halfMinute: pulseStart(at), edits, text, at })
  }
  const [cards, sheet, yesNo] = plan.board.prompts
  if (!cards || !sheet || !yesNo) return []
  for (const [index, text] of work.cards.entries()) {
    const id = newId()
    addCard(doc, cards.id, id, text)
    credit(cards.id, id, text, 1 + index * 0.9 + random.below(60) / 60, 4 + random.below(30))
  }
  const lines = work.sheet.map(text => {
    const paragraph = new Y.XmlElement('paragraph')
    paragraph.insert(0, [new Y.XmlText(text)])
    return paragraph
  })
  sheetOf(doc, sheet.id).insert(0, lines)
  for (let minute = 5; minute < 10.5; minute += 0.5)
    credit(sheet.id, 'whole', work.sheet.join('\n'), minute, 3 + random.below(40))
  answerOf(doc, yesNo.id).set('answer', work.answer)
  reasonOf(doc, yesNo.id).insert(0, work.reason)
  credit(yesNo.id, 'whole', work.reason, 11, 10 + random.below(20))
  return done
}
