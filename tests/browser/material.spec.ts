import type { Locator, Page } from '@playwright/test'
import sharp from 'sharp'
import { pdf, wav } from 'tests/fixtures/made-files'
import {
  allowLostLine,
  expect,
  expectAccessible,
  expectContrast,
  joinOnPhone,
  letAllIn,
  openWithBoard,
  passGrace,
  putInRoom,
  sendOut,
  space,
  test,
} from './fixtures'

const picture = (red: number, size = 60) =>
  sharp({
    create: {
      width: size,
      height: size,
      channels: 3,
      background: { r: red, g: 120, b: 80 },
      noise: { type: 'gaussian', mean: 128, sigma: 30 },
    },
  })
    .png({ compressionLevel: 0 })
    .toBuffer()

const file = (name: string, buffer: Buffer) => ({ name, mimeType: 'image/png', buffer })
const rows = (page: Page) => page.getByRole('list', { name: 'Material' }).getByRole('listitem')
const onTheirWay = (page: Page) => page.getByRole('list', { name: 'On their way' }).getByRole('listitem')

test('files come into the library through a broken line; what is not what it says is refused; a board is made with one', async ({
  facilitator: page,
}) => {
  allowLostLine(page)
  await page.getByRole('link', { name: 'Material' }).click()
  await expect(rows(page)).toHaveCount(2)
  await expectAccessible(page)
  await page
    .getByLabel('Files to add')
    .setInputFiles([
      file('The_old_hide.png', await picture(10)),
      file('Good name.png', Buffer.from('<!doctype html><script>alert(1)</script>')),
    ])
  await expect(onTheirWay(page).filter({ hasText: 'The_old_hide' })).toContainText('In the library')
  await expect(onTheirWay(page).filter({ hasText: 'Good name' })).toContainText('none of what is taken in')
  await expect(rows(page)).toHaveCount(3)
  await expect(rows(page).first()).toContainText('The old hide')
  await expect(rows(page).first()).toContainText('60 × 60')

  // A large one whose line is down after its first piece: it goes on by itself where it was.
  let pieces = 0
  await page.route('**/material/uploads/*', async route => {
    if (route.request().method() !== 'PATCH') return route.continue()
    pieces++
    return pieces === 2 || pieces === 3 ? route.abort('connectionreset') : route.continue()
  })
  await page.getByLabel('Files to add').setInputFiles(file('A large one.png', await picture(200, 1_900)))
  await expect(onTheirWay(page).filter({ hasText: 'A large one' })).toContainText('In the library', {
    timeout: 30_000,
  })
  expect(pieces).toBeGreaterThan(3)
  await page.unroute('**/material/uploads/*')
  await expect(rows(page)).toHaveCount(4)

  await page.getByRole('button', { name: 'Rename A large one' }).click()
  await rows(page).getByLabel('Called').fill('The hide from above')
  await page.getByRole('button', { name: 'Rename', exact: true }).click()
  await expect(rows(page).first()).toContainText('The hide from above')
  await page.getByText('Add a link').click()
  await page.getByLabel('Address').fill('lowmarsh')
  await page.getByRole('button', { name: 'Add the link' }).click()
  await expect(page.getByText('Write a whole address that begins with')).toBeVisible()
  await expect(page.getByText('Say what it is called.')).toBeVisible()
  await page.getByLabel('Called').fill('The paths')
  await page.getByLabel('Address').fill('https://lowmarsh.example/paths')
  await page.getByRole('button', { name: 'Add the link' }).click()
  await expect(rows(page)).toHaveCount(5)

  // Out of the library; its file goes for good only when that is asked for.
  await page.getByRole('button', { name: 'Remove The old hide' }).click()
  await page.getByRole('button', { name: 'Remove it' }).click()
  await expect(rows(page)).toHaveCount(4)
  await expect(page.getByText('used nowhere')).toBeVisible()
  await page.getByRole('button', { name: 'Remove for good' }).click()
  await expect(page.getByText('1 file was removed.')).toBeVisible()

  await page.getByRole('link', { name: 'Boards' }).click()
  await page.getByRole('link', { name: 'Make a board' }).click()
  await page.getByLabel('Title').fill('From above')
  await page.getByRole('button', { name: 'Make the board' }).click()
  await page.getByRole('button', { name: 'Add a prompt to part 1' }).click()
  await page.getByRole('menuitem', { name: /^Pictures/ }).click()
  await page.getByLabel('What it asks').fill('What do you see?')
  await page.getByRole('checkbox', { name: 'The hide from above' }).check()
  const phone = page.getByRole('region', { name: 'The board on a phone' })
  const shown = phone.getByRole('img', { name: 'The hide from above' })
  await expect(shown).toBeVisible()
  await expect
    .poll(() => shown.evaluate(image => (image as HTMLImageElement).naturalWidth))
    .toBeGreaterThan(0)
  await expect(page.getByRole('status').filter({ hasText: 'Kept.' })).toBeVisible()
  await page.getByRole('link', { name: 'Material' }).click()
  await expect(rows(page).filter({ hasText: 'The hide from above' })).toContainText('On From above')
})

test('pages are read and a sound is heard on the board itself, with remarks at a page and a moment', async ({
  facilitator: page,
}) => {
  await page.getByRole('link', { name: 'Material' }).click()
  await page.getByLabel('Files to add').setInputFiles([
    {
      name: 'Rules of the hide.pdf',
      mimeType: 'application/pdf',
      buffer: pdf('Be quiet', 'Close the shutters'),
    },
    { name: 'Wren.wav', mimeType: 'audio/wav', buffer: wav(9) },
  ])
  await expect(rows(page)).toHaveCount(4)
  await page.getByRole('link', { name: 'Boards' }).click()
  await page.getByRole('link', { name: 'Make a board' }).click()
  await page.getByLabel('Title').fill('Read and hear')
  await page.getByRole('button', { name: 'Make the board' }).click()
  for (const [asks, file] of [
    ['What is not in the rules?', 'Rules of the hide (PDF)'],
    ['Who sings?', 'Wren (sound)'],
  ] as const) {
    await page.getByRole('button', { name: 'Add a prompt to part 1' }).click()
    await page.getByRole('menuitem', { name: /^File/ }).click()
    await page.getByLabel('What it asks').fill(asks)
    await page.getByLabel('File of the library').selectOption({ label: file })
  }
  const phone = page.getByRole('region', { name: 'The board on a phone' })
  const pages = phone.getByRole('region', { name: /What is not in the rules/ })
  await expect(pages.getByRole('status').filter({ hasText: 'Page 1 of 2' })).toBeVisible()
  await expect(pages.getByText('Be quiet')).toBeAttached()
  await pages.getByRole('button', { name: 'Next page' }).click()
  await expect(pages.getByText('Close the shutters')).toBeAttached()
  const ink = () =>
    pages.locator('canvas').evaluate(canvas => {
      const { width, height } = canvas as HTMLCanvasElement
      const data =
        (canvas as HTMLCanvasElement).getContext('2d')?.getImageData(0, 0, width, height).data ?? []
      return data.filter((value, at) => at % 4 === 0 && value < 80).length
    })
  await expect.poll(ink).toBeGreaterThan(100)
  await pages.getByLabel('New remark').fill('And the door?')
  await pages.getByLabel('New remark').press('Enter')
  await pages.getByRole('button', { name: 'Page before' }).click()
  await expect(pages.getByText('Page 1 of 2')).toBeVisible()
  await pages.getByRole('button', { name: 'Go to page 2' }).click()
  await expect(pages.getByText('Page 2 of 2')).toBeVisible()

  const sound = phone.getByRole('region', { name: /Who sings/ })
  const player = sound.locator('audio')
  const now = () => player.evaluate(audio => (audio as HTMLAudioElement).currentTime)
  await expect.poll(() => player.evaluate(audio => Math.round((audio as HTMLAudioElement).duration))).toBe(9)
  await player.evaluate(audio => {
    ;(audio as HTMLAudioElement).currentTime = 6.4
  })
  await sound.getByLabel('New remark').fill('A trill')
  await sound.getByLabel('New remark').press('Enter')
  await player.evaluate(audio => {
    ;(audio as HTMLAudioElement).currentTime = 0
  })
  await sound.getByRole('button', { name: 'Go to 0:06' }).click()
  await expect.poll(now).toBeGreaterThanOrEqual(6)
  await expectAccessible(page)
})

/** Where a point of a picture is on the screen, in parts of its width and height. */
async function pointOn(ground: Locator, x: number, y: number): Promise<{ x: number; y: number }> {
  await ground.scrollIntoViewIfNeeded()
  const box = await ground.boundingBox()
  if (!box) throw new Error('It is not shown.')
  return { x: box.x + x * box.width, y: box.y + y * box.height }
}

async function pull(page: Page, ground: Locator, ...places: [number, number][]): Promise<void> {
  for (const [at, place] of places.entries()) {
    const { x, y } = await pointOn(ground, ...place)
    await page.mouse.move(x, y, { steps: 4 })
    if (at === 0) await page.mouse.down()
  }
  await page.mouse.up()
}

test('a picture is remarked and drawn on by a thumb, a mouse and keys; a sketch is drawn; the review shows it', async ({
  facilitator: page,
  server,
  phone,
  newPage,
}) => {
  const { code } = await openWithBoard(page, 'Look closely')
  const thumb = await phone()
  await joinOnPhone(thumb, server, code, 'Ana Per.')
  const mouse = await newPage()
  await joinOnPhone(mouse, server, code, 'Bram O.')
  await letAllIn(page)
  for (const who of ['Ana Per.', 'Bram O.']) await putInRoom(page, who, 'Pond life')
  await sendOut(page)
  const map = (at: Page) => space(at, /Where would you stop/)
  const ground = (at: Page) => map(at).locator('[data-ground]')
  const image = map(thumb).getByRole('img', { name: 'Map of the marsh', exact: true })
  await expect.poll(() => image.evaluate(each => (each as HTMLImageElement).naturalWidth)).toBeGreaterThan(0)

  // Material is given while they work: to all, or to one room; it is new until it was opened, and can be taken back.
  await page.getByRole('button', { name: 'Give material' }).click()
  await page.getByLabel('Material to give').selectOption({ index: 1 })
  await page.getByText('Some rooms').click()
  await page.getByRole('group', { name: 'Rooms that get it' }).getByLabel('Pond life').click()
  await page.getByRole('button', { name: 'Give it' }).click()
  const given = thumb.getByRole('list', { name: 'Material from the facilitator' })
  await expect(given.getByText('new')).toBeVisible()
  await given.getByRole('button').tap()
  const shown = given.getByRole('img')
  await expect.poll(() => shown.evaluate(each => (each as HTMLImageElement).naturalWidth)).toBeGreaterThan(0)
  await expect(given.getByText('new')).toBeHidden()
  await expectAccessible(thumb)
  const list = page.getByRole('list', { name: 'Material that was given' })
  await expect(list.getByText('to Pond life')).toBeVisible()
  await list.getByRole('button', { name: /^Take back/ }).click()
  await expect(given).toBeHidden()

  // A thumb pins a remark to a place, and its words follow.
  await map(thumb).getByRole('button', { name: 'Remark', exact: true }).tap()
  const place = await pointOn(ground(thumb), 0.6, 0.45)
  await thumb.touchscreen.tap(place.x, place.y)
  await expect(
    map(thumb)
      .getByRole('textbox', { name: /^Remark/ })
      .first(),
  ).toBeFocused()
  await thumb.keyboard.type('By the hide: one sees both waters')
  const pin = map(mouse).getByRole('button', { name: 'Remark 1: By the hide: one sees both waters' })
  await expect(pin).toBeVisible()

  // A mouse draws with the pen and pulls an arrow; keys alone put a box and move it.
  await map(mouse).getByRole('button', { name: 'Pen' }).click()
  await pull(mouse, ground(mouse), [0.1, 0.8], [0.2, 0.7], [0.3, 0.75], [0.4, 0.6])
  await map(mouse).getByRole('button', { name: 'Arrow' }).click()
  await pull(mouse, ground(mouse), [0.2, 0.2], [0.5, 0.4])
  await map(mouse).getByRole('button', { name: 'Box' }).click()
  await map(mouse).getByRole('button', { name: 'blue' }).click()
  await map(mouse).getByRole('button', { name: 'Put it in the middle' }).press('Enter')
  const box = map(mouse).getByRole('button', { name: 'Box by Bram O.' })
  await expect(box).toBeFocused()
  const before = await box.boundingBox()
  for (let step = 0; step < 4; step++) await mouse.keyboard.press('ArrowRight')
  await expect.poll(async () => (await box.boundingBox())?.x).toBeGreaterThan(before?.x ?? 0)
  const marks = (at: Page) => ground(at).locator('[data-mark]')
  await expect(marks(thumb)).toHaveCount(3)
  await expect(marks(thumb).nth(0)).toHaveAttribute('aria-label', /by Bram O\.$/)

  // One's own step is undone and done again; somebody else's mark goes only after a question.
  await map(mouse).getByRole('button', { name: 'Text', exact: true }).click()
  const words = await pointOn(ground(mouse), 0.7, 0.85)
  await mouse.mouse.click(words.x, words.y)
  await map(mouse).getByLabel('What stands there').fill('wet here')
  await map(mouse).getByRole('button', { name: 'Write it' }).click()
  await expect(marks(thumb)).toHaveCount(4)
  await map(mouse).getByRole('button', { name: 'Undo' }).click()
  await expect(marks(thumb)).toHaveCount(3)
  await map(mouse).getByRole('button', { name: 'Redo' }).click()
  await expect
    .poll(async () => (await ground(thumb).getByText('wet here').boundingBox())?.height ?? 0)
    .toBeGreaterThan(9)
  // A picture of the group's own, as from the phone's camera: all at the board have it, and draw on it too.
  const camera = await sharp({ create: { width: 3_000, height: 2_000, channels: 3, background: '#7a9' } })
    .jpeg()
    .toBuffer()
  await map(thumb)
    .getByLabel('Add a picture')
    .setInputFiles({ name: 'IMG_1.jpg', mimeType: 'image/jpeg', buffer: camera })
  const theirs = map(mouse).locator('[data-ground="4"]')
  await expect(theirs).toBeVisible()
  const seen = map(mouse).getByRole('img', { name: 'Picture by Ana Per.', exact: true })
  await expect.poll(() => seen.evaluate(each => (each as HTMLImageElement).naturalWidth)).toBeGreaterThan(0)
  await expectAccessible(thumb)
  await map(mouse).getByRole('button', { name: 'Take the picture away' }).click()
  await map(mouse).getByRole('button', { name: 'Keep it' }).click()
  await map(thumb).getByRole('button', { name: 'Take the picture away' }).tap()
  await expect(theirs).toBeHidden()

  await map(thumb).getByRole('button', { name: 'Erase' }).tap()
  const shaft = await pointOn(ground(thumb), 0.35, 0.3)
  await thumb.touchscreen.tap(shaft.x, shaft.y)
  const question = map(thumb).getByRole('group', { name: 'Remove Bram O.’s arrow?' })
  await question.getByRole('button', { name: 'Keep it' }).tap()
  await expect(marks(mouse)).toHaveCount(4)
  await thumb.touchscreen.tap(shaft.x, shaft.y)
  await question.getByRole('button', { name: 'Remove it' }).tap()
  await expect(marks(mouse)).toHaveCount(3)
  // The pin is pulled elsewhere, and found by its number.
  const from = await pin.boundingBox()
  await pin.hover()
  await mouse.mouse.down()
  await mouse.mouse.move((from?.x ?? 0) + 60, (from?.y ?? 0) + 30, { steps: 5 })
  await mouse.mouse.up()
  await expect.poll(async () => (await pin.boundingBox())?.x ?? 0).toBeGreaterThan((from?.x ?? 0) + 20)
  await pin.focus()
  await mouse.keyboard.press('Enter')
  await expect(map(mouse).getByRole('textbox', { name: 'Remark by Ana Per.' })).toBeFocused()

  const sketch = (at: Page) => space(at, /Draw how one of them stands/)
  await sketch(thumb).getByRole('button', { name: 'Ellipse' }).tap()
  await sketch(thumb).getByRole('button', { name: 'Put it in the middle' }).tap()
  await expect(sketch(mouse).getByRole('button', { name: 'Ellipse by Ana Per.' })).toBeVisible()
  await expectAccessible(thumb)
  await expectContrast(thumb)
  await expectAccessible(mouse)

  await page.getByRole('button', { name: 'Call back' }).click()
  await passGrace(page, server)
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('button', { name: 'End the session' }).click()
  await page.getByRole('link', { name: 'Review what the groups made' }).click()
  await page.getByRole('button', { name: /Where would you stop/ }).click()
  await expect(page.getByText('By the hide: one sees both waters')).toBeVisible()
  await expect(page.locator('[data-ground] [data-mark], [data-ground] g')).not.toHaveCount(0)
  // Their own link shows the picture too.
  await thumb.locator('a[href^="/mine/"]').first().click()
  const own = thumb.getByRole('img', { name: 'Map of the marsh', exact: true }).first()
  await expect.poll(() => own.evaluate(each => (each as HTMLImageElement).naturalWidth)).toBeGreaterThan(0)
})
