import { performance } from 'node:perf_hooks'
import { MadeClass } from './made-class'
import { pause } from './numbers'

const BROADCASTS = 5

/**
 * What it costs that pages say what they have shown: 500 people in 100 rooms get broadcasts, and each page says within 4 s, as
 * browsers do, that it was seen; against the same with nobody saying so.
 */
export async function seen(): Promise<void> {
  const made = await MadeClass.open(100, 5, [{ id: 'c', kind: 'cards', text: 'Cards?', settings: {} }])
  const people = await made.allJoined()
  await made.command({ type: 'send-out', seconds: 3600 })
  await Promise.all(people.map(each => each.until(view => view.whereabouts.where === 'room')))
  for (const says of [false, true]) {
    const stops: number[] = []
    const counted: number[] = []
    for (let number = 0; number < BROADCASTS; number++) {
      const text = `${says} ${number}`
      await pause(1_000)
      await made.server.longestStop()
      await made.command({ type: 'broadcast', text })
      await Promise.all(
        people.map(async each => {
          const view = await each.until(({ messages }) => messages.at(-1)?.text === text)
          const messageId = view.messages.at(-1)?.id ?? ''
          await pause(800 + Math.random() * 3_000)
          const began = performance.now()
          if (says) await each.ask({ type: 'see-messages', messageIds: [messageId] })
          counted.push(performance.now() - began)
        }),
      )
      stops.push(await made.server.longestStop())
    }
    counted.sort((one, other) => one - other)
    const p95 = counted[Math.floor(counted.length * 0.95)] ?? 0
    console.log(
      `${says ? 'saying what was seen' : 'saying nothing      '}: the server's thread held for ${Math.max(...stops).toFixed(0)} ms at the longest` +
        (says ? `, each answered in ${p95.toFixed(0)} ms at p95` : ''),
    )
  }
  for (const each of people) each.leave()
  await made.server.remove()
}
