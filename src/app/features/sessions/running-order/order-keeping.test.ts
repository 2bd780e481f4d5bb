import type { PlannedOrder } from '~/core/schedule/merge-orders'
import { newSegment } from '~/core/schedule/running-order'
import type { Answer } from '../../../live-client/ask'
import { OrderKeeping } from './order-keeping'

const FIRST: PlannedOrder = { segments: [newSegment('a', 'rooms')], minutes: 60 }
const named = (name: string, minutes = 60): PlannedOrder => ({
  segments: [{ ...newSegment('a', 'rooms'), name }],
  minutes,
})

/** A page, and a server that answers when it is told to. */
function page() {
  const sent: { order: object; answer: (answer: Answer<{ order: PlannedOrder }>) => void }[] = []
  let now = FIRST
  const keeping = new OrderKeeping(
    '/order',
    FIRST,
    {
      now: () => now,
      onOthers: order => {
        now = order
      },
    },
    (_address, order) => new Promise(answer => sent.push({ order, answer })),
  )
  return {
    keeping,
    sent,
    now: () => now,
    change(order: PlannedOrder) {
      now = order
      keeping.keep()
    },
    async settle(answer: Answer<{ order: PlannedOrder }>) {
      sent.at(-1)?.answer(answer)
      await new Promise(done => setTimeout(done))
    },
  }
}

test('one at a time, and of those that wait only the last: an earlier one never comes after a later', async () => {
  const { keeping, sent, change, settle } = page()
  expect(keeping.state()).toBe('as it was')
  for (const name of ['one', 'two', 'three']) change(named(name))
  expect(sent.map(({ order }) => order)).toEqual([{ ...named('one'), base: FIRST }])
  expect(keeping.state()).toBe('saving')
  await settle({ ok: true, order: named('one') })
  expect(sent.map(({ order }) => order).slice(1)).toEqual([{ ...named('three'), base: named('one') }])
  expect(keeping.state()).toBe('saving')
  await settle({ ok: true, order: named('three') })
  expect(keeping.state()).toBe('saved')
})

test('what could not be kept says why; a later change goes in its place', async () => {
  const { keeping, sent, change, settle } = page()
  change(named('one'))
  await settle({ ok: false, message: 'Not now.' })
  expect(keeping.state()).toEqual({ problem: 'Not now.' })
  change(named('two'))
  expect(sent.at(-1)?.order).toEqual({ ...named('two'), base: FIRST })
  await settle({ ok: true, order: named('two') })
  expect(keeping.state()).toBe('saved')
  expect(sent).toHaveLength(2)
})

test('what another changed comes with the answer, beside what was changed here since it was sent', async () => {
  const { keeping, sent, now, change, settle } = page()
  change(named('one'))
  change(named('two'))
  // Another has given the session ninety minutes.
  await settle({ ok: true, order: named('one', 90) })
  expect(now()).toEqual(named('two', 90))
  expect(sent.at(-1)?.order).toEqual({ ...named('two', 90), base: named('one', 90) })
  await settle({ ok: true, order: named('two', 90) })
  expect([keeping.state(), now()]).toEqual(['saved', named('two', 90)])
})
