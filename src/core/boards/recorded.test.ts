import evening from 'tests/fixtures/recorded/evening.json' with { type: 'json' }
import * as Y from 'yjs'
import { boardSchema } from './board'
import { readAnswers } from './prompts/kinds'

test('boards written in the first version read as they did then', () => {
  expect(evening.boards.length).toBeGreaterThan(0)
  for (const { board, updates, answers } of evening.boards) {
    const doc = new Y.Doc()
    for (const update of updates) Y.applyUpdate(doc, Buffer.from(update, 'base64'))
    expect(readAnswers(doc, boardSchema.parse(board))).toEqual(answers)
  }
})
