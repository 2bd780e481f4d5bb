// Two people of a session write on their board in turn, as long as they are asked to, and say how long each edit took.
import { performance } from 'node:perf_hooks'
import type * as Y from 'yjs'
import { addCard, cardsOf } from '~/core/boards/prompts/cards/document'
import { SimulatedParticipant } from '~/demo/simulated-participant'
import { newId } from '~/server/tokens.server'
import { pause } from './numbers'

const EDIT_EVERY_MS = 100
const PROMPT_ID = 'c'

const [address = '', joinCode = '', ...names] = process.argv.slice(2)
const people = await Promise.all(
  names.map(async name => {
    const participant = await SimulatedParticipant.join(address, joinCode, name)
    await participant.follow()
    return participant
  }),
)
process.send?.('joined')
const [from, to] = (await Promise.all(people.map(each => each.openBoard()))) as [Y.Doc, Y.Doc]
process.send?.('ready')

let running = false
process.on('message', async asked => {
  running = asked === 'begin'
  if (!running) return
  const delays: number[] = []
  while (running) {
    delays.push(await edit())
    await pause(EDIT_EVERY_MS)
  }
  process.send?.(delays)
})

async function edit(): Promise<number> {
  const had = cardsOf(to, PROMPT_ID).length
  const came = new Promise<void>(resolve => {
    const listen = () => {
      if (cardsOf(to, PROMPT_ID).length <= had) return
      to.off('update', listen)
      resolve()
    }
    to.on('update', listen)
  })
  const began = performance.now()
  addCard(from, PROMPT_ID, newId(), 'A card')
  await came
  return performance.now() - began
}
