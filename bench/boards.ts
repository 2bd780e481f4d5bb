import { performance } from 'node:perf_hooks'
import { median } from 'simple-statistics'
import * as Y from 'yjs'
import type { Prompt } from '~/core/boards/board'
import { openSocket } from '~/demo/simulated-participant'
import { type Edit, editCards, editOfAllKinds, OF_ALL_KINDS } from './edits'
import { helperProcess } from './helper-process'
import { MadeClass } from './made-class'
import { type Delays, delaysOf, delayText, pause } from './numbers'

const BOARDS = 50
const WRITERS = 4
const EDIT_EVERY_MS = 500
/** Short turns by the same writers, so that whatever else a shared machine does falls on both alike. */
const TURNS = 32
const TURN_SECONDS = 1.5
const TURN_EDITS = (TURN_SECONDS * 1000) / EDIT_EVERY_MS

/** From an edit to the three others on its board, 50 boards with 4 writers each, against the same sync server without storage. */
export const boards = () =>
  compared('cards', [{ id: 'c', kind: 'cards', text: 'Cards?', settings: {} }], editCards)

/** The same with a prompt of every kind on each board, written under one after the other. */
export const boardsOfAllKinds = () => compared('every kind', OF_ALL_KINDS, editOfAllKinds)

async function compared(what: string, prompts: Prompt[], edit: Edit): Promise<void> {
  const [bare, own] = [await withoutStorage(), await roundTable(prompts)]
  const turns: { bare: Delays; own: Delays }[] = []
  const all: { bare: number[]; own: number[] } = { bare: [], own: [] }
  for (let turn = 0; turn <= TURNS; turn++) {
    const bareFirst = turn % 2 === 0 ? await write(bare.writers, edit) : null
    const second = await write(own.writers, edit)
    const first = bareFirst ?? (await write(bare.writers, edit))
    // The first turn of each warms up: nothing is compiled yet.
    if (turn === 0) continue
    turns.push({ bare: delaysOf(first), own: delaysOf(second) })
    all.bare.push(...first)
    all.own.push(...second)
  }
  const [reference, ours] = [middleOf(turns.map(each => each.bare)), middleOf(turns.map(each => each.own))]
  const factors = turns.map(each => each.own.p95 / each.bare.p95)
  console.log(
    `${BOARDS} boards of ${what} with ${WRITERS} writers, an edit every ${EDIT_EVERY_MS} ms each, the median of ${TURNS} turns of ${TURN_SECONDS} s each`,
  )
  console.log(`  sync server without storage: ${delayText(reference)}`)
  console.log(
    `  Round Table, storage on:     ${delayText(ours)}, ${(ours.p95 / reference.p95).toFixed(2)}x at p95 (aim: under 1.3x)`,
  )
  console.log(
    `  factor at p95 within a turn: median ${median(factors).toFixed(2)}, from ${Math.min(...factors).toFixed(2)} to ${Math.max(...factors).toFixed(2)}`,
  )
  const [bareAll, ownAll] = [delaysOf(all.bare), delaysOf(all.own)]
  console.log(
    `  all turns put together: ${delayText(bareAll)} without storage, ${delayText(ownAll)} with it, ${(ownAll.p95 / bareAll.p95).toFixed(2)}x at p95`,
  )
  await own.stop()
  await bare.stop()
}

/** The median turn: what a shared machine does in a few of them, up to a hundred times the others, is left out on both sides. */
const middleOf = (turns: Delays[]): Delays => ({
  p50: median(turns.map(turn => turn.p50)),
  p95: median(turns.map(turn => turn.p95)),
  count: turns.reduce((sum, turn) => sum + turn.count, 0),
})

interface Writer {
  doc: Y.Doc
  /** Under which participants write what is each one's own. */
  id: string
  close: () => void
}

interface Side {
  writers: Writer[]
  stop: () => Promise<void>
}

async function roundTable(prompts: Prompt[]): Promise<Side> {
  const made = await MadeClass.open(BOARDS, WRITERS, prompts)
  const people = await made.allJoined()
  await made.command({ type: 'send-out', seconds: 3600 })
  const writers = await Promise.all(
    people.map(
      async (each): Promise<Writer> => ({
        doc: await each.openBoard(),
        id: each.view?.me.id ?? '',
        close: () => each.leave(),
      }),
    ),
  )
  return { writers, stop: () => ended(writers, () => made.server.remove()) }
}

async function withoutStorage(): Promise<Side> {
  const { port, child } = await helperProcess('bench/bare-sync-server.ts')
  const writers = await Promise.all(
    Array.from({ length: BOARDS * WRITERS }, async (_, index): Promise<Writer> => {
      const board = Math.floor(index / WRITERS)
      const doc = new Y.Doc()
      const { provider, socket } = openSocket(`http://localhost:${port}`, '', `board-${board}`, doc)
      await new Promise<void>(resolve => provider.on('synced', () => resolve()))
      return {
        doc,
        id: `p${index}`,
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

/** Every writer edits at their own moments; each edit is timed at each of the others. */
async function write(writers: Writer[], edit: Edit): Promise<number[]> {
  const turn = turnsWritten++
  /** When an edit began, by its writer's number and what it had written before. */
  const sent = new Map<string, number>()
  const delays: number[] = []
  const receive = ({ local, beforeState, afterState }: Y.Transaction) => {
    if (local) return
    for (const [number, clock] of afterState) {
      const began = beforeState.get(number) === clock ? undefined : sent.get(`${number}/${clock}`)
      if (began !== undefined) delays.push(performance.now() - began)
    }
  }
  const timers: NodeJS.Timeout[] = []
  for (const [index, { doc, id }] of writers.entries()) {
    doc.on('afterTransaction', receive)
    let number = 0
    const add = () => {
      const began = performance.now()
      edit(doc, id, turn * TURN_EDITS + index + number, `${turn}-${index}-${number++}`)
      sent.set(`${doc.clientID}/${Y.getState(doc.store, doc.clientID)}`, began)
    }
    const begin = () => timers.push(setInterval(add, EDIT_EVERY_MS))
    timers.push(setTimeout(begin, (index * EDIT_EVERY_MS) / writers.length))
  }
  await pause(TURN_SECONDS * 1000)
  for (const timer of timers) clearTimeout(timer)
  await pause(500)
  for (const { doc } of writers) doc.off('afterTransaction', receive)
  return delays
}
