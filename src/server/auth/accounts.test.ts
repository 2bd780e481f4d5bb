import { hash } from 'bcryptjs'
import { account, value } from 'tests/fixtures/class'
import { memoryDatabase } from 'tests/fixtures/database'
import { accounts, signIns } from '../db/schema.server'
import { createLimits } from '../limits.server'
import { stopWorkThread } from '../work/work-thread.server'
import {
  accountOf,
  createAccount,
  createFirstAccount,
  listAccounts,
  signIn,
  signOut,
  signOutEverywhere,
} from './accounts.server'

let memory: Awaited<ReturnType<typeof memoryDatabase>>
beforeEach(async () => {
  memory = await memoryDatabase()
})
afterEach(() => memory.close())
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
  expect(await signIn(memory.db, createLimits(), wrong, '10.0.0.1')).toMatchObject({ ok: false })
  expect((await memory.db.select().from(accounts))[0]?.passwordHash).toBe(passwordHash)
  for (let time = 0; time < 2; time++) {
    value(await signIn(memory.db, createLimits(), { ...form, password: 'old and long enough' }, '10.0.0.1'))
    expect((await memory.db.select().from(accounts))[0]?.passwordHash).toMatch(/^\$argon2id\$/)
  }
})

test('signing in gives a token that stands for the account until it is signed out; only its hash is kept', async () => {
  await account(memory.db)
  const { token } = value(await signIn(memory.db, createLimits(), form, '10.0.0.1'))
  expect(await accountOf(memory.db, token)).toMatchObject({ email: form.email, displayName: 'Marit' })
  expect(JSON.stringify(await memory.db.select().from(signIns))).not.toContain(token)
  await signOut(memory.db, token)
  expect(await accountOf(memory.db, token)).toBeNull()
})

test('a sign-in that was just looked up still runs out, and ends when it is signed out', async () => {
  await account(memory.db)
  const { token } = value(await signIn(memory.db, createLimits(), form, '10.0.0.1'))
  const first = await accountOf(memory.db, token)
  // Known for a moment: the row is not read again.
  await memory.db.delete(signIns)
  expect(await accountOf(memory.db, token)).toEqual(first)
  await signOutEverywhere(memory.db, first?.id ?? '')
  expect(await accountOf(memory.db, token)).toBeNull()
})

test('a token that has run out, is made up or missing stands for nobody', async () => {
  await account(memory.db)
  const { token } = value(await signIn(memory.db, createLimits(), form, '10.0.0.1'))
  await memory.db.update(signIns).set({ expiresAt: new Date(Date.now() - 1) })
  expect(await accountOf(memory.db, token)).toBeNull()
  expect(await accountOf(memory.db, 'made-up')).toBeNull()
  expect(await accountOf(memory.db, null)).toBeNull()
})

test('after eight failures even the right password has to wait there; its owner elsewhere and others do not', async () => {
  await account(memory.db)
  await account(memory.db, 'tobias@school.example')
  const limits = createLimits()
  for (let tries = 0; tries < 8; tries++) {
    expect(await signIn(memory.db, limits, { ...form, password: 'wrong' }, '10.0.0.1')).toEqual({
      ok: false,
      problem: { code: 'wrong' },
    })
  }
  expect(await signIn(memory.db, limits, form, '10.0.0.1')).toMatchObject({
    ok: false,
    problem: { code: 'too-many-tries' },
  })
  expect(await signIn(memory.db, limits, form, '10.0.0.2')).toMatchObject({ ok: true })
  expect(
    await signIn(memory.db, limits, { ...form, email: 'tobias@school.example' }, '10.0.0.1'),
  ).toMatchObject({ ok: true })
})

test('guessing one account from many addresses is slowed down as well', async () => {
  const { signIn: limit } = createLimits()
  const keys = (address: string) => [`a@b.example from ${address}`, address, 'a@b.example']
  for (let tries = 0; tries < 100; tries++) await limit.failed(...keys(`10.0.0.${tries}`))
  expect(await limit.secondsToWait(...keys('10.0.1.1'))).toBeGreaterThan(0)
  expect(await limit.secondsToWait('c@b.example from 10.0.1.1', '10.0.1.1', 'c@b.example')).toBe(0)
})

test('an unknown address is refused like a wrong password', async () => {
  expect(await signIn(memory.db, createLimits(), form, '10.0.0.1')).toEqual({
    ok: false,
    problem: { code: 'wrong' },
  })
})
