import type { Locator, Page } from '@playwright/test'
import { addCard } from '~/core/boards/prompts/cards/document'
import { eachOf } from '~/core/boards/prompts/each/document'
import { putAt } from '~/core/boards/prompts/put-in-order/document'
import type { SimulatedParticipant } from '~/demo/simulated-participant'
import {
  drag,
  dragByFinger,
  expect,
  expectAccessible,
  joinOnPhone,
  letAllIn,
  openWithBoard,
  passGrace,
  putInRoom,
  sendOut,
  simulated,
  space,
  test,
} from './fixtures'

const BOARD = 'Worksheet: an afternoon at the hide'

/** Goes on with Tab, and back where it lies before, as somebody does who has no mouse. */
async function tabTo(page: Page, target: Locator): Promise<void> {
  for (const key of ['Tab', 'Shift+Tab']) {
    for (let pressed = 0; pressed < 90; pressed++) {
      if (await target.evaluate(element => element === document.activeElement)) return
      await page.keyboard.press(key)
    }
  }
  throw new Error('It cannot be reached with the Tab key.')
}

async function press(page: Page, target: Locator, key = 'Enter'): Promise<void> {
  await tabTo(page, target)
  await page.keyboard.press(key)
}

async function type(page: Page, target: Locator, text: string): Promise<void> {
  await tabTo(page, target)
  await page.keyboard.type(text)
}

test('a worksheet of many kinds is filled in by a thumb and by keys alone, and read side by side', async ({
  facilitator: page,
  server,
  phone,
  newPage,
}) => {
  const { code } = await openWithBoard(page, BOARD)
  const thumb = await phone()
  await joinOnPhone(thumb, server, code, 'Ana Per.')
  const keys = await newPage()
  await joinOnPhone(keys, server, code, 'Bram O.')
  const [chi] = await simulated(server, code, ['Chi'])
  await letAllIn(page)
  await putInRoom(page, 'Ana Per.', 'Pond life')
  await putInRoom(page, 'Bram O.', 'Pond life')
  await putInRoom(page, 'Chi', 'Soil and peat')
  await sendOut(page)
  await expect(thumb.getByText('Opening…')).toHaveCount(0)
  await expect(keys.getByText('Opening…')).toHaveCount(0)

  // Each chooses, and sees what the others chose only then.
  const expected = (at: Page) => space(at, 'What will we hear first?')
  await press(keys, expected(keys).getByRole('button', { name: 'A wren' }))
  await type(keys, expected(keys).getByLabel('Because'), 'They never stop.')
  await press(keys, expected(keys).getByRole('button', { name: 'Say so' }))
  await expect(expected(thumb).getByText('1 answered. What they chose shows once you have.')).toBeVisible()
  await expect(expected(thumb).getByText('They never stop.')).toBeHidden()
  await expected(thumb).getByRole('button', { name: 'A heron' }).tap()
  await expect(expected(thumb).getByText('They never stop.')).toBeVisible()
  await expect(expected(thumb).getByRole('listitem').filter({ hasText: 'A A wren' })).toContainText('1')

  const ready = (at: Page) => space(at, 'How ready do you feel')
  await press(keys, ready(keys).getByRole('button', { name: '4', exact: true }), 'Space')
  await ready(thumb).getByRole('button', { name: '1 Not yet' }).tap()
  await expect(ready(keys).getByText('2 answers, middle 2.5, from 1 to 4 of 5')).toBeVisible()

  // A number out of its limits is told at its place, and stays as it was typed.
  const measured = (at: Page) => space(at, 'What you measured')
  await type(keys, measured(keys).getByLabel('Depth of the water'), '3000')
  await expect(measured(thumb).getByText('At most 300 cm.')).toBeVisible()
  await measured(thumb).getByLabel('Depth of the water').fill('41')
  await expect(measured(keys).getByLabel('Depth of the water')).toHaveValue('41')
  await expect(measured(keys).getByText('At most 300 cm.')).toBeHidden()

  // A hint is opened for all in the room, once somebody has said twice that they want it.
  const hint = (at: Page) => space(at, 'A hint for the depth')
  await expect(thumb.getByText('let it sink by its own weight')).toHaveCount(0)
  await press(keys, hint(keys).getByRole('button', { name: 'Open for all of us' }))
  await keys.keyboard.press('Enter')
  await expect(hint(thumb).getByText('let it sink by its own weight')).toBeVisible()
  await expect(hint(thumb).getByText('Opened by Bram O.')).toBeVisible()

  // Cards in columns: moved by keys, by a tap, by the mouse; joined into a heap that gets a name.
  const winter = (at: Page) => space(at, 'Should the hide stay open')
  const column = (at: Page, name: string) => winter(at).getByRole('list', { name })
  await type(keys, winter(keys).getByLabel('New card: For'), 'Otters')
  await keys.keyboard.press('Enter')
  await winter(thumb).getByLabel('New card: Against').fill('Ice on the path')
  await winter(thumb).getByLabel('New card: Against').press('Enter')
  await winter(thumb).getByLabel('New card: Against').fill('Nobody to open it')
  await winter(thumb).getByLabel('New card: Against').press('Enter')
  await expect(column(keys, 'Against').getByRole('listitem')).toHaveCount(2)
  // Whatever is dragged can be done without (WCAG 2.2, 2.5.7): by keys here, by a thumb's taps below.
  await press(keys, column(keys, 'For').getByRole('button', { name: /^Move the card/ }))
  await press(keys, column(keys, 'For').getByRole('button', { name: 'To Against' }))
  await expect(column(thumb, 'Against').getByRole('listitem')).toHaveCount(3)
  await drag(
    keys,
    column(keys, 'Against').getByRole('listitem').last().locator('[aria-hidden="true"]').first(),
    winter(keys).getByRole('heading', { name: /^For/ }),
  )
  await expect(column(thumb, 'For').getByRole('textbox')).toHaveValue('Otters')
  // The first press of a handle on that page drags too.
  await dragByFinger(
    thumb,
    column(thumb, 'For').getByRole('listitem').locator('[aria-hidden="true"]').first(),
    winter(thumb).getByRole('heading', { name: /^Against/ }),
  )
  await expect(column(keys, 'For').getByRole('listitem')).toHaveCount(0)
  await press(keys, column(keys, 'Against').getByRole('button', { name: /^Move the card: Otters/ }))
  await press(keys, column(keys, 'Against').getByRole('button', { name: 'To For' }))
  const first = column(thumb, 'Against').getByRole('listitem').first()
  await first.getByRole('button', { name: /^Move the card/ }).tap()
  await first.getByLabel('Join with another card in a heap').selectOption('Nobody to open it')
  await winter(thumb).getByLabel('Name of the heap').fill('Costs')
  await expect(winter(keys).getByLabel('Name of the heap')).toHaveValue('Costs')

  // Each writes what the other says, and nobody in their own row.
  const asked = (at: Page) => space(at, 'Ask each other')
  await type(keys, asked(keys).getByLabel('Ana Per.: What brought you here'), 'The reeds')
  await expect(asked(thumb).getByLabel('Ana Per.: What brought you here')).toHaveValue('The reeds')
  await expect(asked(thumb).getByLabel('Ana Per.: What brought you here')).not.toBeEditable()
  await asked(thumb).getByLabel('Bram O.: What brought you here').fill('My sister')
  await expect(asked(keys).getByLabel('Bram O.: What brought you here')).toHaveValue('My sister')

  const before = (at: Page) => space(at, 'Before you leave')
  await press(keys, before(keys).getByLabel('Shutters closed', { exact: true }), 'Space')
  await before(thumb).getByLabel('Whose: Log book signed').selectOption('Bram O.')
  await before(thumb).getByLabel('New line').fill('Lights out')
  await before(thumb).getByRole('button', { name: 'Add line' }).tap()
  await expect(before(keys).getByText('1 of 4 done')).toBeVisible()
  await expect(before(keys).getByLabel('Whose: Log book signed')).toHaveValue(/.+/)
  // Another's line is asked about, and whoever works here can put it back.
  await before(keys).getByRole('button', { name: 'Remove the line: Lights out' }).click()
  await before(keys)
    .getByRole('group', { name: 'Remove Ana Per.’s line?' })
    .getByRole('button', { name: 'Remove it' })
    .click()
  await before(thumb).getByText('1 removed line').tap()
  await before(thumb).getByRole('button', { name: 'Put back the line: Lights out' }).tap()
  await expect(before(keys).getByText('1 of 4 done')).toBeVisible()

  const order = (at: Page) => space(at, 'Put a visit in order')
  for (const line of ['Draw', 'Listen', 'Look through the glass'])
    await press(keys, order(keys).getByRole('button', { name: line }))
  await order(thumb).getByRole('button', { name: 'Name what you saw' }).tap()
  await press(keys, order(keys).getByRole('button', { name: 'Move down: Draw' }))
  await keys.keyboard.press('Enter')
  await expect(order(thumb).getByRole('listitem')).toHaveText([/Listen/, /Look/, /Draw/, /Name/])
  await drag(
    keys,
    order(keys).getByRole('listitem').last().locator('[aria-hidden="true"]').first(),
    order(keys).getByRole('listitem').first(),
  )
  await expect(order(thumb).getByRole('listitem')).toHaveText([/Name/, /Listen/, /Look/, /Draw/])
  for (let step = 0; step < 3; step++)
    await press(keys, order(keys).getByRole('button', { name: 'Move down: Name what you saw' }))
  await expect(order(thumb).getByRole('listitem')).toHaveText([/Listen/, /Look/, /Draw/, /Name/])

  const words = (at: Page) => space(at, 'The hide in a word')
  await type(keys, words(keys).getByLabel('New word'), 'Quiet')
  await keys.keyboard.press('Enter')
  await words(thumb).getByLabel('New word').fill('quiet')
  await words(thumb).getByRole('button', { name: 'Add word' }).tap()
  await expect(words(keys).getByRole('list', { name: 'Words so far' })).toHaveText(/[Qq]uiet, 2 times/)

  const map = (at: Page) => space(at, 'The map of the paths')
  await type(keys, map(keys).getByLabel('New remark'), 'The north path is missing')
  await keys.keyboard.press('Enter')
  await expect(map(thumb).getByRole('textbox', { name: /^Remark by Bram/ })).toHaveValue(
    'The north path is missing',
  )
  await expect(map(thumb).getByRole('img', { name: 'Code to scan' })).toBeVisible()

  await expectAccessible(thumb)
  await expectAccessible(keys)

  // The other room, so that there is something to compare; what is written for another is put back.
  const doc = await (chi as SimulatedParticipant).openBoard()
  for (const [place, line] of [0, 2, 1, 3].entries()) putAt(doc, 'order', 4, line, place)
  addCard(doc, 'words', 'w1', 'QUIET')
  addCard(doc, 'words', 'w2', 'reeds')
  const me = chi?.view?.me.id ?? ''
  eachOf(doc, 'expect').set(me, { answer: 1, reason: 'Low water.' })
  eachOf(doc, 'expect').set('somebody-else', { answer: 0, reason: 'Said in another’s name.' })
  await expect.poll(() => [...eachOf(doc, 'expect').keys()]).toEqual([me])
  await page.getByRole('button', { name: 'Pond life' }).first().click()
  await expect(page.getByText('They never stop.')).toBeVisible()

  await page.getByRole('button', { name: 'Call back' }).click()
  await passGrace(page, server)
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('button', { name: 'End the session' }).click()
  await page.getByRole('link', { name: 'Review what the groups made' }).click()
  const together = page.getByRole('region', { name: 'All rooms together' })
  await page.getByRole('button', { name: /What will we hear first/ }).click()
  await expect(together.getByRole('listitem').filter({ hasText: 'B A heron' })).toContainText('2')
  await page.getByRole('button', { name: /Put a visit in order/ }).click()
  await expect(together.getByRole('listitem')).toHaveText([
    /^Listen 6/,
    /^Look/,
    /^Draw/,
    /^Name what you saw 0/,
  ])
  await page.getByRole('button', { name: /The hide in a word/ }).click()
  await expect(together.getByRole('list')).toContainText('quiet, 3 times', { ignoreCase: true })
  await expectAccessible(page)
})
