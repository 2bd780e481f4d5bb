import { jest } from '@jest/globals'
import { CALL_CLOSED, type CallMember, type CallMessage, type CallTold } from '~/contracts/call-told'
import type { Given } from '~/core/live/call/ways'
import { CallFault, type CallMedia, type CallPorts } from './media'
import { type CallSocket, OpenCall } from './open-call'

/** A line whose other end is the test, and a way of calling that notes what it is asked for. */
function line() {
  const sockets: (CallSocket & { said: CallMessage[] })[] = []
  const ports: CallPorts[] = []
  const given: Given[] = []
  const others: string[][] = []
  let closed = 0
  let fault: Error | null = null
  const openSocket = () => {
    const said: CallMessage[] = []
    const socket = {
      said,
      readyState: 1,
      onmessage: null,
      onclose: null,
      send: (data: unknown) => said.push(JSON.parse(String(data))),
      close: () => undefined,
    } as CallSocket & { said: CallMessage[] }
    sockets.push(socket)
    return socket
  }
  const mediaOf = (each: CallPorts): CallMedia => {
    ports.push(each)
    return {
      async give(wanted) {
        if (fault && (wanted.microphone || wanted.camera)) throw fault
        given.push(wanted)
      },
      with: all => others.push(all.map(({ name }) => name)),
      hear: () => undefined,
      close: () => {
        closed += 1
      },
    }
  }
  const call = new OpenCall(openSocket, mediaOf)
  const last = () => sockets.at(-1) as (typeof sockets)[number]
  return {
    call,
    ports,
    given,
    others,
    sockets,
    said: () => last().said,
    closed: () => closed,
    tell: (told: CallTold) => last().onmessage?.({ data: JSON.stringify(told) } as MessageEvent<string>),
    end: (code: number) => last().onclose?.({ code } as CloseEvent),
    failWith: (error: Error | null) => {
      fault = error
    },
  }
}
const member = (id: string, name: string): CallMember => ({
  id,
  participantId: id,
  name,
  microphone: false,
  camera: false,
  sharing: false,
  speaking: false,
})
const welcome: CallTold = { type: 'welcome', you: 'me', iceServers: [] }
const members: CallTold = { type: 'members', members: [member('me', 'Ana'), member('you', 'Bo')] }
const NOTHING = { microphone: false, camera: false, sharing: false }

test('whoever comes in gives nothing, and knows the others', () => {
  const { call, tell, others, given } = line()
  expect(call.getSnapshot().line).toBe('joining')
  tell(welcome)
  tell(members)
  expect(call.getSnapshot()).toMatchObject({ line: 'in', you: 'me', given: NOTHING })
  expect(others).toEqual([['Bo']])
  expect(given).toEqual([])
})

test('what is switched on is asked of the device, and the others are told of it', async () => {
  const { call, tell, given, said } = line()
  tell(welcome)
  await Promise.all([call.give({ microphone: true }), call.give({ camera: true })])
  expect(given.at(-1)).toEqual({ microphone: true, camera: true, sharing: false })
  expect(said().at(-1)).toEqual({ type: 'give', microphone: true, camera: true, sharing: false })
})

test('what the device does not give is off, with why; what was on stays on', async () => {
  const { call, tell, said, failWith } = line()
  tell(welcome)
  await call.give({ sharing: true })
  failWith(new CallFault('No microphone was found.'))
  await call.give({ microphone: true })
  expect(call.getSnapshot()).toMatchObject({
    given: { ...NOTHING, sharing: true },
    problem: 'No microphone was found.',
  })
  expect(said().at(-1)).toEqual({ type: 'give', ...NOTHING, sharing: true })
  failWith(new Error('something else'))
  await call.give({ camera: true })
  expect(call.getSnapshot().problem).toBe('That could not be switched on.')
  failWith(null)
  await call.give({ camera: true })
  expect(call.getSnapshot()).toMatchObject({ problem: null, given: { camera: true } })
})

test('a line that breaks comes back by itself, later each time, with what was given', async () => {
  jest.useFakeTimers()
  const { call, tell, end, sockets, said, closed } = line()
  tell(welcome)
  await call.give({ microphone: true })
  end(1006)
  expect([call.getSnapshot().line, closed()]).toEqual(['lost', 1])
  jest.advanceTimersByTime(1_000)
  expect(sockets).toHaveLength(2)
  end(1006)
  jest.advanceTimersByTime(1_000)
  expect(sockets).toHaveLength(2)
  jest.advanceTimersByTime(1_000)
  expect(sockets).toHaveLength(3)
  jest.useRealTimers()
  tell(welcome)
  await call.give({})
  expect(call.getSnapshot().line).toBe('in')
  expect(said().at(-1)).toMatchObject({ type: 'give', microphone: true })
  call.leave()
})

test.each(['notYours', 'elsewhere', 'full'] as const)(
  'a line that was closed since it is %s stays closed',
  why => {
    const { call, tell, end, closed } = line()
    tell(welcome)
    tell(members)
    end(CALL_CLOSED[why])
    expect(call.getSnapshot()).toMatchObject({ line: 'ended', why, members: [], given: NOTHING })
    expect(closed()).toBe(1)
  },
)

test('whoever leaves gives nothing any more, and does not come back', () => {
  const { call, tell, end, sockets, closed } = line()
  tell(welcome)
  call.leave()
  end(1006)
  expect([closed(), sockets.length, call.getSnapshot().line]).toEqual([1, 1, 'in'])
})
