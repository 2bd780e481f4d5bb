import { DraftRooms, draftOf } from './draft-rooms'

test('a draft says who would be in which room by name', () => {
  const people = [
    { id: 'a', shownName: 'Ana' },
    { id: 'b', shownName: 'Bo' },
    { id: 'c', shownName: 'Chi' },
  ]
  expect(draftOf(['One', 'Two'], [['c'], ['a', 'b']], people)).toEqual([
    { name: 'One', people: ['Chi'] },
    { name: 'Two', people: ['Ana', 'Bo'] },
  ])
  expect(draftOf([], [], people)).toEqual([])
})

test('who listens is told of each draft and of its end, and no more once they have left', () => {
  const draft = new DraftRooms()
  const heard: unknown[] = []
  const leave = draft.subscribe(() => heard.push(draft.now()?.length ?? null))
  draft.set([])
  draft.set([{ name: 'One', people: [] }])
  draft.set(null)
  draft.set(null)
  leave()
  draft.set([])
  expect(heard).toEqual([0, 1, null])
})
