import { jest } from '@jest/globals'
import { hash } from 'bcryptjs'
import { PgSelectBase } from 'drizzle-orm/pg-core'
import { account, value } from 'tests/fixtures/class'
import { memoryDatabase } from 'tests/fixtures/database'
import { accounts, signIns } from '../db/schema.server'
import { createLimits } from '../limits.server'
import { stopWorkThread } from '../work/work-thread.server'
import { changePassword, createAccount, createFirstAccount, listAccounts, signIn } from './accounts.server'
import { accountOf, listSignIns, signOut, signOutEverywhere, whileSignedIn } from './sign-ins.server'

/** A browser that has never been signed in. */
const from = (address: string) => ({ address, browser: null })

/** However long looking at passwords takes, no wait is over meanwhile. */
const atOneMoment = () => jest.spyOn(performance, 'now').mockReturnValue(performance.now())

let memory: Awaited<ReturnType<typeof memoryDatabase>>
beforeEach(async () => {
  memory = await memoryDatabase()
})
afterEach(() => {
  jest.restoreAllMocks()
  return memory.close()
})
afterAll(stopWorkThread)

const form = { email: 'marit@school.example', displayName: 'Marit', password: 'long enough' }

test('the first account is made once, also when two ask at the same moment', async () => {
  const made = await Promise.all([
    createFirstAccount(memory.db, form),
    createFirstAccount(memory.db, { ...form, email: 'other@school.example' }),
  ])
  expect(made.filter(each => each.ok)).toHaveLength(1)
  expect(await listAccounts(memory.db)).toHaveLength(1)
})

test('an address has one account, and its password is not kept as it was typed', async () => {
  await account(memory.db)
  expect(await createAccount(memory.db, form)).toEqual({ ok: false, problem: { code: 'email-taken' } })
  const { rows } = (await memory.db.execute('select * from accounts')) as unknown as {
    rows: { password_hash: string }[]
  }
  expect(rows[0]?.password_hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/)
})

test('a password kept the old way opens the account, and is kept the new way from then on', async () => {
  await account(memory.db)
  const passwordHash = await hash('old and long enough', 4)
  await memory.db.update(accounts).set({ passwordHash })
  const wrong = { ...form, password: 'old and wrong' }
  expect(await signIn(memory.db, createLimits(), wrong, from('10.0.0.1'))).toMatchObject({ ok: false })
  expect((await memory.db.select().from(accounts))[0]?.passwordHash).toBe(passwordHash)
  for (let time = 0; time < 2; time++) {
    value(
      await signIn(memory.db, createLimits(), { ...form, password: 'old and long enough' }, from('10.0.0.1')),
    )
    expect((await memory.db.select().from(accounts))[0]?.passwordHash).toMatch(/^\$argon2id\$/)
  }
})

test('signing in gives a token that stands for the account until it is signed out; only its hash is kept', async () => {
  await account(memory.db)
  const { token } = value(await signIn(memory.db, createLimits(), form, from('10.0.0.1')))
  expect(await accountOf(memory.db, token)).toMatchObject({ email: form.email, displayName: 'Marit' })
  expect(JSON.stringify(await memory.db.select().from(signIns))).not.toContain(token)
  await signOut(memory.db, token)
  expect(await accountOf(memory.db, token)).toBeNull()
})

test('a sign-in that was just looked up still runs out, and ends when it is signed out', async () => {
  await account(memory.db)
  const { token } = value(await signIn(memory.db, createLimits(), form, from('10.0.0.1')))
  const first = await accountOf(memory.db, token)
  // Known for a moment: the row is not read again.
  await memory.db.delete(signIns)
  expect(await accountOf(memory.db, token)).toEqual(first)
  await signOutEverywhere(memory.db, first?.id ?? '')
  expect(await accountOf(memory.db, token)).toBeNull()
})

test('a look-up whose answer comes after the sign-out is not believed', async () => {
  await account(memory.db)
  const { token } = value(await signIn(memory.db, createLimits(), form, from('10.0.0.1')))
  // The first answer is of the time before, and comes once it is let go.
  let letGo = () => undefined as unknown
  const gate = new Promise(resolve => {
    letGo = () => resolve(null)
  })
  const { then } = PgSelectBase.prototype
  jest.spyOn(PgSelectBase.prototype, 'then').mockImplementationOnce(function (this: object, done, failed) {
    const answer = new Promise<never>((resolve, reject) => then.call(this, resolve as never, reject))
    return gate.then(() => answer).then(done, failed)
  })
  const asked = accountOf(memory.db, token)
  await signOut(memory.db, token)
  letGo()
  expect(await asked).toBeNull()
  expect(await accountOf(memory.db, token)).toBeNull()
})

test('a token that has run out, is made up or missing stands for nobody', async () => {
  await account(memory.db)
  const { token } = value(await signIn(memory.db, createLimits(), form, from('10.0.0.1')))
  await memory.db.update(signIns).set({ expiresAt: new Date(Date.now() - 1) })
  expect(await accountOf(memory.db, token)).toBeNull()
  expect(await accountOf(memory.db, 'made-up')).toBeNull()
  expect(await accountOf(memory.db, null)).toBeNull()
})

test('wrong passwords make one wait, longer each time; the owner elsewhere, a browser known before and others do not', async () => {
  await account(memory.db)
  await account(memory.db, 'tobias@school.example')
  const limits = createLimits()
  const { browser } = value(await signIn(memory.db, limits, form, from('10.0.0.1')))
  const wrong = { ...form, password: 'wrong' }
  atOneMoment()
  const outcomes = []
  for (let tries = 0; tries < 8; tries++)
    outcomes.push(await signIn(memory.db, limits, wrong, from('10.0.0.1')))
  const codes = outcomes.map(outcome => (outcome.ok ? 'in' : outcome.problem.code))
  expect(codes).toEqual([...Array(6).fill('wrong'), 'too-many-tries', 'too-many-tries'])
  const right = (address: string, known: string | null = null) =>
    signIn(memory.db, limits, form, { address, browser: known })
  expect(await right('10.0.0.1')).toMatchObject({ problem: { code: 'too-many-tries', seconds: 2 } })
  expect(await right('10.0.0.1', 'made up')).toMatchObject({ ok: false })
  expect(await right('10.0.0.1', browser)).toMatchObject({ ok: true, value: { browser } })
  expect(await right('10.0.0.2')).toMatchObject({ ok: true })
  const tobias = { ...form, email: 'tobias@school.example' }
  // A browser known for one account is not known for another.
  expect(await signIn(memory.db, limits, tobias, { address: '10.0.0.1', browser })).toMatchObject({
    ok: true,
  })
})

test('of sixty who try at the same moment no more are looked at than of those one after another', async () => {
  await account(memory.db)
  const limits = createLimits()
  atOneMoment()
  const tries = Array.from({ length: 60 }, () =>
    signIn(memory.db, limits, { ...form, password: 'wrong' }, from('10.0.0.1')),
  )
  const looked = (await Promise.all(tries)).filter(
    ({ ok, ...rest }) => !ok && JSON.stringify(rest).includes('"wrong"'),
  )
  expect(looked).toHaveLength(6)
})

test('an unknown address is refused like a wrong password', async () => {
  expect(await signIn(memory.db, createLimits(), form, from('10.0.0.1'))).toEqual({
    ok: false,
    problem: { code: 'wrong' },
  })
})

test('what is held open by a sign-in ends with it, and with it alone, also when it was just being opened', async () => {
  await account(memory.db)
  const limits = createLimits()
  const one = value(await signIn(memory.db, limits, form, from('10.0.0.1'))).token
  const other = value(await signIn(memory.db, limits, form, from('10.0.0.2'))).token
  const who = await accountOf(memory.db, one)
  if (!who) throw new Error('Not signed in.')
  const ended: string[] = []
  const hold = (name: string, token: string) => whileSignedIn(memory.db, token, who, () => ended.push(name))
  hold('stream', one)
  hold('let go', one)()
  hold('elsewhere', other)
  await signOut(memory.db, one)
  expect(ended).toEqual(['stream'])
  hold('too late', one)
  await new Promise(resolve => setTimeout(resolve, 50))
  expect(ended).toEqual(['stream', 'too late'])
  await signOutEverywhere(memory.db, who.id)
  expect(ended).toEqual(['stream', 'too late', 'elsewhere'])
})

test('one sees where one is signed in, by what the browser calls itself', async () => {
  await account(memory.db)
  const agent = 'Mozilla/5.0 (X11; Linux x86_64; rv:128.0) Gecko/20100101 Firefox/128.0'
  const here = value(await signIn(memory.db, createLimits(), form, { ...from('10.0.0.1'), agent })).token
  await signIn(memory.db, createLimits(), form, { ...from('10.0.0.2'), agent: `odd ${'x'.repeat(9_000)}` })
  const [{ id } = { id: '' }] = await listAccounts(memory.db)
  const listed = await listSignIns(memory.db, id, here)
  expect(listed.map(({ browser, isHere }) => [browser, isHere]).sort()).toEqual([
    ['', false],
    ['Firefox on Linux', true],
  ])
})

test('a password is changed by who says the one they have; the browser that did so stays, all others are out', async () => {
  await account(memory.db)
  const limits = createLimits()
  const here = value(await signIn(memory.db, limits, form, from('10.0.0.1'))).token
  const there = value(await signIn(memory.db, limits, form, from('10.0.0.2'))).token
  const who = await accountOf(memory.db, here)
  if (!who) throw new Error('Not signed in.')
  const change = (password: string) =>
    changePassword(memory.db, limits, who, { password, newPassword: 'longer than before' }, here)
  expect(await change('wrong')).toMatchObject({ problem: { code: 'wrong' } })
  value(await change(form.password))
  expect([await accountOf(memory.db, here), await accountOf(memory.db, there)]).toEqual([who, null])
  expect((await signIn(memory.db, limits, form, from('10.0.0.3'))).ok).toBe(false)
  const again = { ...form, password: 'longer than before' }
  expect((await signIn(memory.db, limits, again, from('10.0.0.4'))).ok).toBe(true)
  // Guessing is slowed as at the door.
  const guesses = []
  for (let guess = 0; guess < 30; guess++) guesses.push(await change('wrong again'))
  expect(guesses.at(-1)).toMatchObject({ problem: { code: 'too-many-tries' } })
})
