import * as Y from 'yjs'
import { addCard } from '../cards/document'
import { readFileRemarks, setSpot, spotText } from './document'

test.each([
  ['pdf', 3, 'page 3'],
  ['sound', 0, '0:00'],
  ['video', 65, '1:05'],
  ['video', 3_605, '1:00:05'],
] as const)('in a %s %i is %s', (is, spot, text) => {
  expect(spotText(is, spot)).toBe(text)
})

test('a remark is at a whole page or second, and one that says anything else is on the whole', () => {
  const doc = new Y.Doc()
  for (const id of ['a', 'b', 'c']) addCard(doc, 'p', id, id)
  setSpot(doc, 'p', 'a', 12.9)
  setSpot(doc, 'p', 'b', -4)
  setSpot(doc, 'p', 'nobody', 4)
  doc.getArray<Y.Map<unknown>>('cards:p').get(2).set('spot', '1e9')
  expect(readFileRemarks(doc, 'p').map(({ spot }) => spot)).toEqual([12, 0, null])
})
