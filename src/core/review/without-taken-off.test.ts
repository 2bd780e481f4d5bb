import type { Board } from '../boards/board'
import { withoutTakenOff } from './without-taken-off'

const board: Board = {
  title: 'Herons',
  steps: [],
  prompts: [
    { id: 'c', kind: 'cards', text: 'Cards?', settings: {} },
    { id: 's', kind: 'sheet', text: 'Sheet?', settings: {} },
    { id: 'y', kind: 'yes-no', text: 'Yes?', settings: {} },
  ],
}
const wrote = (promptId: string, entryId: string, text: string, at = 1) => ({
  copyId: 'copy',
  promptId,
  entryId,
  text,
  at,
})
const taken = (promptId: string, pieceId: string, text: string, at = 5) => ({
  copyId: 'copy',
  promptId,
  pieceId,
  text,
  at,
})

test('nothing that was ever written in a piece is left, but what comes in its place afterwards', () => {
  const kept = [wrote('c', 'b', 'kind'), wrote('c', 'a', 'sorry', 6), wrote('s', 'a', 'mean')]
  const written = [wrote('c', 'a', 'me'), wrote('c', 'a', 'mean', 2), ...kept]
  expect(withoutTakenOff(written, [taken('c', 'a', 'mean')], board)).toEqual(kept)
})

test('of a sheet the line goes, and of a decision with its reason all of it', () => {
  const written = [wrote('s', 'whole', 'One\nmean\nTwo'), wrote('y', 'whole', 'Yes: mean')]
  expect(
    withoutTakenOff(written, [taken('s', 'whole', 'mean'), taken('y', 'whole', 'Yes: mean')], board),
  ).toEqual([wrote('s', 'whole', 'One\nTwo')])
})

test('what was taken off another room’s board, or nothing at all, changes nothing', () => {
  const written = [wrote('c', 'a', 'mean')]
  expect(withoutTakenOff(written, [{ ...taken('c', 'a', 'mean'), copyId: 'other' }], board)).toEqual(written)
  expect(withoutTakenOff(written, [], board)).toEqual(written)
})
