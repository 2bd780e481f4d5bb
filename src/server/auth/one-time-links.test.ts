import { account, value } from 'tests/fixtures/class'
import { memoryDatabase } from 'tests/fixtures/database'
import { moveClock } from '../clock.server'
import { oneTimeLinks } from '../db/schema.server'
import { createLimits } from '../limits.server'
import { remove } from '../removals/removals.server'
import { createAccount, signIn } from './accounts.server'
import { holderOf, makeOneTimeLink, spendOneTimeLink } from './one-time-links.server'
import { type Account, accountOf } from './sign-ins.server'

let memory: Awaited<ReturnType<typeof memoryDatabase>>
let marit: Account
let tobias: Account
beforeEach(async () => {
  memory = await memoryDatabase()
  marit = await account(memory.db)
  tobias = await account(memory.db, 'tobias@school.example')
})
afterEach(() => memory.close())

const from = { address: '10.0.0.1', browser: null }
const withPassword = (password: string) =>
  signIn(memory.db, createLimits(), { email: tobias.email, password }, from)
const linkFor = async (accountId: string) => value(await makeOneTimeLink(memory.db, marit, accountId)).token

test('whoever holds it chooses the password, once; whoever was signed in with the old one is out', async () => {
  const before = value(await withPassword('long enough'))
  const token = await linkFor(tobias.id)
  expect(await holderOf(memory.db, token)).toEqual(tobias)
  expect(await spendOneTimeLink(memory.db, token, 'tobias.school1')).toEqual({
    ok: false,
    problem: { code: 'weak', why: 'name' },
  })
  expect(value(await spendOneTimeLink(memory.db, token, 'chosen by Tobias'))).toEqual(tobias)
  expect(await accountOf(memory.db, before.token)).toBeNull()
  expect((await withPassword('long enough')).ok).toBe(false)
  expect((await withPassword('chosen by Tobias')).ok).toBe(true)
  await expect(holderOf(memory.db, token)).rejects.toThrow('This link is not here.')
  await expect(spendOneTimeLink(memory.db, token, 'chosen by somebody else')).rejects.toThrow()
  expect((await withPassword('chosen by Tobias')).ok).toBe(true)
})

test('of two who use it at the same moment one is too late', async () => {
  const token = await linkFor(tobias.id)
  const used = await Promise.allSettled(
    ['the first password', 'the other password'].map(each => spendOneTimeLink(memory.db, token, each)),
  )
  expect(used.map(({ status }) => status).toSorted()).toEqual(['fulfilled', 'rejected'])
  const winner = used[0]?.status === 'fulfilled' ? 'the first password' : 'the other password'
  expect((await withPassword(winner)).ok).toBe(true)
})

test('a later one takes the place of the first; the token itself is not kept', async () => {
  const first = await linkFor(tobias.id)
  const second = await linkFor(tobias.id)
  await expect(holderOf(memory.db, first)).rejects.toThrow()
  expect(await holderOf(memory.db, second)).toEqual(tobias)
  expect(JSON.stringify(await memory.db.select().from(oneTimeLinks))).not.toContain(second)
})

test('it works for a day, not for one’s own account, and not once the account is removed', async () => {
  expect(await makeOneTimeLink(memory.db, marit, marit.id)).toEqual({
    ok: false,
    problem: { code: 'own-account' },
  })
  await expect(makeOneTimeLink(memory.db, marit, 'nobody')).rejects.toThrow('This account is not here.')
  const token = await linkFor(tobias.id)
  value(await remove(memory.db, marit, 'account', tobias.id))
  await expect(holderOf(memory.db, token)).rejects.toThrow()
  await expect(spendOneTimeLink(memory.db, token, 'chosen all the same')).rejects.toThrow()
  await expect(makeOneTimeLink(memory.db, marit, tobias.id)).rejects.toThrow()
  const kim = value(await createAccount(memory.db, { email: 'kim@school.example', displayName: 'Kim' }))
  const late = await linkFor(kim.id)
  moveClock(24 * 60 * 60 * 1000 + 1)
  await expect(holderOf(memory.db, late)).rejects.toThrow()
  await expect(spendOneTimeLink(memory.db, late, 'chosen too late')).rejects.toThrow()
})

test('a new account without a password lets nobody in until one was chosen', async () => {
  const made = value(await createAccount(memory.db, { email: 'new@school.example', displayName: 'New' }))
  const tries = ['', 'undefined', 'long enough'].map(password =>
    signIn(memory.db, createLimits(), { email: made.email, password }, from),
  )
  expect((await Promise.all(tries)).map(({ ok }) => ok)).toEqual([false, false, false])
  await spendOneTimeLink(memory.db, await linkFor(made.id), 'chosen at last')
  const right = { email: made.email, password: 'chosen at last' }
  expect((await signIn(memory.db, createLimits(), right, from)).ok).toBe(true)
})
