import { clock, facilitator, participant, Rehearsed } from 'tests/fixtures/rehearsed'
import { facilitatorView, participantView } from '../views'

const byAlphabet = { rule: 'alphabet' as const, mayPass: true }
const PEOPLE = [
  { personId: 'p-ana', shownName: 'Ana', roomId: 'reeds' },
  { personId: 'p-bo', shownName: 'Bo', roomId: 'reeds' },
  { personId: 'p-chi', shownName: 'Chi', roomId: 'reeds' },
]
function out(rule: typeof byAlphabet | null = byAlphabet, people: object[] = PEOPLE) {
  const session = new Rehearsed({ people: people as typeof PEOPLE })
  session.join(1, 'ana', 'bo', 'chi')
  session.tell(1, facilitator, { type: 'set-roles', rule })
  session.sendOut(2)
  return session
}
const roles = (session: Rehearsed) => facilitatorView(session.state).roles

test('the earliest first name leads, the latest reports, and the one between writes', () => {
  const session = out()
  expect(roles(session)).toEqual({ ana: 'lead', chi: 'reporter', bo: 'scribe' })
  expect(participantView(session.state, 'bo')?.roles).toEqual({
    roles: expect.arrayContaining([{ id: 'ana', role: 'lead' }]),
    mayPass: true,
  })
})

test('who is trained to lead leads before the alphabet', () => {
  const session = out(byAlphabet, [PEOPLE[0], { ...PEOPLE[1], leads: true }, PEOPLE[2]] as object[])
  expect(roles(session)).toMatchObject({ bo: 'lead' })
})

test('without a rule there are no roles, and after the round none are left', () => {
  expect(roles(out(null))).toEqual({})
  const session = out()
  session.tell(3, facilitator, { type: 'call-back' })
  session.tell(100_000, clock, { type: 'finish-grace' })
  expect(roles(session)).toEqual({})
  expect(participantView(session.state, 'ana')?.roles).toBeNull()
})

test('given by hand in one room, others are told that there are none in theirs', () => {
  const elsewhere = { ...PEOPLE[2], roomId: 'ponds' }
  const session = out(null, [PEOPLE[0], PEOPLE[1], elsewhere] as object[])
  session.tell(3, facilitator, { type: 'give-role', participantId: 'ana', role: 'lead' })
  expect(participantView(session.state, 'bo')?.roles?.roles).toEqual([{ id: 'ana', role: 'lead' }])
  expect(participantView(session.state, 'chi')?.roles).toBeNull()
})

test('by turns nobody leads again before the others have', () => {
  const session = new Rehearsed({ people: PEOPLE })
  session.join(1, 'ana', 'bo', 'chi')
  session.tell(1, facilitator, { type: 'set-roles', rule: { rule: 'turn', mayPass: true } })
  const leads = [1, 2, 3].map(round => {
    session.sendOut(round * 1_000_000)
    const lead = Object.entries(roles(session)).find(([, role]) => role === 'lead')?.[0]
    session.tell(round * 1_000_000 + 1, facilitator, { type: 'call-back' })
    session.tell(round * 1_000_000 + 200_000, clock, { type: 'finish-grace' })
    return lead
  })
  expect(leads.toSorted()).toEqual(['ana', 'bo', 'chi'])
})

test('a role is passed on within the room, against theirs if they have one, and only where that is allowed', () => {
  const session = out()
  const pass = (from: string, toId: string) => session.tell(3, participant(from), { type: 'pass-role', toId })
  expect(pass('ana', 'bo')).toEqual(['role-passed'])
  expect(roles(session)).toEqual({ bo: 'lead', ana: 'scribe', chi: 'reporter' })
  expect(pass('ana', 'ana')).toBe('not-in-your-room')
  expect(pass('ana', 'gone')).toBe('not-in-your-room')
  session.tell(4, facilitator, { type: 'place', participantId: 'chi', roomId: 'birds' })
  expect(pass('chi', 'ana')).toBe('no-role-to-pass')
  expect(pass('ana', 'chi')).toBe('not-in-your-room')
  session.tell(5, facilitator, { type: 'set-roles', rule: { rule: 'alphabet', mayPass: false } })
  expect(pass('ana', 'bo')).toBe('may-not-pass')
  expect(roles(session)).toEqual({ bo: 'lead', ana: 'scribe' })
})

test('what somebody had in a room they left is nobody’s, until a facilitator gives it', () => {
  const session = out()
  session.tell(3, facilitator, { type: 'place', participantId: 'ana', roomId: 'birds' })
  expect(roles(session)).toEqual({ chi: 'reporter', bo: 'scribe' })
  const give = (participantId: string) =>
    session.tell(4, facilitator, { type: 'give-role', participantId, role: 'lead' })
  expect(give('bo')).toEqual(['role-passed'])
  expect(give('bo')).toEqual([])
  expect(roles(session)).toEqual({ chi: 'reporter', bo: 'lead' })
  expect(give('gone')).toBe('no-such-participant')
})

test('set in a round the roles are given at once; the same again changes nothing', () => {
  const session = out(null)
  const set = () => session.tell(3, facilitator, { type: 'set-roles', rule: byAlphabet })
  expect(set()).toEqual(['roles-set', 'roles-given'])
  expect(set()).toEqual([])
  expect(roles(session)).toMatchObject({ ana: 'lead' })
})

test('at random the same log gives the same roles', () => {
  const random = { rule: 'random' as const, mayPass: true }
  expect(roles(out(random as never))).toEqual(roles(out(random as never)))
})

test('whoever is gone, or comes back to the room, has no role that somebody else was given meanwhile', () => {
  for (const leave of [
    (session: Rehearsed) =>
      session.tell(3, facilitator, { type: 'place', participantId: 'ana', roomId: 'birds' }),
    (session: Rehearsed) => session.tell(3, facilitator, { type: 'release', participantId: 'ana' }),
  ]) {
    const session = out()
    leave(session)
    session.tell(4, facilitator, { type: 'give-role', participantId: 'bo', role: 'lead' })
    session.tell(5, facilitator, { type: 'place', participantId: 'ana', roomId: 'reeds' })
    expect(roles(session)).toEqual({ bo: 'lead', chi: 'reporter' })
  }
})

test('when the round is over it is still known who had which role in it, for those who lead', () => {
  const session = new Rehearsed()
  session.tell(1, facilitator, { type: 'set-roles', rule: { rule: 'alphabet', mayPass: true } })
  session.join(1, 'ana', 'bo', 'chi')
  session.sendOut(2)
  const during = facilitatorView(session.state)
  expect(during.rolesBefore).toEqual({})
  session.tell(3, facilitator, { type: 'call-back' })
  session.tell(70_000, clock, { type: 'finish-grace' })
  const after = facilitatorView(session.state)
  expect(after.roles).toEqual({})
  expect(after.rolesBefore).toEqual(during.roles)
  expect(Object.values(after.rolesBefore)).toContain('lead')
  // The next round is another.
  session.sendOut(80_000)
  expect(facilitatorView(session.state).rolesBefore).toEqual(during.roles)
})
