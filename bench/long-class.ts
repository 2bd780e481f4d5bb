import { chromium } from '@playwright/test'
import type { SimulatedParticipant } from '~/demo/simulated-participant'
import playwrightConfig from '../playwright.config'
import { bareEventStream, bareListeners, delayToTheLast } from './broadcast'
import { MadeClass } from './made-class'
import { type Delays, delaysOf, delayText, pause } from './numbers'
import { longText, PageTasks } from './page-tasks'
import { stolenSinceAsked } from './stolen'

const ROOMS = 100
const IN_A_ROOM = 5
const MINUTES = Number(process.env.MINUTES ?? 20)
/** Cards of the whole class in a second, and signals. */
const CARDS_A_SECOND = 10
const SIGNALS_A_SECOND = 2
/** Every so often something is said to all, and a question asked, which all answer within so long; in milliseconds. */
const SAID_EVERY_MS = 15_000
const ASKED_EVERY_MS = 60_000
const ANSWERED_WITHIN_MS = 5_000
const SIGNALS = ['hand', 'done', 'more-time', 'lost', null]

/**
 * Five hundred people in a hundred rooms for twenty minutes, on this machine together with all of them: they write, show signals, answer
 * questions and hear what is said. Counted is what was lost, refused or failed; measured, how soon the last hears, beside a bare event
 * stream; what the server takes of memory; and the longest task of the facilitator's page.
 */
export async function longClass(): Promise<void> {
  const listeners = ROOMS * IN_A_ROOM
  const alone = await bareEventStream(listeners, 40)
  const bare = await bareListeners(listeners)
  const made = await MadeClass.open(ROOMS, IN_A_ROOM, [
    { id: 'c', kind: 'cards', text: 'Cards?', settings: {} },
  ])
  const browser = await chromium.launch(playwrightConfig.use?.launchOptions)
  try {
    const people = await made.allJoined()
    await made.command({ type: 'send-out', seconds: 4 * 3_600 })
    for (let from = 0; from < people.length; from += 20)
      await Promise.all(people.slice(from, from + 20).map(each => each.openBoard()))
    const page = await made.page(browser)
    await page.goto(`${made.server.address}/sessions/${made.sessionId}/live`)
    await page.getByRole('timer').waitFor()
    await pause(10_000)
    const tasks = await PageTasks.follow(browser, page)
    await made.server.longestStop()
    const until = Date.now() + MINUTES * 60_000
    const [cards, refused, said, asked, held] = await Promise.all([
      write(people, until),
      signal(people, until),
      say(made, people, bare, until),
      ask(made, people, until),
      watch(made, tasks, until),
    ])
    const last = await made.server.held()
    await pause(3_000)
    const answers = await made.get(`/sessions/${made.sessionId}/review/answers.csv`)
    const onDisk = new Set(answers.match(/Card \d+ of this class/g))
    const inRooms = cards.filter(({ room, text }) => room.every(one => one.holds(text) === 1))
    const review = await made.get(`/sessions/${made.sessionId}/review`)
    const counted = review.split(`${listeners} answers`).length - 1
    const { byClock, worked } = await tasks.end()
    console.log(`${listeners} people in ${ROOMS} rooms for ${MINUTES} minutes`)
    console.log(
      `  cards: ${cards.length} written, ${onDisk.size} in the review, ${inRooms.length} once in every browser of their room`,
    )
    console.log(
      `  signals and answers refused: ${refused + asked.refused}; questions: ${asked.questions} asked, ${counted} with ${listeners} answers`,
    )
    console.log(`  errors in the server's log: ${made.server.faults.length}`)
    for (const fault of made.server.faults.slice(0, 3)) console.log(`    ${fault.slice(0, 300)}`)
    console.log(
      `  a broadcast to the last of them, bare event stream with nothing beside it: ${delayText(alone)}`,
    )
    console.log(`  bare event stream, while all that goes on: ${delayText(said.bare)}`)
    console.log(
      `  Round Table, while all that goes on: ${delayText(said.own)}, ${(said.own.p95 / said.bare.p95).toFixed(2)}x at p95 (aim: under 2x)`,
    )
    console.log(
      `  the server's thread held for ${Math.max(held.byClock, last.byClock).toFixed(0)} ms by the clock at the longest, and ${Math.max(held.worked, last.worked).toFixed(0)} ms by the time it had a processor (aim: under 100 ms)`,
    )
    console.log(`  the facilitator's page, tasks over 50 ms by the clock: ${longText(byClock)} (aim: none)`)
    console.log(`  and by the time they had a processor: ${longText(worked)}`)
    for (const each of people) each.leave()
  } finally {
    bare.end()
    await browser.close()
    await made.server.remove()
  }
}

/** Somebody's board as their browser holds it. */
interface Reader {
  holds(text: string): number
}

async function write(people: readonly SimulatedParticipant[], until: number) {
  const cards: { text: string; room: Reader[] }[] = []
  const rooms = new Map<string, SimulatedParticipant[]>()
  for (const each of people) {
    const { whereabouts } = each.view ?? {}
    const room = whereabouts?.where === 'room' ? whereabouts.roomId : ''
    rooms.set(room, [...(rooms.get(room) ?? []), each])
  }
  const readers = new Map<SimulatedParticipant, Reader[]>()
  for (const members of rooms.values()) {
    const reading = members.map(readerOf)
    for (const each of members) readers.set(each, reading)
  }
  for (let number = 0; Date.now() < until; number++) {
    // Primes, so that rooms and people come up in no order.
    const who = people[(number * 137) % people.length] as SimulatedParticipant
    const text = `Card ${number} of this class`
    await who.writeCard('c', text)
    cards.push({ text, room: readers.get(who) ?? [] })
    await pause(1_000 / CARDS_A_SECOND)
  }
  return cards
}

/** Counts once what stands on the board, when it is first asked, after everything was written. */
function readerOf(who: SimulatedParticipant): Reader {
  let counts: Map<string, number> | null = null
  return {
    holds(text) {
      if (!counts) {
        counts = new Map()
        for (const said of who.cards('c')) counts.set(said, (counts.get(said) ?? 0) + 1)
      }
      return counts.get(text) ?? 0
    },
  }
}

async function signal(people: readonly SimulatedParticipant[], until: number): Promise<number> {
  let refused = 0
  for (let number = 0; Date.now() < until; number++) {
    const who = people[(number * 73) % people.length] as SimulatedParticipant
    const { ok } = await who.ask({ type: 'set-signal', signal: SIGNALS[number % SIGNALS.length] })
    if (!ok) refused++
    await pause(1_000 / SIGNALS_A_SECOND)
  }
  return refused
}

/**
 * Every so often, at a moment of no order, something is said to all and the same to those who listen to a bare server: one right after
 * the other, by turns first, so that both meet what goes on beside them.
 */
async function say(
  made: MadeClass,
  people: readonly SimulatedParticipant[],
  bare: Awaited<ReturnType<typeof bareListeners>>,
  until: number,
): Promise<{ own: Delays; bare: Delays }> {
  const [own, beside]: [number[], number[]] = [[], []]
  const sayIt = async (text: string) =>
    void own.push(await delayToTheLast(people, text, said => made.command({ type: 'broadcast', text: said })))
  const sayBare = async (text: string) => void beside.push(await delayToTheLast(bare.people, text, bare.tell))
  for (let number = 0; Date.now() < until; number++) {
    const at = Math.random() * SAID_EVERY_MS
    await pause(at)
    const turns = number % 2 === 0 ? [sayIt, sayBare] : [sayBare, sayIt]
    for (const turn of turns) await turn(`Said to all, number ${number}`)
    await pause(SAID_EVERY_MS - at)
  }
  return { own: delaysOf(own), bare: delaysOf(beside) }
}

async function ask(made: MadeClass, people: readonly SimulatedParticipant[], until: number) {
  let [questions, refused, before] = [0, 0, '']
  while (Date.now() + ASKED_EVERY_MS < until) {
    await pause(ASKED_EVERY_MS - ANSWERED_WITHIN_MS)
    await made.command({ type: 'ask-question', text: `Question ${questions}`, answers: ['', '', ''] })
    await Promise.all(
      people.map(async (each, index) => {
        const { question } = await each.until(view => view.question !== null && view.question.id !== before)
        await pause(Math.random() * ANSWERED_WITHIN_MS)
        const { ok } = await each.ask({
          type: 'answer-question',
          questionId: question?.id ?? '',
          answer: index % 3,
        })
        if (!ok) refused++
      }),
    )
    before = people[0]?.view?.question?.id ?? ''
    questions++
  }
  return { questions, refused }
}

/**
 * Says after every minute what the server takes, how long its thread was held, and how many more tasks of the page there were. Gives
 * the longest time the thread was held, in milliseconds, by the clock and by the time it had a processor.
 */
async function watch(made: MadeClass, tasks: PageTasks, until: number) {
  const stolen = stolenSinceAsked()
  const longest = { byClock: 0, worked: 0 }
  let before = 0
  console.log(`  at first the server takes ${(await made.server.megabytes()).toFixed(0)} MB`)
  for (let minute = 1; Date.now() < until; minute++) {
    await pause(Math.min(60_000, until - Date.now()))
    const { byClock, worked } = await made.server.held()
    const { worked: ofPage } = await tasks.soFar()
    longest.byClock = Math.max(longest.byClock, byClock)
    longest.worked = Math.max(longest.worked, worked)
    console.log(
      `  after ${minute} minutes ${(await made.server.megabytes()).toFixed(0)} MB; in this one its thread was held for ${byClock.toFixed(0)} ms, worked for ${worked.toFixed(0)} ms, ` +
        `${ofPage.number - before} tasks of the page over 50 ms, others had ${(100 * stolen()).toFixed(1)} % of the processors`,
    )
    before = ofPage.number
  }
  return longest
}
