import { existsSync } from 'node:fs'
import { resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { Piscina } from 'piscina'
import type { Tasks } from './tasks.server'

/** The longest a task may take, in milliseconds; the thread is ended then, and the next task gets a new one. */
const LONGEST_MS = 30_000
/** So many tasks wait before others are refused: each holds a list of some megabytes. */
const MOST_WAITING = 16
/** Idle for so long, in milliseconds, the thread is ended: what a large file took is given back only then. */
const IDLE_MS = 5_000
/** Memory the thread may take, in megabytes. */
const MOST_MEMORY_MB = 768

let pool: Piscina | undefined

/** Runs one of the tasks on the work thread. Throws when it took too long, or too many wait. */
export function onWorkThread<Name extends keyof Tasks>(
  name: Name,
  task: Parameters<Tasks[Name]>[0],
): Promise<Awaited<ReturnType<Tasks[Name]>>> {
  pool ??= startPool()
  return pool.run({ name, task }, { signal: AbortSignal.timeout(LONGEST_MS) })
}

/** Folding so many events takes less than asking the thread: some 10 ms with 50 people. */
const FEW_EVENTS = 200

/** Whether what follows from a log may be worked out where it is asked for. */
export const isShort = (log: readonly unknown[]): boolean => log.length <= FEW_EVENTS

/** Ends the thread, if there is one. */
export async function stopWorkThread(): Promise<void> {
  const stopping = pool
  pool = undefined
  await stopping?.destroy()
}

/** The built thread when there is one, otherwise its source (development and tests). */
function startPool(): Piscina {
  const built = resolve('build/threads/work.js')
  const isBuilt = process.env.NODE_ENV === 'production' && existsSync(built)
  const file = isBuilt ? built : resolve('src/server/work/from-source.mjs')
  return new Piscina({
    filename: pathToFileURL(file).href,
    minThreads: 0,
    maxThreads: 1,
    maxQueue: MOST_WAITING,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
  })
}
