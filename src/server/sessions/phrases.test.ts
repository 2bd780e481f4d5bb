import { memoryDatabase } from 'tests/fixtures/database'
import { phraseForm } from '~/contracts/phrases'
import type { Database } from '../db/database.server'
import { accounts, phrases } from '../db/schema.server'
import { changePhrases, MOST_PHRASES, phrasesOf } from './phrases.server'

let db: Database
let close: () => Promise<void>
beforeAll(async () => {
  ;({ db, close } = await memoryDatabase())
  await db
    .insert(accounts)
    .values(
      ['marit', 'tobias'].map(id => ({ id, email: `${id}@example.org`, displayName: id, passwordHash: 'x' })),
    )
})
afterAll(() => close())
beforeEach(() => db.delete(phrases))

const texts = async (account: string) => (await phrasesOf(db, account)).map(({ text }) => text)

test('each keeps their own phrases, each once, by their words, and drops only their own', async () => {
  for (const text of ['Two minutes.', 'Come back.', 'Two minutes.'])
    expect(await changePhrases(db, 'marit', { keep: text })).toBeNull()
  expect(await changePhrases(db, 'tobias', { keep: 'Come back.' })).toBeNull()
  expect([await texts('marit'), await texts('tobias')]).toEqual([
    ['Come back.', 'Two minutes.'],
    ['Come back.'],
  ])
  const [first] = await phrasesOf(db, 'marit')
  await changePhrases(db, 'tobias', { drop: first?.id ?? '' })
  expect(await texts('marit')).toHaveLength(2)
  await changePhrases(db, 'marit', { drop: first?.id ?? '' })
  expect([await texts('marit'), await texts('tobias')]).toEqual([['Two minutes.'], ['Come back.']])
})

test('so many are kept and no more, and it is said why', async () => {
  for (let count = 0; count < MOST_PHRASES; count++) await changePhrases(db, 'marit', { keep: `${count}` })
  expect(await changePhrases(db, 'marit', { keep: 'more' })).toContain(`${MOST_PHRASES} phrases`)
  expect(await texts('marit')).toHaveLength(MOST_PHRASES)
  const atOnce = Array.from({ length: MOST_PHRASES + 2 }, (_, count) => `at once ${count}`)
  const answers = await Promise.all(atOnce.map(keep => changePhrases(db, 'tobias', { keep })))
  expect(answers.filter(problem => problem !== null)).toHaveLength(2)
  expect(await texts('tobias')).toHaveLength(MOST_PHRASES)
})

test('what is empty or longer than can be said is no phrase', () => {
  const may = (keep: string) => phraseForm.safeParse({ keep }).success
  expect([may(' '), may('x'.repeat(501)), may(' Now. ')]).toEqual([false, false, true])
})
