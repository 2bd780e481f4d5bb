import { clock, door, facilitator, Rehearsed } from 'tests/fixtures/rehearsed'
import { CALL_CLOSED, type CallMember, type CallTold } from '~/contracts/call-told'
import { MOST_IN_CALL } from '~/core/live/call/ways'
import { CallRooms, type CallUser } from './call-rooms.server'

/** Calls of a session with Ana and Bo in one room and Chi in another; time is moved by hand. */
function calls(way: 'direct' | 'simulated' = 'direct') {
  const session = new Rehearsed()
  session.join(1, 'ana', 'bo', 'chi')
  session.tell(2, facilitator, { type: 'set-call', way })
  session.sendOut(3)
  let now = 0
  const rooms = new CallRooms(
    () => now,
    () => undefined,
  )
  const enter = (user: CallUser, roomId: string) => {
    const told: CallTold[] = []
    const closed: number[] = []
    const line = { tell: (each: CallTold) => told.push(each), close: (code: number) => closed.push(code) }
    const inCall = rooms.enter('s', roomId, session.state, user, line, [])
    const there = (): CallMember[] => {
      const last = told.findLast(each => each.type === 'members')
      return last?.type === 'members' ? last.members : []
    }
    return { inCall, told, closed, there, names: () => there().map(({ name }) => name) }
  }
  const person = (participantId: string, roomId = 'reeds') => {
    const line = enter({ participantId }, roomId)
    if (typeof line.inCall === 'number') throw new Error(`refused with ${line.inCall}`)
    return { ...line, inCall: line.inCall }
  }
  const tell = (command: Parameters<Rehearsed['tell']>[2], actor = facilitator) => {
    session.tell(9, actor, command)
    rooms.follow('s', session.state)
  }
  const give = (microphone: boolean) => ({ type: 'give', microphone, camera: false, sharing: false }) as const
  const pass = (milliseconds: number) => {
    now += milliseconds
  }
  const spoke = () =>
    Object.values(rooms.of('s')).flatMap(all =>
      all.map(({ participantId, spokeMs }) => [participantId, spokeMs]),
    )
  return { session, rooms, enter, person, tell, give, pass, spoke }
}

test('each hears who is in the call of their own room, what they give, and when they go', () => {
  const { person, give } = calls()
  const [ana, bo, chi] = [person('ana'), person('bo'), person('chi', 'birds')]
  expect([ana.names(), bo.names(), chi.names()]).toEqual([['Ana', 'Bo'], ['Ana', 'Bo'], ['Chi']])
  expect(ana.there()[0]).toMatchObject({ microphone: false, camera: false, sharing: false, speaking: false })
  ana.inCall.hear({ ...give(true), camera: true })
  expect(bo.there()[0]).toMatchObject({ name: 'Ana', microphone: true, camera: true })
  ana.inCall.leave()
  expect(bo.names()).toEqual(['Bo'])
  // Whoever is gone says nothing more.
  ana.inCall.hear(give(true))
  expect([bo.names(), chi.names()]).toEqual([['Bo'], ['Chi']])
})

test('what browsers find each other by goes to the one it is for, in the same room, and to nobody else', () => {
  const { person } = calls()
  const [ana, bo, chi] = [person('ana'), person('bo'), person('chi', 'birds')]
  const signal = { description: { type: 'offer', sdp: 'v=0' } } as const
  for (const to of [bo.inCall.id, chi.inCall.id, 'nobody']) ana.inCall.hear({ type: 'signal', to, signal })
  const heard = (each: typeof ana) => each.told.filter(({ type }) => type === 'signal')
  expect(heard(bo)).toEqual([{ type: 'signal', from: ana.inCall.id, signal }])
  expect([heard(ana), heard(chi)]).toEqual([[], []])
})

test('nobody is in the call of a room they are not in, nor a facilitator who does not visit it', () => {
  const { enter, tell } = calls()
  expect(enter({ participantId: 'ana' }, 'birds').inCall).toBe(CALL_CLOSED.notYours)
  expect(enter({ participantId: 'ana' }, 'nowhere').inCall).toBe(CALL_CLOSED.notYours)
  const marit = { accountId: 'marit', name: 'Marit' }
  expect(enter(marit, 'reeds').inCall).toBe(CALL_CLOSED.notYours)
  tell({ type: 'visit', roomId: 'reeds' })
  const visiting = enter(marit, 'reeds')
  expect(visiting.names()).toEqual(['Marit (facilitator)'])
  tell({ type: 'leave-room' })
  expect(visiting.closed).toEqual([CALL_CLOSED.notYours])
})

test('whoever is moved, called back, or without a call of ours is let go, and the others hear it', () => {
  const { person, tell } = calls()
  const [ana, bo] = [person('ana'), person('bo')]
  tell({ type: 'place', participantId: 'ana', roomId: 'birds' })
  expect([ana.closed, bo.closed, bo.names()]).toEqual([[CALL_CLOSED.notYours], [], ['Bo']])
  const again = person('ana', 'birds')
  tell({ type: 'set-call', way: 'links' })
  expect([again.closed, bo.closed]).toEqual([[CALL_CLOSED.notYours], [CALL_CLOSED.notYours]])
})

test('the end of the session ends all calls, and leaves nothing', () => {
  const { person, tell, rooms } = calls()
  const ana = person('ana')
  tell({ type: 'end' })
  expect(ana.closed).toEqual([CALL_CLOSED.notYours])
  expect(rooms.of('s')).toEqual({})
})

test('on a second page one comes in anew, and is let go on the first', () => {
  const { person } = calls()
  const first = person('ana')
  const second = person('ana')
  expect([first.closed, second.names()]).toEqual([[CALL_CLOSED.elsewhere], ['Ana']])
  // The line of the first breaking now takes nobody out.
  first.inCall.leave()
  expect(second.names()).toEqual(['Ana'])
})

test.each(['direct', 'simulated'] as const)(
  'a %s call takes so many and no more; visitors do not count',
  way => {
    const { session, enter, tell } = calls(way)
    const most = MOST_IN_CALL[way]
    tell({ type: 'visit', roomId: 'reeds' })
    expect(enter({ accountId: 'marit', name: 'Marit' }, 'reeds').closed).toEqual([])
    for (let index = 0; index <= most; index++) {
      const participantId = `p${index}`
      comesIn(session, participantId, `Guest ${index}`)
      session.tell(9, facilitator, { type: 'place', participantId, roomId: 'reeds' })
      const { inCall } = enter({ participantId }, 'reeds')
      expect(inCall === CALL_CLOSED.full).toBe(index === most)
    }
    // Whoever is in may come in anew.
    expect(enter({ participantId: 'p0' }, 'reeds').names()).toHaveLength(most + 1)
  },
)

test('switched off for the room, microphones are off and stay off until they may be switched on again', () => {
  const { person, tell, give } = calls()
  const [ana, bo] = [person('ana'), person('bo')]
  ana.inCall.hear(give(true))
  tell({ type: 'silence-call', roomId: 'reeds', silent: true })
  expect(bo.there()[0]).toMatchObject({ name: 'Ana', microphone: false })
  bo.inCall.hear(give(true))
  expect(ana.there().map(({ microphone }) => microphone)).toEqual([false, false])
  tell({ type: 'silence-call', roomId: null, silent: false })
  bo.inCall.hear(give(true))
  expect(ana.there().map(({ microphone }) => microphone)).toEqual([false, true])
  // Who comes in while they are off is off as well.
  tell({ type: 'silence-call', roomId: null, silent: true })
  const again = person('bo')
  again.inCall.hear(give(true))
  expect(ana.there().map(({ microphone }) => microphone)).toEqual([false, false])
})

test('a visiting facilitator is heard also while the microphones of the room are switched off', () => {
  const { person, enter, tell, give } = calls()
  const ana = person('ana')
  tell({ type: 'visit', roomId: 'reeds' })
  const { inCall } = enter({ accountId: 'marit', name: 'Marit' }, 'reeds')
  if (typeof inCall === 'number') throw new Error(`refused with ${inCall}`)
  inCall.hear(give(true))
  tell({ type: 'silence-call', roomId: 'reeds', silent: true })
  expect(ana.there().map(({ microphone }) => microphone)).toEqual([false, true])
  inCall.hear(give(false))
  inCall.hear(give(true))
  expect(ana.there().map(({ microphone }) => microphone)).toEqual([false, true])
})

test('how long each has spoken is told by our clock, while their microphone is on', () => {
  const { person, give, pass, spoke, tell } = calls()
  const [ana, bo] = [person('ana'), person('bo')]
  const speak = (who: typeof ana, speaking: boolean) => who.inCall.hear({ type: 'speak', speaking })
  // Without a microphone nobody speaks.
  speak(ana, true)
  pass(5_000)
  expect(spoke()).toEqual([
    ['ana', 0],
    ['bo', 0],
  ])
  for (const each of [ana, bo]) each.inCall.hear(give(true))
  speak(ana, true)
  speak(ana, true)
  pass(3_000)
  expect(bo.there()[0]).toMatchObject({ name: 'Ana', speaking: true })
  speak(bo, true)
  pass(1_000)
  expect(spoke()).toEqual([
    ['ana', 4_000],
    ['bo', 1_000],
  ])
  // Off, gone, and called back: what was spoken till then counts.
  ana.inCall.hear(give(false))
  bo.inCall.leave()
  pass(9_000)
  expect(spoke()).toEqual([
    ['ana', 4_000],
    ['bo', 1_000],
  ])
  tell({ type: 'call-back' })
  tell({ type: 'finish-grace' }, clock)
  expect(spoke()).toEqual([
    ['ana', 4_000],
    ['bo', 1_000],
  ])
  tell({ type: 'send-out', seconds: 600 })
  expect(spoke()).toEqual([])
})

test('a name that was taken off the screens is off the call as well', () => {
  const { session, person, tell } = calls()
  comesIn(session, 'guest', 'Loud')
  tell({ type: 'place', participantId: 'guest', roomId: 'reeds' })
  const guest = person('guest')
  expect(guest.names()).toEqual(['Loud'])
  tell({ type: 'hide-name', participantId: 'guest' })
  expect(guest.names()).not.toContain('Loud')
})

/** Somebody who is on no list. */
function comesIn(session: Rehearsed, participantId: string, shownName: string) {
  session.tell(9, door, { type: 'join', participantId, personId: null, shownName })
  session.tell(9, door, { type: 'connect', participantId })
  session.tell(9, facilitator, { type: 'let-in', participantIds: [participantId] })
}
