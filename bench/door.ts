import { performance } from 'node:perf_hooks'
import type * as Y from 'yjs'
import { addCard, cardsOf } from '~/core/boards/document'
import { eventsIn, SimulatedParticipant } from '~/demo/simulated-participant'
import { newId } from '~/server/tokens.server'
import { helperProcess } from './helper-process'
import { MadeClass } from './made-class'
import { delaysOf, delayText, pause } from './numbers'

const EDIT_EVERY_MS = 100
const PROMPT = { id: 'c', kind: 'cards', text: 'Cards?' } as const

/**
 * A class joins all at once: names fetched, place taken, stream opened, first view seen. Beside a bare server that answers
 * the same requests; and meanwhile two people go on writing on a board of another session.
 */
export async function door(): Promise<void> {
  for (const [people, aim] of [
    [200, 10],
    [500, 25],
  ] as const) {
    const bare = await bareDoor(people)
    const own = await roundTable(people)
    console.log(`${people} people join, follow and see their first view`)
    console.log(`  bare server: ${(bare / 1000).toFixed(1)} s`)
    console.log(
      `  Round Table: ${(own.joined / 1000).toFixed(1)} s (aim: within ${aim} s); longest stop of its thread ${own.stop.toFixed(0)} ms`,
    )
    console.log(`  an edit on another session's board, before:    ${own.before}`)
    console.log(`  an edit on another session's board, meanwhile: ${own.meanwhile}`)
  }
}

async function bareDoor(people: number): Promise<number> {
  const { port, child } = await helperProcess('bench/bare-door.ts')
  const address = `http://localhost:${port}`
  const abort = new AbortController()
  const began = performance.now()
  await Promise.all(
    Array.from({ length: people }, async (_, number) => {
      await (await fetch(`${address}/names`)).json()
      await (await fetch(`${address}/join`, { method: 'POST', body: `personId=p${number}` })).text()
      const { body } = await fetch(`${address}/events`, { signal: abort.signal })
      if (body) await eventsIn(body).next()
    }),
  )
  const took = performance.now() - began
  abort.abort()
  child.kill()
  return took
}

async function roundTable(people: number) {
  const made = await MadeClass.open(people / 5, 5, [PROMPT])
  const { server } = made
  const other = await made.another(1, 2, [PROMPT])
  const [writer, reader] = await Promise.all(
    other.names.map(async name => {
      const participant = await SimulatedParticipant.join(server.address, other.joinCode, name)
      await participant.follow()
      return participant
    }),
  )
  await other.command({ type: 'send-out', seconds: 3600 })
  const docs = [await writer?.openBoard(), await reader?.openBoard()] as [Y.Doc, Y.Doc]
  const before = await editsWhile(docs, () => pause(5_000))
  await server.longestStop()
  const joined: SimulatedParticipant[] = []
  let took = 0
  const meanwhile = await editsWhile(docs, async () => {
    const began = performance.now()
    await Promise.all(
      made.names.map(async name => {
        const participant = await SimulatedParticipant.join(server.address, made.joinCode, name)
        joined.push(participant)
        await participant.follow()
      }),
    )
    took = performance.now() - began
  })
  const stop = await server.longestStop()
  for (const each of [...joined, writer, reader]) each?.leave()
  await server.remove()
  return { joined: took, stop, before, meanwhile }
}

/** Delays from one writer's edit to the other's copy, for as long as the work takes. */
async function editsWhile([from, to]: [Y.Doc, Y.Doc], work: () => Promise<unknown>): Promise<string> {
  const delays: number[] = []
  let running = true
  const editing = (async () => {
    while (running) {
      const had = cardsOf(to, PROMPT.id).length
      const began = performance.now()
      const came = new Promise<void>(resolve => {
        const listen = () => {
          if (cardsOf(to, PROMPT.id).length <= had) return
          to.off('update', listen)
          resolve()
        }
        to.on('update', listen)
      })
      addCard(from, PROMPT.id, newId(), 'A card')
      await came
      delays.push(performance.now() - began)
      await pause(EDIT_EVERY_MS)
    }
  })()
  await work()
  running = false
  await editing
  return delayText(delaysOf(delays))
}
