// Two sockets at the bare server: one sends as long as it is asked to, and says how long the other took to hear each message.
import { once } from 'node:events'
import { performance } from 'node:perf_hooks'
import { WebSocket } from 'ws'
import { pause } from './numbers'

const EDIT_EVERY_MS = 100
const [address = ''] = process.argv.slice(2)
const [from, to] = [new WebSocket(address), new WebSocket(address)] as const
await Promise.all([once(from, 'open'), once(to, 'open')])
process.send?.('ready')

let running = false
process.on('message', async asked => {
  running = asked === 'begin'
  if (!running) return
  const delays: number[] = []
  while (running) {
    const began = performance.now()
    const came = once(to, 'message')
    from.send('an edit of some bytes')
    await came
    delays.push(performance.now() - began)
    await pause(EDIT_EVERY_MS)
  }
  process.send?.(delays)
})
