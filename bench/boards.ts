import { performance } from 'node:perf_hooks'
import { median } from 'simple-statistics'
import * as Y from 'yjs'
import { addCard, cardsOf } from '~/core/boards/document'
import { openSocket, SimulatedParticipant } from '~/demo/simulated-participant'
import { helperProcess } from './helper-process'
import { MadeClass } from './made-class'
import { delaysOf, delayText, pause } from './numbers'

const BOARDS = 50
const WRITERS = 4
const EDIT_EVERY_MS = 500
/** Short turns by the same writers, so that whatever else a shared machine does falls on both alike. */
const TURNS = 8
const TURN_SECONDS = 4

/** From an edit to the three others on its board, 50 boards with 4 writers each, against the same sync server without storage. */
export async function boards(): Promise<void> {
  const [bare, own] = [await withoutStorage(), await roundTable()]
  const delays = { bare: [] as number[], own: [] as number[] }
  const factors: number[] = []
  for (let turn = 0; turn <= TURNS; turn++) {
    const [first, second] = [await write(bare.writers), await write(own.writers)]
    // The first turn of each warms up: nothing is compiled yet.
    if (turn === 0) continue
    delays.bare.push(...first)
    delays.own.push(...second)
    factors.push(delaysOf(second).p95 / delaysOf(first).p95)
  }
  const [reference, ours] = [delaysOf(delays.bare), delaysOf(delays.own)]
  console.log(
    `${BOARDS} boards with ${WRITERS} writers, an edit every ${EDIT_EVERY_MS} ms each, ${TURNS} turns of ${TURN_SECONDS} s each`,
  )
  console.log(`  sync server without storage: ${delayText(reference)}`)
  console.log(
    `  Round Table, storage on:     ${delayText(ours)}, ${(ours.p95 / reference.p95).toFixed(2)}x at p95 (aim: under 1.3x)`,
  )
  console.log(
    `  factor at p95, turn by turn: ${factors.map(factor => factor.toFixed(2)).join(' ')}, median ${median(factors).toFixed(2)}`,
  )
  await own.stop()
  await bare.stop()
}

interface Writer {
  doc: Y.Doc
  close: () => void
}

interface Side {
  writers: Writer[]
  stop: () => Promise<void>
}

async function roundTable(): Promise<Side> {
  const made = await MadeClass.open(BOARDS, WRITERS, [{ id: 'c', kind: 'cards', text: 'Cards?' }])
  const people: SimulatedParticipant[] = []
  for (let start = 0; start < made.names.length; start += 20) {
    const names = made.names.slice(start, start + 20)
    people.push(
      ...(await Promise.all(
        names.map(name => SimulatedParticipant.join(made.server.address, made.joinCode, name)),
      )),
    )
  }
  await Promise.all(people.map(each => each.follow()))
  await made.command({ type: 'send-out', seconds: 3600 })
  const writers = await Promise.all(
    people.map(
      async (each): Promise<Writer> => ({
        doc: await each.openBoard(),
        close: () => each.leave(),
      }),
    ),
  )
  return { writers, stop: () => ended(writers, () => made.server.remove()) }
}

async function withoutStorage(): Promise<Side> {
  const { port, child } = await helperProcess('bench/bare-sync-server.ts')
  const writers = await Promise.all(
    Array.from({ length: BOARDS * WRITERS }, async (_, place): Promise<Writer> => {
      const board = Math.floor(place / WRITERS)
      const doc = new Y.Doc()
      const { provider, socket } = openSocket(`http://localhost:${port}`, '', `board-${board}`, doc)
      await new Promise<void>(resolve => provider.on('synced', () => resolve()))
      return {
        doc,
        close: () => {
          provider.destroy()
          socket.destroy()
        },
      }
    }),
  )
  return { writers, stop: () => ended(writers, async () => void child.kill()) }
}

async function ended(writers: Writer[], stop: () => Promise<void>): Promise<void> {
  for (const writer of writers) writer.close()
  await stop()
}

let turnsWritten = 0

/** Every writer adds cards at their own moments; each card is timed at each of the others. */
async function write(writers: Writer[]): Promise<number[]> {
  const turn = turnsWritten++
  const sent = new Map<string, number>()
  const delays: number[] = []
  const receive = (event: Y.YEvent<Y.Array<Y.Map<unknown>>>) => {
    if (event.transaction.local) return
    for (const part of event.changes.delta) {
      for (const card of (part.insert as Y.Map<unknown>[] | undefined) ?? []) {
        const began = sent.get(String(card.get('id')))
        if (began !== undefined) delays.push(performance.now() - began)
      }
    }
  }
  for (const { doc } of writers) cardsOf(doc, 'c').observe(receive)
  const timers: NodeJS.Timeout[] = []
  for (const [place, { doc }] of writers.entries()) {
    let number = 0
    const add = () => {
      const id = `${turn}-${place}-${number++}`
      sent.set(id, performance.now())
      addCard(doc, 'c', id, `Card ${id}, a short line of words`)
    }
    const begin = () => timers.push(setInterval(add, EDIT_EVERY_MS))
    timers.push(setTimeout(begin, (place * EDIT_EVERY_MS) / writers.length))
  }
  await pause(TURN_SECONDS * 1000)
  for (const timer of timers) clearTimeout(timer)
  await pause(500)
  for (const { doc } of writers) cardsOf(doc, 'c').unobserve(receive)
  return delays
}
