import fc from 'fast-check'
import { documentName, readDocumentName } from './document-name'

const id = fc.stringMatching(/^[\w-]{1,16}$/)

test('a name is read as it was made, whatever the id of the prompt', () => {
  const names = fc.record({
    copyId: id,
    own: fc.option(fc.record({ promptId: fc.string({ minLength: 1, maxLength: 40 }), participantId: id })),
  })
  fc.assert(fc.property(names, name => expect(readDocumentName(documentName(name))).toEqual(name)))
})

test('what is no name is none', () => {
  for (const name of ['', '/', 'copy/', '/ana/p', 'copy/ana', 'copy/ana/', 'copy//p'])
    expect(readDocumentName(name)).toBeNull()
})
