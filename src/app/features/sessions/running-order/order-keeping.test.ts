import type { Answer } from '../../../live-client/ask'
import { OrderKeeping } from './order-keeping'

/** A server that answers when it is told to. */
function server() {
  const sent: { order: unknown; answer: (answer: Answer) => void }[] = []
  const keeping = new OrderKeeping(
    '/order',
    (_address, order) => new Promise(answer => sent.push({ order, answer })),
  )
  const settle = async (answer: Answer) => {
    sent.at(-1)?.answer(answer)
    await new Promise(done => setTimeout(done))
  }
  return { keeping, sent, settle }
}

test('one at a time, and of those that wait only the last: an earlier one never comes after a later', async () => {
  const { keeping, sent, settle } = server()
  expect(keeping.state()).toBe('as it was')
  for (const order of [{ n: 1 }, { n: 2 }, { n: 3 }]) keeping.keep(order)
  expect(sent.map(({ order }) => order)).toEqual([{ n: 1 }])
  expect(keeping.state()).toBe('saving')
  await settle({ ok: true })
  expect(sent.map(({ order }) => order)).toEqual([{ n: 1 }, { n: 3 }])
  expect(keeping.state()).toBe('saving')
  await settle({ ok: true })
  expect(keeping.state()).toBe('saved')
})

test('what could not be kept says why; a later change goes in its place', async () => {
  const { keeping, sent, settle } = server()
  keeping.keep({ n: 1 })
  await settle({ ok: false, message: 'Not now.' })
  expect(keeping.state()).toEqual({ problem: 'Not now.' })
  keeping.keep({ n: 2 })
  expect(sent.at(-1)?.order).toEqual({ n: 2 })
  await settle({ ok: true })
  expect(keeping.state()).toBe('saved')
  expect(sent).toHaveLength(2)
})
