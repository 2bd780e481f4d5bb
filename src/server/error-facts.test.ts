import { DrizzleQueryError } from 'drizzle-orm/errors'
import { errorFacts } from './error-facts.server'

test('a failed query is logged without what was in it', () => {
  const cause = Object.assign(new Error('duplicate key value violates unique constraint'), { code: '23505' })
  const facts = errorFacts(new DrizzleQueryError('insert into people values ($1)', ['Ana Pereira'], cause))
  expect(JSON.stringify(facts)).not.toContain('Ana')
  expect(facts).toMatchObject({ query: 'insert into people values ($1)', code: '23505' })
})

test('any other error is logged with its place', () => {
  expect(errorFacts(new TypeError('no'))).toMatchObject({
    name: 'TypeError',
    message: 'no',
    stack: expect.any(String),
  })
  expect(errorFacts('text')).toEqual({ name: 'string' })
})
