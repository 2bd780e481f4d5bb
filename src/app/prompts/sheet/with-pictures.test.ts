import * as Y from 'yjs'
import { sheetOf } from '~/core/boards/prompts/sheet/document'
import { sheet } from '~/core/boards/prompts/sheet/sheet'
import type { Picture } from '~/core/boards/prompts/shown-picture'
import { withPictures } from './with-pictures'

const picture = (letter: string, title: string): Picture => ({
  file: letter.repeat(64),
  title,
  width: 4,
  height: 3,
})
const [map, heron, nameless] = [picture('a', 'Map'), picture('b', 'Heron'), picture('c', '')]

/** A sheet with paragraphs and pictures in this order; what is not a text is a picture's file and title. */
function sheetWith(...nodes: (string | { file: string; title: string })[]) {
  const doc = new Y.Doc()
  sheetOf(doc, 's').push(
    nodes.map(node => {
      const element = new Y.XmlElement(typeof node === 'string' ? 'paragraph' : 'picture')
      if (typeof node === 'string') element.insert(0, [new Y.XmlText(node)])
      else {
        element.setAttribute('file', node.file)
        element.setAttribute('title', node.title)
      }
      return element
    }),
  )
  const prompt = { id: 's', kind: 'sheet' as const, text: '', settings: { pictures: [map, heron, nameless] } }
  return sheet.read(doc, prompt)
}
const shown = (...nodes: Parameters<typeof sheetWith>) => {
  const { text, pictures = [] } = sheetWith(...nodes)
  return withPictures(text, pictures)
}

test('pictures stand in a sheet that is read where they stand in it', () => {
  expect(shown('Above', heron, 'Between', 'two', map)).toEqual(['Above', heron, 'Between\ntwo', map])
  expect(shown(nameless, map, map)).toEqual([nameless, map, map])
  expect(shown('No picture')).toEqual(['No picture'])
  expect(sheetWith('No picture')).not.toHaveProperty('pictures')
})

test('a picture that was not set for the sheet, or a line that only reads like one, stays text', () => {
  expect(shown({ file: 'd'.repeat(64), title: 'Elsewhere' }, 'Then')).toEqual(['[Picture: Elsewhere]\nThen'])
  expect(shown('[Picture: Map]', 'only said')).toEqual(['[Picture: Map]\nonly said'])
  // Under another name than it was set with.
  expect(shown({ file: map.file, title: 'Forged' })).toEqual(['[Picture: Forged]'])
  expect(withPictures('', [])).toEqual([''])
})
