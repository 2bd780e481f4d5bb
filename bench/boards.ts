import { performance } from 'node:perf_hooks'
import * as Y from 'yjs'
import { addCard, cardsOf } from '~/core/boards/document'
import { openSocket, SimulatedParticipant } from '~/demo/simulated-participant'
import { helperProcess } from './helper-process'
import { MadeClass } from './made-class'
import { delaysOf, delayText, pause } from './numbers'

const BOARDS = 50
const WRITERS = 4
const EDIT_EVERY_MS = 500
const SECONDS = 12
const TURNS = 2

/** From an edit to the three others on its board, 50 boards with 4 writers each, against the same sync server without storage. */
export async function boards(): Promise<void> {
  // By turns, so that neither has the quieter half of a shared machine, or the warmer half of this process.
  const delays = { bare: [] as number[], own: [] as number[] }
  for (let turn = 0; turn < TURNS; turn++) {
    delays.bare.push(...(await withoutStorage()))
    delays.own.push(...(await roundTable()))
  }
  const [bare, own] = [delaysOf(delays.bare), delaysOf(delays.own)]
  console.log(
    `${BOARDS} boards with ${WRITERS} writers, an edit every ${EDIT_EVERY_MS} ms each, for ${TURNS} times ${SECONDS} s`,
  )
  console.log(`  sync server without storage: ${delayText(bare)}`)
  console.log(
    `  Round Table, storage on:     ${delayText(own)}, ${(own.p95 / bare.p95).toFixed(2)}x at p95 (aim: under 1.3x)`,
  )
}

interface Writer {
  doc: Y.Doc
  close: () => void
}

async function roundTable(): Promise<number[]> {
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
  const delays = await write(writers)
  await made.server.remove()
  return delays
}

async function withoutStorage(): Promise<number[]> {
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
  const delays = await write(writers)
  child.kill()
  return delays
}

/** Every writer adds cards at their own moments; each card is timed at each of the others. */
async function write(writers: Writer[]): Promise<number[]> {
  const sent = new Map<string, number>()
  const delays: number[] = []
  for (const { doc } of writers) {
    cardsOf(doc, 'c').observe(event => {
      if (event.transaction.local) return
      for (const part of event.changes.delta) {
        for (const card of (part.insert as Y.Map<unknown>[] | undefined) ?? []) {
          const began = sent.get(String(card.get('id')))
          if (began !== undefined) delays.push(performance.now() - began)
        }
      }
    })
  }
  const timers: NodeJS.Timeout[] = []
  for (const [place, { doc }] of writers.entries()) {
    let number = 0
    const add = () => {
      const id = `${place}-${number++}`
      sent.set(id, performance.now())
      addCard(doc, 'c', id, `Card ${id}, a short line of words`)
    }
    const begin = () => timers.push(setInterval(add, EDIT_EVERY_MS))
    timers.push(setTimeout(begin, (place * EDIT_EVERY_MS) / writers.length))
  }
  await pause(SECONDS * 1000)
  for (const timer of timers) clearTimeout(timer)
  await pause(500)
  for (const writer of writers) writer.close()
  return delays
}
