import { rmSync, writeFileSync } from 'node:fs'
import { PREPARED_COOKIES, PREPARED_DEMO, signedInCookies, TestServer } from './server'

/** Loads the demo once, and signs its accounts in: doing so for every test would take most of the time. */
export default async function prepareDemo(): Promise<void> {
  // The database's code is compiled quickly, not well: compiling it well takes longer than a walk has of it.
  process.env.SERVER_ARGV ??= '--liftoff-only'
  rmSync(PREPARED_DEMO, { recursive: true, force: true })
  const server = TestServer.on(PREPARED_DEMO)
  await server.start()
  const accounts = server.demo?.accounts ?? []
  const cookies = await Promise.all(accounts.map((_, account) => signedInCookies(server, account)))
  writeFileSync(PREPARED_COOKIES, JSON.stringify(cookies))
  await server.end('SIGTERM')
}
