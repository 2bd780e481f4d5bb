// Starts Round Table: the built server, or, with NODE_ENV=development, the sources through Vite.
import { readFileSync } from 'node:fs'
import { createServer } from 'node:http'
import { createServer as createSecureServer } from 'node:https'
import { resolve } from 'node:path'
import { monitorEventLoopDelay } from 'node:perf_hooks'

// Relative folders and files are meant from where the command was given; everything else lies beside this file.
for (const name of ['DATA_FOLDER', 'TLS_CERTIFICATE', 'TLS_KEY'])
  if (process.env[name]) process.env[name] = resolve(process.env[name])
process.chdir(import.meta.dirname)
const developing = process.env.NODE_ENV === 'development'
if (!developing) process.env.NODE_ENV = 'production'

// The server speaks HTTPS itself when it is given a certificate; whether both files are named is looked at with the settings.
const { TLS_CERTIFICATE, TLS_KEY } = process.env
const isSecure = Boolean(TLS_CERTIFICATE && TLS_KEY)
const server = isSecure ? secureServer() : createServer()
const vite = developing ? await startVite() : undefined
const main = vite ? await vite.ssrLoadModule('/src/start.server.ts') : await import('./build/server/index.js')

let settings
let roundTable
try {
  settings = main.readSettings(process.env)
  roundTable = await main.startRoundTable({
    settings,
    development: vite?.middlewares,
    build: vite && (() => vite.ssrLoadModule('virtual:react-router/server-build')),
  })
} catch (error) {
  const expected = settings === undefined || ['FolderInUseError', 'DataFolderError'].includes(error?.name)
  console.error(expected ? error.message : error)
  process.exit(1)
}

server.on('request', roundTable.handler)
server.on('upgrade', (request, socket, head) => {
  const protocol = request.headers['sec-websocket-protocol']
  if (vite && (protocol === 'vite-hmr' || protocol === 'vite-ping')) return
  roundTable.upgrade(request, socket, head)
})
server.on('error', error => {
  const taken = error.code === 'EADDRINUSE'
  console.error(taken ? `Port ${settings.port} is taken. Choose another one with PORT=...` : error)
  roundTable.stop().finally(() => process.exit(1))
})
server.listen(settings.port, () => {
  const { port } = server.address()
  const address = settings.publicAddress ?? `http${isSecure ? 's' : ''}://localhost:${port}`
  const { filled, startWord } = roundTable
  console.log(`Round Table is open at ${address}`)
  if (filled) sayDemo(filled)
  // Only who can read this makes the first account: the page alone is open to everybody.
  if (startWord) console.log(`  Make the first account at ${address}/first-run?word=${startWord}`)
  process.send?.({ ready: true, port, demo: filled, startWord })
})

// Tests walk through an evening in seconds: the process that started this one may move the clock.
if (process.env.TEST_CLOCK === '1') {
  const stops = monitorEventLoopDelay({ resolution: 1 })
  let longestWork
  process.on('message', async ({ moveClock, longestStop }) => {
    if (Number.isFinite(moveClock)) {
      await roundTable.moveClock(moveClock)
      process.send?.({ moved: moveClock })
    }
    // How long this thread has not come round at the longest since it was last asked, and how long it worked at the longest
    // before it did, without the time in which others had the processors; in milliseconds.
    if (longestStop) {
      process.send?.({ longestStop: stops.max / 1e6, longestWork: longestWork?.() })
      longestWork ??= followWork()
      stops.enable()
      stops.reset()
    }
  })
}

/** Follows from now on what the thread works between two looks; gives the longest since it was last asked. */
function followWork() {
  let [before, longest] = [timeWorked(), 0]
  setInterval(() => {
    const now = timeWorked()
    longest = Math.max(longest, now - before)
    before = now
  }, 5).unref()
  return () => {
    const since = longest
    longest = 0
    return since
  }
}

/** How long this thread had a processor so far, in milliseconds (`schedstat` of Linux); NaN where nothing says so. */
function timeWorked() {
  try {
    return Number(readFileSync(`/proc/self/task/${process.pid}/schedstat`, 'utf8').split(' ')[0]) / 1e6
  } catch {
    return Number.NaN
  }
}

// A certificate that was renewed is taken up without anybody noticing; one that can't be used leaves the one before.
if (isSecure)
  process.on('SIGHUP', () => {
    try {
      server.setSecureContext(keyAndCertificate())
    } catch (error) {
      console.error(`The renewed certificate can't be used: ${error.message}`)
    }
  })

let stopping = false
for (const signal of ['SIGTERM', 'SIGINT']) process.on(signal, stop)

/** Lets requests finish, ends streams and sockets, and closes the database, so that nothing is half written. */
async function stop() {
  if (stopping) return
  stopping = true
  const deadline = setTimeout(() => process.exit(1), 10_000)
  deadline.unref()
  server.close()
  server.closeIdleConnections()
  setTimeout(() => server.closeAllConnections(), 500).unref()
  await roundTable.stop()
  await vite?.close()
  console.log('Round Table has stopped.')
  process.exit(0)
}

function secureServer() {
  try {
    return createSecureServer(keyAndCertificate())
  } catch (error) {
    console.error(`The certificate can't be used: ${error.message}`)
    process.exit(1)
  }
}

function keyAndCertificate() {
  return { cert: readFileSync(TLS_CERTIFICATE), key: readFileSync(TLS_KEY) }
}

function sayDemo({ accounts, password, joinCode }) {
  console.log(`  Sign in as ${accounts.join(' or ')} with the password ${password}`)
  console.log(`  Participants join with the code ${joinCode}, once the session of tonight is opened`)
}

async function startVite() {
  const { createServer: createVite } = await import('vite')
  return createVite({ server: { middlewareMode: true, hmr: { server } }, appType: 'custom' })
}
