import { execFile } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { promisify } from 'node:util'
import { MadeClass } from './made-class'
import { pause } from './numbers'

const PEOPLE = 40
const PROMPT = { id: 'c', kind: 'cards', text: 'Cards?', settings: {} } as const

/**
 * A backup while a session of 40 writes: how long the server's thread did not come round, how long the database did not answer,
 * and how long the whole took. Beside the same session without one.
 */
export async function backup(): Promise<void> {
  const made = await MadeClass.open(PEOPLE / 5, 5, [PROMPT])
  const { server } = made
  const people = await made.atWork()
  const into = mkdtempSync(join(tmpdir(), 'round-table-backups-'))
  const program = () =>
    promisify(execFile)(process.execPath, ['build/threads/backup.js', 'backup'], {
      env: { ...process.env, DATA_FOLDER: server.folder, BACKUP_FOLDER: into },
    })
  for (const [what, work] of [
    ['the session alone', () => pause(5_000)],
    ['a backup', program],
    ['a second backup', program],
  ] as const) {
    await server.longestStop()
    let running = true
    const writing = (async () => {
      for (let turn = 0; running; turn++) {
        await people[turn % PEOPLE]?.writeCard('c', 'A card')
        await pause(20)
      }
    })()
    const answers: number[] = []
    const asking = (async () => {
      while (running) {
        const began = performance.now()
        await (await fetch(`${server.address}/health`)).text()
        answers.push(performance.now() - began)
        await pause(20)
      }
    })()
    const began = performance.now()
    await work()
    const took = performance.now() - began
    running = false
    await Promise.all([writing, asking])
    console.log(
      `${what}: ${took.toFixed(0)} ms; longest stop of the server ${(await server.longestStop()).toFixed(0)} ms (aim: under 100 ms), longest answer of the database ${Math.max(...answers).toFixed(0)} ms`,
    )
  }
  for (const each of people) each.leave()
  await server.remove()
  rmSync(into, { recursive: true })
}
