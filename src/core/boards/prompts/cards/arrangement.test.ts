import * as Y from 'yjs'
import { randomStream } from '~/core/random/random'
import { joinHeap, moveCard } from './arrange'
import { Arrangement } from './arrangement'
import {
  addCard,
  cardMap,
  cardsOf,
  cardText,
  isBegunUnder,
  putCardBack,
  readStanding,
  removeCard,
} from './document'

function followed(...texts: string[]) {
  const doc = new Y.Doc()
  for (const text of texts) addCard(doc, 'p', text, text)
  const arrangement = new Arrangement(doc, 'p')
  let told = 0
  const stop = arrangement.follow(() => told++)
  const ids = () => arrangement.get().map(({ id }) => id)
  return { doc, arrangement, ids, told: () => told, stop }
}

test('writing on a card tells nobody and changes nothing', () => {
  const { doc, arrangement, told } = followed('a', 'b')
  const [before, toldBefore] = [arrangement.get(), told()]
  cardText(doc, 'p', 'a')?.insert(0, 'more ')
  expect(told()).toBe(toldBefore)
  expect(arrangement.get()).toBe(before)
})

test('what stays where it was is the same object, and a list in which nothing moved the same list', () => {
  const { doc, arrangement, ids, told } = followed('a', 'b', 'c')
  const [a, b, c] = arrangement.get()
  addCard(doc, 'p', 'd', 'd')
  expect(arrangement.get().slice(0, 3)).toEqual([a, b, c])
  expect(arrangement.get()[0]).toBe(a)
  joinHeap(doc, 'p', 'c', 'b', 'heap')
  expect(arrangement.get()[0]).toBe(a)
  expect(arrangement.get()[2]).not.toBe(c)
  expect(arrangement.get()[2]).toMatchObject({ id: 'c', heap: 'heap', text: c?.text })
  const [list, before] = [arrangement.get(), told()]
  cardMap(doc, 'p', 'a')?.set('something', 'else')
  expect(told()).toBe(before + 1)
  expect(arrangement.get()).toBe(list)
  moveCard(doc, 'p', 'd', 0, 'a')
  expect(ids()).toEqual(['d', 'a', 'b', 'c'])
})

test('cards that are taken away and put back go to the other list and come again', () => {
  const { doc, arrangement, ids } = followed('a', 'b')
  const [a] = arrangement.get()
  removeCard(doc, 'p', 'a')
  expect(ids()).toEqual(['b'])
  expect(arrangement.getRemoved()).toEqual([a])
  putCardBack(doc, 'p', 'a')
  expect(arrangement.get()[0]).toBe(a)
  expect(arrangement.getRemoved()).toEqual([])
})

test('what came while nobody followed is there when somebody does, and nobody is told after the last has stopped', () => {
  const { doc, arrangement, ids, told, stop } = followed('a')
  const second = arrangement.follow(() => undefined)
  stop()
  addCard(doc, 'p', 'b', 'b')
  expect(ids()).toEqual(['a', 'b'])
  const before = told()
  second()
  addCard(doc, 'p', 'c', 'c')
  removeCard(doc, 'p', 'a')
  expect(told()).toBe(before)
  arrangement.follow(() => undefined)
  expect(ids()).toEqual(['b', 'c'])
})

test('after 300 changes of every sort, hostile ones among them, it is what reading all anew gives', () => {
  const { doc, arrangement } = followed('a', 'b', 'c')
  const random = randomStream(7)
  const list = cardsOf(doc, 'p')
  const any = () => {
    const card = list.get(random.below(list.length))
    return card instanceof Y.Map ? String(card.get('id')) : 'a'
  }
  const changes = [
    (step: number) => addCard(doc, 'p', `n${step}`, `text ${step}`, random.below(3)),
    () => moveCard(doc, 'p', any(), random.below(2), any()),
    () => joinHeap(doc, 'p', any(), any(), 'heap'),
    () => removeCard(doc, 'p', any()),
    () => putCardBack(doc, 'p', any()),
    () => cardText(doc, 'p', any())?.insert(0, 'x'),
    () => cardMap(doc, 'p', any())?.set('column', ['1', -1, 2, 1.5][random.below(4)]),
    () => cardMap(doc, 'p', any())?.set('text', 'not shared'),
    () => list.insert(random.below(list.length), ['no card' as unknown as Y.Map<unknown>]),
    () => list.delete(random.below(list.length), 1),
  ]
  for (let step = 0; step < 300; step++) {
    changes[random.below(changes.length)]?.(step)
    expect(arrangement.get()).toEqual(readStanding(doc, 'p'))
  }
})

test('whoever begins a card is known by their number, also from another page, and whoever writes on it is not', () => {
  const { doc, arrangement } = followed('a')
  const other = new Y.Doc()
  Y.applyUpdate(other, Y.encodeStateAsUpdate(doc))
  addCard(other, 'p', 'b', 'b')
  cardText(other, 'p', 'a')?.insert(0, 'more ')
  Y.applyUpdate(doc, Y.encodeStateAsUpdate(other))
  const begunUnder = (writer: number) =>
    arrangement.get().flatMap(card => (isBegunUnder(card, writer) ? [card.id] : []))
  expect([begunUnder(doc.clientID), begunUnder(other.clientID)]).toEqual([['a'], ['b']])
})
