import { boardSchema, MOST_PROMPTS, MOST_STEPS } from './board'
import { boardDraft, unfinishedIn } from './building/draft'
import { partsOf } from './parts'
import { STARTERS, starterNamed } from './starters'

test.each(STARTERS.map(starter => [starter.key, starter] as const))(
  '%s can be kept as it is: nothing is missing, and no part is empty',
  (key, { board, when }) => {
    expect(boardDraft.parse(board)).toEqual(boardSchema.parse(board))
    expect(unfinishedIn(board)).toEqual([])
    expect(board.prompts.length).toBeLessThanOrEqual(MOST_PROMPTS)
    expect(board.steps.length).toBeLessThanOrEqual(MOST_STEPS)
    for (const part of partsOf(board)) expect(part.prompts.length).toBeGreaterThan(0)
    const ids = board.prompts.map(({ id }) => id)
    expect(new Set(ids).size).toBe(ids.length)
    // Points go to cards of an earlier prompt.
    for (const [place, prompt] of board.prompts.entries())
      if (prompt.kind === 'points')
        expect(board.prompts.slice(0, place)).toContainEqual(
          expect.objectContaining({ id: prompt.settings.over, kind: 'cards' }),
        )
    expect(when).toMatch(/\.$/)
    expect(starterNamed(key)?.board).toBe(board)
  },
)

test('there are some twelve, each once, and nothing else is one', () => {
  expect(STARTERS.length).toBeGreaterThanOrEqual(12)
  expect(new Set(STARTERS.map(({ key }) => key)).size).toBe(STARTERS.length)
  expect(new Set(STARTERS.map(({ board }) => board.title)).size).toBe(STARTERS.length)
  expect([starterNamed(null), starterNamed('nothing')]).toEqual([undefined, undefined])
})
