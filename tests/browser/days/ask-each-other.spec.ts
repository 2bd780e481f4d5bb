import type { Page } from '@playwright/test'
import jsQR from 'jsqr'
import sharp from 'sharp'
import {
  addPrompt,
  expect,
  expectAccessible,
  joinOnPhone,
  letAllIn,
  makeBoard,
  openWithBoard,
  passGrace,
  putInRoom,
  sendOut,
  space,
  test,
} from '../fixtures'

const OUTLINE = `Ask and tell

1. Ask each other first.
2. Then the rest, together.

- Say it in a word
- Ready to tell it?
`
test('in pairs each asks and writes down the other’s answer, nobody their own; boards of many kinds seen from above; “one minute” is read on the board; nobody has to save; words of all rooms are one cloud', async ({
  server,
  facilitator: page,
  phone,
}) => {
  await makeBoard(page, server, OUTLINE)
  await addPrompt(page, /^Words/, 'The marsh in a word')
  await addPrompt(page, /^Link/, 'Where it is')
  await page.getByLabel('Address').fill('https://lowmarsh.example/paths')
  await addPrompt(page, /^Table/, 'What the other said')
  await page.getByLabel('Columns').fill('What they said')
  await page.getByText('One row for each person: the others ask and write').click()
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible()

  const { code, sessionId } = await openWithBoard(page, 'Ask and tell')
  const [ana, bram, chi] = [await phone(), await phone(), await phone()]
  await joinOnPhone(ana, server, code, 'Ana Per.')
  await joinOnPhone(bram, server, code, 'Bram O.')
  await joinOnPhone(chi, server, code, 'Chi')
  await letAllIn(page)
  await putInRoom(page, 'Ana Per.', 'Pond life')
  await putInRoom(page, 'Bram O.', 'Pond life')
  await putInRoom(page, 'Chi', 'Soil and peat')
  await sendOut(page)

  const said = (at: Page) => space(at, 'What the other said')
  const cell = (at: Page, who: string) => said(at).getByRole('textbox', { name: `${who}: What they said` })
  await cell(ana, 'Bram O.').fill('My sister brought me')
  await cell(bram, 'Ana Per.').fill('The reeds')
  await expect(cell(ana, 'Ana Per.')).toHaveValue('The reeds')
  await expect(cell(ana, 'Ana Per.')).not.toBeEditable()
  await expect(cell(bram, 'Bram O.')).not.toBeEditable()

  // A code that another phone can scan.
  const scan = space(ana, 'Where it is').getByRole('img', { name: 'Code to scan' })
  await scan.evaluate(each => each.scrollIntoView({ block: 'center' }))
  const { data, info } = await sharp(await scan.screenshot())
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  expect(jsQR(new Uint8ClampedArray(data), info.width, info.height)?.data).toBe(
    'https://lowmarsh.example/paths',
  )

  const words = (at: Page) => space(at, 'The marsh in a word')
  const word = async (at: Page, text: string) => {
    await words(at).getByLabel('New word').fill(text)
    await words(at).getByRole('button', { name: 'Add word' }).tap()
  }
  await word(ana, 'Quiet')
  await word(bram, 'reeds')
  await word(chi, 'quiet')

  // A quiet visit after a while, and a minute before the end all are told on the board itself.
  await page.getByRole('button', { name: 'Pond life', exact: true }).first().click()
  const drawer = page.getByRole('complementary', { name: 'Room Pond life' })
  await expect(drawer.getByText('My sister brought me')).toBeVisible()
  await drawer.getByRole('button', { name: 'Close', exact: true }).click()
  await page.getByLabel('Broadcast to all').fill('One minute')
  await page.getByRole('button', { name: 'Broadcast', exact: true }).click()
  for (const each of [ana, bram, chi])
    await expect(each.getByText('One minute', { exact: true })).toBeVisible()
  for (const each of [ana, bram, chi]) await expect(each.getByText('Saved', { exact: true })).toBeVisible()
  await expectAccessible(ana)

  await page.getByRole('button', { name: 'Call back' }).click()
  await passGrace(page, server)
  await expect(ana.getByRole('heading', { level: 1, name: 'Whole group' })).toBeVisible()

  // Back: one talks through the pair's board on the screen; then the words of all rooms grow into one cloud.
  const wall = await page.context().newPage()
  await wall.goto(`${server.address}/sessions/${sessionId}/projector`)
  const putUp = wall.getByRole('region', { name: 'Put up' })
  await expect(wall.getByText('Pond life')).toBeVisible()
  await expect(putUp).toBeHidden()
  await page.getByRole('button', { name: 'Pond life', exact: true }).first().click()
  await drawer.getByRole('button', { name: 'Put up this board' }).click()
  await expect(putUp.getByText('My sister brought me')).toBeVisible()
  await expect(putUp.getByText('Pond life', { exact: true })).toBeVisible()
  await drawer.getByRole('button', { name: 'Close', exact: true }).click()
  await page.getByRole('button', { name: 'Put up', exact: true }).click()
  await page.getByLabel('One prompt of all rooms').selectOption({ label: 'The marsh in a word' })
  await expect(putUp.getByRole('list', { name: 'Words of all rooms' })).toHaveText(/[Qq]uiet, 2 times/)
  await expect(putUp.getByText('My sister brought me')).toBeHidden()
  // Every word stands whole in the picture, and on no other.
  const boxes = await putUp
    .locator('svg')
    .first()
    .evaluate(picture =>
      [picture, ...picture.querySelectorAll('text')].map(each => {
        const { left, right, top, bottom } = each.getBoundingClientRect()
        return { left, right, top: (3 * top + bottom) / 4, bottom: (top + 3 * bottom) / 4 }
      }),
    )
  const [whole, ...drawn] = boxes
  expect(drawn).toHaveLength(2)
  for (const [index, one] of drawn.entries()) {
    expect(one.left).toBeGreaterThanOrEqual(whole?.left ?? Infinity)
    expect(one.right).toBeLessThanOrEqual(whole?.right ?? 0)
    for (const other of drawn.slice(index + 1))
      expect(
        one.right < other.left || other.right < one.left || one.bottom < other.top || other.bottom < one.top,
      ).toBe(true)
  }
  await expectAccessible(wall)
  const now = page.getByRole('status', { name: 'On the projector' })
  await expect(now).toContainText('The marsh in a word')
  await expectAccessible(page)
  // The same on everybody's own page, for who sits far back or at home, also after a reload.
  const onPage = (at: Page) => at.getByRole('region', { name: 'Put up' })
  await expect(onPage(ana)).toBeHidden()
  await now.getByRole('button', { name: 'On every page too' }).click()
  await expect(now).toContainText('On the projector and every page')
  await bram.reload()
  for (const each of [ana, bram, chi])
    await expect(onPage(each).getByRole('list', { name: 'Words of all rooms' })).toHaveText(
      /[Qq]uiet, 2 times/,
    )
  await expectAccessible(ana)
  await now.getByRole('button', { name: 'Only on the projector' }).click()
  for (const each of [ana, bram, chi]) await expect(onPage(each)).toBeHidden()
  await now.getByRole('button', { name: 'Take down' }).click()
  await expect(putUp).toBeHidden()
  await wall.close()
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('alertdialog').getByRole('button', { name: 'End the session' }).click()
  await page.goto(`${server.address}/sessions/${sessionId}/review`)
  await page.getByRole('button', { name: /The marsh in a word/ }).click()
  await expect(page.getByRole('list', { name: 'Words of all rooms' })).toHaveText(/[Qq]uiet, 2 times/)
  await page.getByRole('button', { name: /What the other said/ }).click()
  await expect(
    page.getByRole('article', { name: 'Pond life' }).getByText('My sister brought me'),
  ).toBeVisible()
  await expectAccessible(page)
  await ana.getByRole('link', { name: 'See what we made' }).click()
  await expect(ana.getByText('The reeds')).toBeVisible()
  await expect(ana.getByText('Soil and peat')).toBeHidden()
})
