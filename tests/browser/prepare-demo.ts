import { rmSync } from 'node:fs'
import { PREPARED_DEMO, TestServer } from './server'

/** Loads the demo once; loading it for every test would take most of the time. */
export default async function prepareDemo(): Promise<void> {
  rmSync(PREPARED_DEMO, { recursive: true, force: true })
  const server = TestServer.on(PREPARED_DEMO)
  await server.start()
  await server.end('SIGTERM')
}
