import { performance } from 'node:perf_hooks'
import type { QuickQuestion } from '~/core/live/questions/question'
import { MadeClass } from './made-class'
import { pause } from './numbers'

/** All answer within so long, in milliseconds. */
const WITHIN_MS = 5_000

type Ask = { name: string; send: object; answer: (index: number) => number | string[] }
const ASKS: Ask[] = [
  { name: 'A or B, with names', send: { answers: ['', ''] }, answer: index => index % 2 },
  { name: 'A or B, without names', send: { answers: ['', ''], anonymous: true }, answer: index => index % 2 },
  {
    name: 'words, with names',
    send: { answers: [], asks: { is: 'words' } },
    answer: index => [`word ${index % 90}`, `other ${index % 17}`],
  },
]

/** A quick question is answered by 500 people within five seconds: each is counted once, and what that costs the server's thread. */
export async function questions(): Promise<void> {
  const made = await MadeClass.open(100, 5, [{ id: 'c', kind: 'cards', text: 'Cards?', settings: {} }])
  const people = await made.allJoined()
  let before = ''
  for (const { name, send, answer } of ASKS) {
    await pause(1_000)
    await made.server.longestStop()
    await made.command({ type: 'ask-question', text: name, ...send })
    const isNew = (question: QuickQuestion | null) => question !== null && question.id !== before
    const waits = await Promise.all(
      people.map(async (each, index) => {
        const { question } = await each.until(view => isNew(view.question))
        await pause(Math.random() * WITHIN_MS)
        const began = performance.now()
        const { ok } = await each.ask({
          type: 'answer-question',
          questionId: question?.id ?? '',
          answer: answer(index) as number,
        })
        return ok ? performance.now() - began : Number.NaN
      }),
    )
    before = people[0]?.view?.question?.id ?? ''
    await made.command({ type: 'close-question', questionId: before })
    await pause(500)
    const stop = await made.server.longestStop()
    const took = waits.filter(Number.isFinite).sort((one, other) => one - other)
    const page = await made.get(`/sessions/${made.sessionId}/review`)
    const counted = page.includes(`${people.length} answers`)
    console.log(
      `  ${name}: ${took.length} of ${people.length} taken, ${counted ? 'each counted' : 'NOT each counted'}; answered in ${(took[Math.floor(took.length * 0.95)] ?? 0).toFixed(0)} ms at p95; the server's thread held for ${stop.toFixed(0)} ms at the longest`,
    )
  }
  for (const each of people) each.leave()
  await made.server.remove()
}
