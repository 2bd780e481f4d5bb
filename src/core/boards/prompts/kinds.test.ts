import { promptKindConforms } from 'tests/conformance/prompt-kind'
import { EXAMPLES } from 'tests/conformance/prompt-kind-examples'
import * as Y from 'yjs'
import { KINDS, type Prompt, type PromptKind, promptSchema, readAnswer } from './kinds'

describe.each(Object.keys(KINDS) as PromptKind[])('%s', kind => {
  describe.each(Object.entries(EXAMPLES[kind]))('%s', (_name, example) => {
    promptKindConforms(kind, example)
  })
})

test('a kind that is not known here is neither kept nor read as another', () => {
  const unknown = { id: 'p', kind: 'hologram', text: 'What?', settings: {} }
  expect(promptSchema.safeParse(unknown).success).toBe(false)
  expect(() => readAnswer(new Y.Doc(), unknown as unknown as Prompt)).toThrow('hologram')
})
