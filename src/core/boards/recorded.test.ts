import alone from 'tests/fixtures/recorded/alone-first-4.json' with { type: 'json' }
import evening from 'tests/fixtures/recorded/evening.json' with { type: 'json' }
import looking from 'tests/fixtures/recorded/looking-4.json' with { type: 'json' }
import * as Y from 'yjs'
import { boardSchema } from './board'
import { readAnswers } from './prompts/kinds'

test.each([
  ['in the first version', evening.boards],
  ['when pictures, files and sketches were new', looking.boards],
  ['when cards were hidden at first and groups added pictures', alone.boards],
])('boards written %s read as they did then', (_when, boards) => {
  expect(boards.length).toBeGreaterThan(0)
  for (const { board, updates, answers } of boards) {
    const doc = new Y.Doc()
    for (const update of updates) Y.applyUpdate(doc, Buffer.from(update, 'base64'))
    expect(readAnswers(doc, boardSchema.parse(board))).toEqual(answers)
  }
})
