import { remember, rememberBoth } from './remember'

test('what is made from an object is made once, also when it is nothing', () => {
  let made = 0
  const nothing = remember((_from: object) => {
    made++
    return undefined
  })
  const one = {}
  expect([nothing(one), nothing(one)]).toEqual([undefined, undefined])
  expect(made).toBe(1)
  nothing({})
  expect(made).toBe(2)
})

test('what is made from two is made once for each pair, whichever changes', () => {
  const pair = rememberBoth((one: { a: number }, other: { b: number }) => ({ sum: one.a + other.b }))
  const [one, two, three] = [{ a: 1 }, { a: 2 }, { b: 3 }]
  expect(pair(one, three)).toBe(pair(one, three))
  expect(pair(two, three)).toEqual({ sum: 5 })
  expect(pair(one, { b: 3 })).not.toBe(pair(one, three))
})
