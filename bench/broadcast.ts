import { performance } from 'node:perf_hooks'
import { SimulatedParticipant } from '~/demo/simulated-participant'
import { helperProcess } from './helper-process'
import { MadeClass } from './made-class'
import { type Delays, delaysOf, delayText, pause } from './numbers'

/** The longest twentieth of fewer would be three or four of them, and chance. */
const BROADCASTS = 400

/** From a facilitator's broadcast to the last of all connected participants, against bare servers doing the same. */
export async function broadcast(): Promise<void> {
  for (const [listeners, aim] of [
    [50, 2],
    [200, 1.5],
  ] as const) {
    const bare = await bareEventStream(listeners)
    const own = await roundTable(listeners)
    console.log(`${listeners} participants`)
    console.log(`  bare event stream: ${delayText(bare)}`)
    console.log(
      `  Round Table:       ${delayText(own)}, ${(own.p95 / bare.p95).toFixed(2)}x at p95 (aim: under ${aim}x)`,
    )
  }
}

async function roundTable(listeners: number): Promise<Delays> {
  const made = await MadeClass.open(listeners / 5, 5, [
    { id: 'c', kind: 'cards', text: 'Cards?', settings: {} },
  ])
  const people = await made.allJoined()
  await made.command({ type: 'send-out', seconds: 3600 })
  await Promise.all(people.map(each => each.until(view => view.whereabouts.where === 'room')))
  await pause(1000)
  const delays = await delaysToTheLast(people, BROADCASTS, text => made.command({ type: 'broadcast', text }))
  for (const each of people) each.leave()
  await made.server.remove()
  return delays
}

/** From a broadcast to the last of those who are to hear it. */
async function delaysToTheLast(
  people: SimulatedParticipant[],
  broadcasts: number,
  tell: (text: string) => Promise<unknown>,
): Promise<Delays> {
  const delays: number[] = []
  for (let number = 0; number < broadcasts; number++) {
    delays.push(await delayToTheLast(people, `Broadcast ${number}`, tell))
    await pause(100)
  }
  return delaysOf(delays)
}

/** From telling to the last of those who are to hear it, in milliseconds. */
export async function delayToTheLast(
  people: readonly SimulatedParticipant[],
  text: string,
  tell: (text: string) => Promise<unknown>,
): Promise<number> {
  const heard = people.map(each => each.until(view => view.messages.at(-1)?.text === text))
  const began = performance.now()
  const [last] = await Promise.all([Promise.all(heard).then(() => performance.now()), tell(text)])
  return last - began
}

/**
 * The same text to as many readers by a server that does nothing else. They read as our own participants do, so that the servers are
 * compared and not their readers.
 */
export async function bareEventStream(listeners: number, broadcasts = BROADCASTS): Promise<Delays> {
  const bare = await bareListeners(listeners)
  const delays = await delaysToTheLast(bare.people, broadcasts, bare.tell)
  bare.end()
  return delays
}

/** A bare server and those who listen to it. */
export async function bareListeners(listeners: number) {
  const { port, child } = await helperProcess('bench/bare-event-stream.ts')
  const address = `http://localhost:${port}`
  const people = Array.from({ length: listeners }, () => SimulatedParticipant.at(address, 'bare', ''))
  await Promise.all(people.map(each => each.follow()))
  await pause(500)
  return {
    people,
    tell: async (body: string) => void (await (await fetch(address, { method: 'POST', body })).text()),
    end: () => {
      for (const each of people) each.leave()
      child.kill()
    },
  }
}
