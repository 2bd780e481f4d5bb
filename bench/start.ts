import { spawn } from 'node:child_process'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { median } from 'simple-statistics'
import prepareDemo from 'tests/browser/prepare-demo'
import { PREPARED_DEMO, TestServer } from 'tests/browser/server'
import { pause } from './numbers'

const TIMES = 5

/** From starting the process to the first page, on a data folder with the demo in it, beside opening PGlite alone. */
export async function start(): Promise<void> {
  await prepareDemo()
  const folder = mkdtempSync(join(tmpdir(), 'round-table-bench-'))
  cpSync(PREPARED_DEMO, folder, { recursive: true })
  const own: number[] = []
  const bare: number[] = []
  const memory: number[] = []
  for (let time = 0; time < TIMES; time++) {
    bare.push(await openAlone(join(folder, 'postgres')))
    const server = TestServer.on(folder)
    const began = performance.now()
    await server.start({ DEMO: '0' })
    await (await fetch(`${server.address}/sign-in`)).text()
    own.push(performance.now() - began)
    memory.push(await server.megabytes())
    await server.end('SIGTERM')
    await pause(200)
  }
  rmSync(folder, { recursive: true })
  console.log(`PGlite alone, process start to first row: median ${median(bare).toFixed(0)} ms of ${TIMES}`)
  console.log(
    `Round Table, process start to first page: median ${median(own).toFixed(0)} ms of ${TIMES}, ${(median(own) / median(bare)).toFixed(2)}x`,
  )
  console.log(`Resident memory after the first page: median ${median(memory).toFixed(0)} MB`)
}

function openAlone(folder: string): Promise<number> {
  const script = `
    import { PGlite } from '@electric-sql/pglite'
    const database = await PGlite.create({ dataDir: ${JSON.stringify(folder)} })
    await database.query('select count(*) from sessions')
    process.stdout.write('done')
    await database.close()`
  const began = performance.now()
  const child = spawn(process.execPath, ['--input-type=module', '-e', script], {
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  return new Promise(resolve => {
    let took = 0
    child.stdout.once('data', () => {
      took = performance.now() - began
    })
    child.once('exit', () => resolve(took))
  })
}
