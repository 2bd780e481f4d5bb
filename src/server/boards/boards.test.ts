import { board } from 'tests/fixtures/class'
import { memoryDatabase } from 'tests/fixtures/database'
import { moveClock } from '../clock.server'
import { boardVersions } from '../db/schema.server'
import { boardVersionsOf, changeBoard, createBoard, getBoard } from './boards.server'

let memory: Awaited<ReturnType<typeof memoryDatabase>>
beforeAll(async () => {
  memory = await memoryDatabase()
})
afterAll(() => memory.close())

const [first] = board.prompts
if (!first) throw new Error('The board asks nothing.')
const asking = (text: string) => ({ ...board, prompts: [{ ...first, text }, ...board.prompts.slice(1)] })

test('two change a board at the same moment: what each did is there, and each is told of it', async () => {
  const { db } = memory
  const id = await createBoard(db, board, 'Marit')
  const [mine, theirs] = await Promise.all([
    changeBoard(db, id, { base: board, board: { ...board, title: 'Hers' } }, 'Marit'),
    changeBoard(db, id, { base: board, board: asking('His?') }, 'Teo'),
  ])
  const kept = await getBoard(db, id)
  expect(kept.title).toBe('Hers')
  expect(kept.prompts[0]?.text).toBe('His?')
  expect([mine, theirs]).toContainEqual(expect.objectContaining({ title: 'Hers', prompts: kept.prompts }))
  expect((await boardVersionsOf(db, id)).map(({ savedBy }) => savedBy)).toHaveLength(3)
})

test('what somebody goes on with is one version; after a while, and of somebody else, it is another', async () => {
  const { db } = memory
  const id = await createBoard(db, board, 'Marit')
  const change = async (text: string, by: string) =>
    changeBoard(db, id, { base: await getBoard(db, id), board: asking(text) }, by)
  await change('One?', 'Marit')
  await change('Two?', 'Marit')
  await change('Three?', 'Teo')
  moveClock(6 * 60_000)
  await change('Four?', 'Teo')
  // Nothing was changed: that is no version.
  await change('Four?', 'Marit')
  const versions = await boardVersionsOf(db, id)
  expect(versions.map(each => [each.savedBy, each.board.prompts[0]?.text])).toEqual([
    ['Teo', 'Four?'],
    ['Teo', 'Three?'],
    ['Marit', 'Two?'],
    ['Marit', first.text],
  ])
})

test('a board made before versions were kept has what it was as its first', async () => {
  const { db } = memory
  const id = await createBoard(db, board)
  await db.delete(boardVersions)
  await changeBoard(db, id, { base: board, board: asking('Now?') }, 'Marit')
  expect((await boardVersionsOf(db, id)).map(each => each.board.prompts[0]?.text)).toEqual([
    'Now?',
    first.text,
  ])
})

test('only the latest versions are kept', async () => {
  const { db } = memory
  const id = await createBoard(db, board, 'Marit')
  for (let turn = 0; turn < 120; turn++)
    await changeBoard(db, id, { base: board, board: asking(`${turn}?`) }, turn % 2 ? 'Teo' : 'Marit')
  const versions = await boardVersionsOf(db, id, 1_000)
  expect(versions).toHaveLength(100)
  expect(versions[0]?.board.prompts[0]?.text).toBe('119?')
})

test('a board there is not is not changed', async () => {
  await expect(changeBoard(memory.db, 'nothing', { base: board, board }, 'Marit')).rejects.toMatchObject({
    code: 'not-found',
  })
})
