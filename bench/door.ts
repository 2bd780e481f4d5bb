import { type ChildProcess, fork } from 'node:child_process'
import { once } from 'node:events'
import { constants, setPriority } from 'node:os'
import { performance } from 'node:perf_hooks'
import { eventsIn, SimulatedParticipant } from '~/demo/simulated-participant'
import { helperProcess } from './helper-process'
import { MadeClass } from './made-class'
import { delaysOf, delayText, pause } from './numbers'

/** The bare server is done with a class so soon that hardly an edit falls into it. */
const BARE_CLASSES = 6

const PROMPT = { id: 'c', kind: 'cards', text: 'Cards?', settings: {} } as const

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
    console.log(`  bare server: ${(bare.joined / 1000).toFixed(1)} s`)
    console.log(`  a message passed on by the bare server, before:    ${bare.before}`)
    console.log(`  a message passed on by the bare server, meanwhile: ${bare.meanwhile}`)
    console.log(
      `  Round Table: ${(own.joined / 1000).toFixed(1)} s (aim: within ${aim} s); longest stop of its thread ${own.stop.toFixed(0)} ms`,
    )
    console.log(`  an edit on another session's board, before:    ${own.before}`)
    console.log(`  an edit on another session's board, meanwhile: ${own.meanwhile}`)
    console.log(`  a message passed on meanwhile by a bare server that answers nobody: ${own.atIdle}`)
  }
}

/** A class sits at devices of its own, not at the server's cores: in its turn it gives way to server and writers, which have begun before. */
const asOnDevicesOfTheirOwn = () => setPriority(0, constants.priority.PRIORITY_LOW)

async function bareDoor(people: number) {
  const { port, child } = await helperProcess('bench/bare-door.ts')
  const address = `http://localhost:${port}`
  const editing = await Editing.atBareServer(`ws://localhost:${port}`)
  asOnDevicesOfTheirOwn()
  const before = await editing.during(() => pause(5_000))
  let took = 0
  // Its class joins anew until as many edits are measured as can be told apart.
  const meanwhile = await editing.during(async () => {
    for (let again = 0; again < BARE_CLASSES; again++) {
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
      took += (performance.now() - began) / BARE_CLASSES
      abort.abort()
    }
  })
  editing.end()
  child.kill()
  return { joined: took, before, meanwhile }
}

async function roundTable(people: number) {
  const made = await MadeClass.open(people / 5, 5, [PROMPT])
  const { server } = made
  const other = await made.another(1, 2, [PROMPT])
  const editing = await Editing.start(server.address, other)
  // What the machine alone does to a message meanwhile: this server has nothing else to do.
  const { port, child } = await helperProcess('bench/bare-door.ts')
  const idle = await Editing.atBareServer(`ws://localhost:${port}`)
  asOnDevicesOfTheirOwn()
  const before = await editing.during(() => pause(5_000))
  await server.longestStop()
  const joined: SimulatedParticipant[] = []
  let took = 0
  let atIdle = ''
  const join = async () => {
    const began = performance.now()
    await Promise.all(
      made.names.map(async name => {
        const participant = await SimulatedParticipant.join(server.address, made.joinCode, name)
        joined.push(participant)
        await participant.follow()
      }),
    )
    took = performance.now() - began
  }
  const meanwhile = await editing.during(async () => {
    atIdle = await idle.during(join)
  })
  const stop = await server.longestStop()
  for (const each of joined) each.leave()
  editing.end()
  idle.end()
  child.kill()
  await server.remove()
  return { joined: took, stop, before, meanwhile, atIdle }
}

/** Two who write on a board, in a process of their own: what is measured is not how busy the joining class is. */
class Editing {
  private constructor(private readonly child: ChildProcess) {}

  static async start(address: string, made: MadeClass): Promise<Editing> {
    const child = fork('bench/two-writers.ts', [address, made.joinCode, ...made.names], {
      execArgv: ['--import', 'tsx'],
    })
    await once(child, 'message')
    await made.command({ type: 'send-out', seconds: 3600 })
    await once(child, 'message')
    return new Editing(child)
  }

  static async atBareServer(address: string): Promise<Editing> {
    const child = fork('bench/bare-writers.ts', [address], { execArgv: ['--import', 'tsx'] })
    await once(child, 'message')
    return new Editing(child)
  }

  /** The delays from one writer's edit to the other's copy, for as long as the work takes. */
  async during(work: () => Promise<unknown>): Promise<string> {
    this.child.send('begin')
    await work()
    const told = once(this.child, 'message')
    this.child.send('stop')
    const [delays] = (await told) as [number[]]
    return delayText(delaysOf(delays))
  }

  end(): void {
    this.child.kill()
  }
}
