import { cloudOf } from './cloud'

test('equal words are one whatever their case, written as most wrote them or small; accents make another', () => {
  expect(
    cloudOf(['Reed', 'reed', ' reed ', 'résumé', 'resume', 'RÉSUMÉ', 'Résumé'.normalize('NFD')]),
  ).toEqual([
    { word: 'reed', count: 3 },
    { word: 'résumé', count: 3 },
    { word: 'resume', count: 1 },
  ])
})

test('spaces inside count once; nothing at all is no word', () => {
  expect(cloudOf(['wet  feet', 'Wet feet', '', '   '])).toEqual([{ word: 'wet feet', count: 2 }])
  expect(cloudOf([])).toEqual([])
})

test('the same words in any order come to the same cloud', () => {
  const words = ['b', 'a', 'c', 'A', 'b', 'ß', 'İ']
  expect(cloudOf(words.toReversed())).toEqual(cloudOf(words))
})
