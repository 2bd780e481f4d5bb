import { performance } from 'node:perf_hooks'
import { bareEventStream } from './broadcast'
import { MadeClass } from './made-class'
import { delaysOf, delayText, pause } from './numbers'

const PEOPLE = 200
const ROUNDS = 12

/** From Send out to the last of 200 participants being told of their room and its board, beside the bare event stream. */
export async function sendOut(): Promise<void> {
  const bare = await bareEventStream(PEOPLE, ROUNDS)
  const made = await MadeClass.open(PEOPLE / 5, 5, [{ id: 'c', kind: 'cards', text: 'Cards?', settings: {} }])
  const people = await made.allJoined()
  const told: number[] = []
  const open: number[] = []
  for (let round = 0; round < ROUNDS; round++) {
    const began = performance.now()
    const all = people.map(each =>
      each.until(view => view.whereabouts.where === 'room' && view.board !== null),
    )
    await made.command({ type: 'send-out', seconds: 3600 })
    await Promise.all(all)
    told.push(performance.now() - began)
    await Promise.all(people.map(each => each.openBoard()))
    open.push(performance.now() - began)
    await made.command({ type: 'call-back' })
    await made.server.moveClock(61_000)
    await Promise.all(people.map(each => each.until(view => view.whereabouts.where === 'whole')))
    for (const each of people) each.closeBoard()
    await pause(500)
  }
  console.log(`${PEOPLE} participants in ${PEOPLE / 5} rooms`)
  console.log(`  bare event stream, one text to all:       ${delayText(bare)}`)
  console.log(`  Send out, everybody shown room and board: ${delayText(delaysOf(told))}`)
  console.log(`  Send out, every board open and read:      ${delayText(delaysOf(open))}`)
  for (const each of people) each.leave()
  await made.server.remove()
}
