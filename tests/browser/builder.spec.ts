import { readFile } from 'node:fs/promises'
import type { Page } from '@playwright/test'
import { EXAMPLES } from 'tests/conformance/prompt-kind-examples'
import { MOST_PROMPTS, type Prompt } from '~/core/boards/board'
import { boardJson, readBoardJson } from '~/core/boards/files/board-json'
import { promptSchema } from '~/core/boards/prompts/kinds'
import { allowLostLine, drag, expect, expectAccessible, expectContrast, onOneServer } from './fixtures'

const test = onOneServer()

const OUTLINE = `A morning at the pond

1. Walk round once.

- What do you hear?
- Which came first?
  - A heron
  - A bittern

## Back in the hut

- What will you tell the others?
`

const prompts = (page: Page, part: number) =>
  page.getByRole('list', { name: `Prompts of part ${part}` }).getByRole('listitem')
const kept = (page: Page) => expect(page.getByText('Kept.', { exact: true })).toBeVisible()

test('an outline becomes a board that is tried out, changed, undone, saved as a file and made again of it', async ({
  facilitator: page,
  server,
}) => {
  await page.goto(`${server.address}/boards/new`)
  await expectAccessible(page)
  await page.getByLabel('Outline or Markdown').fill(OUTLINE)
  await page.getByRole('button', { name: 'Show what it becomes' }).click()
  await expect(page.getByText('A morning at the pond: 2 parts, 3 prompts.')).toBeVisible()
  await page.getByRole('button', { name: 'Make this board' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'A morning at the pond' })).toBeVisible()

  // The phone beside it: what is asked can be answered there, and follows what is changed.
  const phone = page.getByRole('region', { name: 'The board on a phone' })
  await expect(phone.getByText('Walk round once.')).toBeVisible()
  await phone.getByPlaceholder('Write a card').first().fill('Reed warblers')
  await phone.getByPlaceholder('Write a card').first().press('Enter')
  await expect(phone.getByText('Reed warblers')).toBeVisible()
  await phone.getByRole('button', { name: /A bittern/ }).click()
  await expect(phone.getByRole('button', { name: /A bittern/ })).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('button', { name: /^1 What do you hear/ }).click()
  await page.getByLabel('What it asks').fill('What do you hear, and where?')
  await expect(phone.getByRole('heading', { name: 'What do you hear, and where?' })).toBeVisible()
  await expect(phone.getByText('Reed warblers')).toBeVisible()
  await page.getByRole('button', { name: 'Try it afresh' }).click()
  await expect(phone.getByText('Reed warblers')).toBeHidden()
  await expect(phone.getByRole('button', { name: /A bittern/ })).toHaveAttribute('aria-pressed', 'false')
  await expectAccessible(page)
  await expectContrast(page)

  // By keys, by a drag, and back again step by step.
  await page.getByRole('button', { name: /^1 What do you hear/ }).press('Alt+ArrowDown')
  await expect(prompts(page, 1).first()).toContainText('Which came first?')
  // Over the edge of a part and back: the focus stays with it.
  const moved = page.getByRole('button', { name: /^\d What do you hear/ })
  await moved.press('Alt+ArrowDown')
  await expect(prompts(page, 2)).toHaveCount(2)
  await expect(moved).toBeFocused()
  await page.keyboard.press('Alt+ArrowUp')
  await expect(prompts(page, 2)).toHaveCount(1)
  await expect(moved).toBeFocused()
  // Closed, so that both places are seen.
  await page.getByRole('button', { name: /^2 What do you hear/ }).click()
  await page.setViewportSize({ width: 1280, height: 1200 })
  await drag(page, prompts(page, 1).nth(1).locator('[aria-hidden=true]').first(), prompts(page, 2).first())
  await expect(prompts(page, 2)).toHaveCount(2)
  await expect(prompts(page, 2).first()).toContainText('What do you hear, and where?')
  // A part with all it asks takes the place of another.
  await page.getByRole('button', { name: 'Add a part' }).click()
  await drag(
    page,
    page.getByRole('region', { name: 'Part 3', exact: true }).first().locator('[aria-hidden=true]').first(),
    page.getByRole('heading', { level: 2, name: 'Part 2', exact: true }),
  )
  await expect(page.getByLabel('Name of part 3')).toHaveValue('Back in the hut')
  for (let step = 0; step < 2; step++) await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByLabel('Name of part 3')).toHaveCount(0)
  await page.getByRole('button', { name: 'Duplicate prompt 1' }).click()
  await expect(prompts(page, 1)).toHaveCount(2)
  await page.getByRole('button', { name: 'Remove part 2' }).click()
  await expect(prompts(page, 1)).toHaveCount(4)
  for (let step = 0; step < 6; step++) await page.getByRole('button', { name: 'Undo' }).click()
  await expect(prompts(page, 1).first()).toContainText('What do you hear, and where?')
  await expect(prompts(page, 2)).toHaveCount(1)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(prompts(page, 1).first()).toContainText('What do you hear?')
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled()
  await page.keyboard.press('Control+y')
  await expect(prompts(page, 1).first()).toContainText('What do you hear, and where?')
  await kept(page)

  // A sheet begins with a text, which the phone beside it shows.
  await page.getByRole('button', { name: 'Add a prompt to part 1' }).click()
  await page.getByRole('menuitem', { name: /^Sheet/ }).click()
  await page.getByLabel('What it asks').fill('Write the sign')
  await page.getByLabel(/^Begins with/).fill('# The pond\n- what lives here')
  await page.getByLabel(/^Begins with/).blur()
  const begun = page
    .getByRole('region', { name: 'The board on a phone' })
    .getByRole('textbox', { name: 'Write the sign' })
  await expect(begun.getByRole('heading', { name: 'The pond' })).toBeVisible()
  await expect(begun.getByRole('listitem')).toHaveText('what lives here')
  await kept(page)

  // Out as a file, and in again.
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as file' }).click(),
  ])
  expect(file.suggestedFilename()).toBe('A morning at the pond.json')
  const [markdown] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'As Markdown' }).click(),
  ])
  expect(await readFile(await markdown.path(), 'utf8')).toContain('- What do you hear, and where? (cards)')
  // On paper, for the groups of a cohort.
  await page.getByRole('link', { name: 'Print' }).click()
  await expect(page.getByRole('region', { name: 'Sheet' })).toContainText('Walk round once.')
  await page.getByLabel('For the groups of').selectOption({ index: 1 })
  const sheets = page.getByRole('region', { name: /^Sheet of / })
  await expect(sheets.nth(1)).toContainText('What do you hear, and where?')
  await expect(page.getByRole('button', { name: `Print ${await sheets.count()} sheets` })).toBeVisible()
  await expectAccessible(page)
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('navigation')).toBeHidden()
  await expect(page.getByLabel('For the groups of')).toBeHidden()
  await expect(sheets.first()).toBeVisible()
  await page.emulateMedia({ media: null })

  await page.goto(`${server.address}/boards/new`)
  await page.getByLabel('A board’s file, or a text').setInputFiles(await file.path())
  await page.getByRole('button', { name: 'Make this board' }).click()
  await expect(prompts(page, 1).first()).toContainText('What do you hear, and where?')
  await expect(prompts(page, 2)).toHaveCount(1)
})

test('two change a board at once and through a broken line: nothing is lost, and earlier versions can be taken', async ({
  facilitator: page,
  server,
}) => {
  await page.goto(`${server.address}/boards/new`)
  await page.getByLabel('Title').fill('Made by two')
  await page.getByRole('button', { name: 'Make the board' }).click()
  await page.getByRole('button', { name: 'Add a prompt to part 1' }).click()
  await page.getByRole('menuitem', { name: /^Scale/ }).click()
  await page.getByLabel('What it asks').fill('How sure are you?')
  await kept(page)
  const other = await page.context().newPage()
  await other.goto(page.url())
  await other.getByRole('button', { name: /^1 How sure/ }).click()
  await other.getByLabel('The low end, 1, means').fill('Not sure')
  await page.getByLabel('What it asks').fill('How sure are you now?')
  await page.getByRole('button', { name: 'Add a part' }).click()
  await kept(other)
  await kept(page)
  // Each hears of the other within a few seconds.
  await expect(other.getByLabel('Name of part 2')).toBeVisible({ timeout: 15_000 })
  await expect(other.getByLabel('What it asks')).toHaveValue('How sure are you now?')
  await expect(page.getByLabel('The low end, 1, means')).toHaveValue('Not sure', { timeout: 15_000 })

  // What cannot be kept as it is stays in its field; what is away from the server is kept once it is back.
  await page.getByLabel('Steps').fill('40')
  await expect(page.getByText('At most 11 steps.')).toBeVisible()
  await page.getByLabel('Steps').fill('7')
  await expect(page.getByText('At most 11 steps.')).toBeHidden()
  allowLostLine(page)
  await page.route('**/changes', route => route.abort('connectionrefused'))
  await page.getByLabel('What it asks').fill('How sure are you in the end?')
  await expect(page.getByText('The server could not be reached.', { exact: false })).toBeVisible()
  await page.unroute('**/changes')
  await kept(page)
  await expect(other.getByLabel('What it asks')).toHaveValue('How sure are you in the end?', {
    timeout: 15_000,
  })
  await expect(other.getByLabel('Steps')).toHaveValue('7')

  // Back to what it was when it was made, and forth again.
  await page.getByText('Versions', { exact: true }).click()
  await page.getByRole('button', { name: 'Read version 2' }).click()
  await expect(page.getByText('1. How sure are you in the end?')).toBeVisible()
  await page.getByRole('button', { name: 'Take version 1' }).click()
  await expect(page.getByText('Nothing is asked yet: add a prompt.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: /^1 How sure are you in the end/ })).toBeVisible()
  await kept(page)
})

/** Every kind with all that can be set about it, on as many boards as it takes, after the cards that points go to. */
function boardsOfAllKinds(): Prompt[][] {
  const prompt = (each: object): Prompt => promptSchema.parse(each) as Prompt
  const all = Object.entries(EXAMPLES).flatMap(([kind, examples]) =>
    Object.entries(examples).map(([name, { settings }], place) =>
      prompt({ id: `${kind}-${place}`, kind, text: `Which ${kind}, ${name}?`, settings }),
    ),
  )
  const cards = prompt({ id: 'cards', kind: 'cards', text: 'Which reasons?' })
  const boards: Prompt[][] = []
  for (let from = 0; from < all.length; from += MOST_PROMPTS - 1)
    boards.push([cards, ...all.slice(from, from + MOST_PROMPTS - 1)])
  return boards
}

test('what is set about a prompt of whatever kind is still so after something else of it was changed in its fields', async ({
  facilitator: page,
  server,
}) => {
  for (const prompts of boardsOfAllKinds()) {
    const board = { title: 'Kinds', steps: [], prompts, parts: [] }
    await page.goto(`${server.address}/boards/new`)
    await page.getByLabel('A board’s file, or a text').setInputFiles({
      name: 'kinds.json',
      mimeType: 'application/json',
      buffer: Buffer.from(boardJson(board)),
    })
    await page.getByRole('button', { name: 'Make this board' }).click()
    await expect(page.getByRole('heading', { level: 1, name: 'Kinds' })).toBeVisible()
    for (const [place, { text }] of prompts.entries()) {
      const fields = page.getByRole('form', { name: `Prompt ${place + 1}`, exact: true })
      await page.getByRole('button', { name: new RegExp(`^${place + 1} Which`) }).click()
      await expect(fields.getByText('Opening…')).toHaveCount(0)
      await fields.getByLabel('What it asks').fill(`${text} And why?`)
      // Nothing that was there is refused by its own field.
      await expect(fields.getByRole('alert')).toHaveCount(0)
      await page.getByRole('button', { name: new RegExp(`^${place + 1} Which .*And why`) }).click()
    }
    await kept(page)
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Save as file' }).click(),
    ])
    const read = readBoardJson(await readFile(await file.path(), 'utf8'))
    const asked = 'board' in read ? read.board.prompts : []
    expect(asked).toEqual(prompts.map(each => ({ ...each, text: `${each.text} And why?` })))
  }
})
