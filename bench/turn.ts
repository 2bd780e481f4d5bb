import { type ChildProcess, spawn } from 'node:child_process'
import { once } from 'node:events'
import { type Browser, chromium, type Page } from '@playwright/test'
import config from '../playwright.config'
import { MadeClass } from './made-class'
import { pause } from './numbers'

const PORT = 34_780
const WORD = 'shared with the TURN server'

/**
 * A call of two phones that reach each other directly, beside one of two that may only do so over a TURN server (coturn, where it is
 * installed as `turnserver`): how long until both stand in it with a line, and by what it goes.
 */
export async function turn(): Promise<void> {
  process.env.CALL_SERVERS = `turn:127.0.0.1:${PORT}?transport=udp`
  process.env.CALL_SECRET = WORD
  const relay = await startRelay()
  const made = await MadeClass.open(2, 2, [{ id: 'c', kind: 'cards', text: 'Cards?', settings: {} }])
  const browser = await chromium.launch(config.use?.launchOptions)
  try {
    const phones: Page[] = []
    for (let place = 0; place < 4; place++) phones.push(await joined(browser, made, place, place >= 2))
    await made.command({ type: 'set-call', way: 'direct' })
    await made.command({ type: 'send-out', seconds: 3600 })
    console.log(`directly: ${await called(phones.slice(0, 2))}`)
    if (relay) console.log(`over a TURN server: ${await called(phones.slice(2))}`)
    else console.log('over a TURN server: not tried, there is no turnserver here')
  } finally {
    await browser.close()
    relay?.kill()
    await made.server.remove()
  }
}

/** The relay, once it listens; null where none is installed. */
async function startRelay(): Promise<ChildProcess | null> {
  const relay = spawn('turnserver', [
    ...['-n', '--no-cli', '--no-tls', '--no-dtls', '--log-file=stdout', '--allow-loopback-peers'],
    ...['--listening-ip=127.0.0.1', '--relay-ip=127.0.0.1', `--listening-port=${PORT}`],
    ...['--use-auth-secret', `--static-auth-secret=${WORD}`, '--realm=round-table.example'],
  ])
  relay.stdout.resume()
  const failed = once(relay, 'error').then(() => true)
  return (await Promise.race([failed, pause(2_000)])) === true ? null : relay
}

async function joined(browser: Browser, made: MadeClass, place: number, onlyRelay: boolean): Promise<Page> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    userAgent: config.use?.userAgent,
  })
  const page = await context.newPage()
  await page.addInitScript(only => {
    const lines: RTCPeerConnection[] = []
    const Own = window.RTCPeerConnection
    Object.assign(window, { lines })
    window.RTCPeerConnection = class extends Own {
      constructor(configuration?: RTCConfiguration) {
        super(only ? { ...configuration, iceTransportPolicy: 'relay' } : configuration)
        lines.push(this)
      }
    }
  }, onlyRelay)
  await page.goto(`${made.server.address}/join/${made.joinCode}`)
  await page.getByRole('button', { name: made.names[place] ?? '' }).click()
  await page.waitForURL(/\/s\//)
  return page
}

/** How long it took, and by which kinds of addresses the line goes. */
async function called(phones: Page[]): Promise<string> {
  for (const phone of phones)
    await phone.getByRole('button', { name: 'Join the call of your room' }).waitFor()
  const began = performance.now()
  for (const phone of phones) await phone.getByRole('button', { name: 'Join the call of your room' }).click()
  const kinds = await Promise.all(
    phones.map(phone =>
      phone.evaluate(async () => {
        const { lines } = window as unknown as { lines: RTCPeerConnection[] }
        const until = performance.now() + 20_000
        while (!lines.some(line => line.connectionState === 'connected') && performance.now() < until)
          await new Promise(resolve => setTimeout(resolve, 20))
        const line = lines.find(each => each.connectionState === 'connected')
        const report = line ? [...(await line.getStats()).values()] : []
        const pair = report.find(each => each.type === 'candidate-pair' && each.nominated)
        return report.find(each => each.id === pair?.localCandidateId)?.candidateType ?? 'none'
      }),
    ),
  )
  return `${Math.round(performance.now() - began)} ms, by ${kinds.join(' and ')}`
}
