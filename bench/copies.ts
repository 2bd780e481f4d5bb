import { performance } from 'node:perf_hooks'
import type { Prompt } from '~/core/boards/board'
import { STARTERS } from '~/core/boards/starters'
import { MadeClass } from './made-class'
import { delaysOf, delayText } from './numbers'

const ROOMS = 100
const TIMES = 8

/** A hundred rooms, each with its copy of a board of many prompts, made in one move; beside it, one room at a time. */
export async function copies(): Promise<void> {
  const prompts = STARTERS.flatMap(({ key, board }) =>
    board.prompts.slice(0, 1).map((prompt): Prompt => ({ ...prompt, id: key })),
  ).slice(0, 12)
  const made = await MadeClass.open(2, 5, prompts)
  const { server } = made
  const timed = async (work: () => Promise<void>) => {
    const began = performance.now()
    await work()
    return performance.now() - began
  }
  const one: number[] = []
  for (let number = 0; number < TIMES; number++)
    one.push(await timed(() => made.command({ type: 'add-room', name: `One ${number}` })))
  await server.longestStop()
  const all: number[] = []
  for (let time = 0; time < TIMES; time++) {
    const groups = Array.from({ length: ROOMS }, (_, room) => ({
      name: `Room ${time}-${room}`,
      participantIds: [],
    }))
    all.push(await timed(() => made.command({ type: 'make-rooms', groups, empty: true })))
  }
  const stop = await server.longestStop()
  console.log(`one room with its copy of a board of ${prompts.length} prompts: ${delayText(delaysOf(one))}`)
  console.log(
    `${ROOMS} in one move: ${delayText(delaysOf(all))}, longest stop of the server’s thread ${stop.toFixed(0)} ms (aim: under 1 s)`,
  )
  await server.remove()
}
