import { answersGiven } from './question'

const answers = ['yes', 'no'].map(id => ({ id, name: id, min: 1, max: 500 }))
const gave = (personId: string, at: number, ...wishes: string[]) => ({ personId, at, wishes })

test('who answered what, in the order they did; who gave none that still stands is in none', () => {
  const given = [gave('c', 3, 'yes'), gave('a', 1, 'yes'), gave('b', 2, 'gone'), gave('left', 4, 'no')]
  expect(answersGiven(answers, ['a', 'b', 'c', 'd'], given)).toEqual({
    groups: [
      { topicId: 'yes', personIds: ['a', 'c'] },
      { topicId: 'no', personIds: [] },
    ],
    unplacedIds: ['b', 'd'],
    ranks: new Map([
      ['a', 1],
      ['b', null],
      ['c', 1],
      ['d', null],
    ]),
  })
})

test('nobody asked, nothing answered', () => {
  expect(answersGiven(answers, [], [])).toMatchObject({ unplacedIds: [] })
})
