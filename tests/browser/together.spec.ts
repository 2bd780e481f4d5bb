import { createDecoder, readVarString } from 'lib0/decoding'
import { createEncoder, toUint8Array, writeVarString, writeVarUint, writeVarUint8Array } from 'lib0/encoding'
import {
  allowLostLine,
  expect,
  expectAccessible,
  joinOnPhone,
  openToAll,
  sendOut,
  simulated,
  test,
} from './fixtures'

test('two who type in one sheet and add cards at once lose nothing', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const code = await openToAll(page)
  const [first, second] = [await phone(), await phone()]
  await joinOnPhone(first, server, code, 'Edda')
  await joinOnPhone(second, server, code, 'Kaveh')
  await sendOut(page)
  await expect(first.getByText('Station notes')).toBeVisible()
  await expect(second.getByText('Station notes')).toBeVisible()
  const room = (await first.getByRole('heading', { level: 1 }).textContent()) ?? ''
  if ((await second.getByRole('heading', { level: 1 }).textContent()) !== room) {
    await page.getByRole('button', { name: 'Kaveh', exact: true }).first().click()
    await page.getByRole('menuitem', { name: room }).click()
  }
  await expect(second.getByRole('heading', { level: 1 })).toHaveText(room)

  const sheet = (phonePage: typeof first) => phonePage.getByRole('textbox', { name: 'How would you explain' })
  await sheet(first).click()
  await first.keyboard.type('Begin. ')
  await expect(sheet(second)).toContainText('Begin.')
  await sheet(second).click()
  await second.keyboard.press('Control+End')
  const words = (letter: string) => Array.from({ length: 25 }, (_, index) => `${letter}${index}`).join(' ')
  const cards = async (phonePage: typeof first, letter: string) => {
    for (let number = 0; number < 6; number++) {
      await phonePage.getByLabel('New card').fill(`${letter} card ${number}`)
      await phonePage.getByLabel('New card').press('Enter')
    }
  }
  await Promise.all([
    first.keyboard.type(words('a'), { delay: 8 }),
    second.keyboard.type(words('b'), { delay: 8 }),
  ])
  await Promise.all([cards(first, 'Edda'), cards(second, 'Kaveh')])

  const text = async (phonePage: typeof first) => (await sheet(phonePage).textContent()) ?? ''
  await expect.poll(async () => (await text(first)) === (await text(second))).toBe(true)
  // Both typed at one place or another; every letter of both must be there, the cursors' names aside.
  const letters = (await text(first)).replace(/Edda|Kaveh/g, '')
  expect(letters.match(/a\d/g)).toHaveLength(25)
  expect(letters.match(/b\d/g)).toHaveLength(25)
  for (const each of [first, second]) {
    await expect(each.getByRole('textbox', { name: 'Card by Edda' })).toHaveCount(6)
    await expect(each.getByRole('textbox', { name: 'Card by Kaveh' })).toHaveCount(6)
  }

  // The place is kept after a reload, and after the page was closed and opened again.
  await first.reload()
  await expect(first.getByRole('heading', { level: 1 })).toHaveText(room)
  await expect(first.getByRole('textbox', { name: 'Card by Kaveh' })).toHaveCount(6)
  const address = first.url()
  const context = first.context()
  await first.close()
  const again = await context.newPage()
  await again.goto(address)
  await expect(again.getByRole('heading', { level: 1 })).toHaveText(room)
  await again.goto(`${server.address}/join/${code}`)
  await expect(again.getByRole('heading', { level: 1 })).toHaveText(room)

  // A lost line is found again by itself.
  await expect(again.getByLabel('New card')).toBeVisible()
  allowLostLine(again)
  await context.setOffline(true)
  await again.getByLabel('New card').fill('written offline')
  await again.getByRole('button', { name: 'Add card' }).click()
  await context.setOffline(false)
  await expect(second.getByText('written offline')).toBeVisible({ timeout: 30_000 })
})

/** A cursor in somebody else's name, as it would be sent for a board: the server closes the line it comes over. */
function forgedCursor(copyId: string): Buffer {
  const cursor = createEncoder()
  for (const number of [1, 4711, 1]) writeVarUint(cursor, number)
  writeVarString(cursor, JSON.stringify({ user: { id: 'somebody else' } }))
  const message = createEncoder()
  writeVarString(message, copyId)
  writeVarUint(message, 1)
  writeVarUint8Array(message, toUint8Array(cursor))
  return Buffer.from(toUint8Array(message))
}

test('a board that the server closes is opened again, and nothing written meanwhile is lost', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const code = await openToAll(page)
  const edda = await phone()
  let forge = () => {}
  let closed = 0
  await edda.routeWebSocket(/boards\/socket/, socket => {
    const line = socket.connectToServer()
    let copyId = ''
    socket.onMessage(message => {
      copyId ||= readVarString(createDecoder(Buffer.from(message)))
      line.send(message)
    })
    line.onClose((code, reason) => {
      closed++
      socket.close({ code, reason })
    })
    forge = () => line.send(forgedCursor(copyId))
  })
  await joinOnPhone(edda, server, code, 'Edda')
  const [leo] = await simulated(server, code, ['Leo W.-B.'])
  await sendOut(page)
  await expect(edda.getByText('With Leo W.-B.')).toBeVisible()
  await leo?.writeCard('noticed', 'before')
  await expect(edda.getByRole('textbox', { name: 'Card by Leo W.-B.' })).toHaveCount(1)
  forge()
  await expect.poll(() => closed).toBe(1)
  await edda.getByLabel('New card').fill('written meanwhile')
  await edda.getByRole('button', { name: 'Add card' }).click()
  await leo?.writeCard('noticed', 'after')
  // Without asking again the line would be given up and mended only after half a minute without a word.
  await expect(edda.getByRole('textbox', { name: 'Card by Leo W.-B.' })).toHaveCount(2, { timeout: 15_000 })
  await expect(edda.getByText('Saved', { exact: true })).toBeVisible()
  const shared = await leo?.openBoard()
  await expect.poll(() => JSON.stringify(shared?.toJSON())).toContain('written meanwhile')

  // Of many cards those far away can be read and found alone, until one comes to them; then they stay.
  for (let number = 0; number < 100; number++) await leo?.writeCard('noticed', `more ${number}`)
  const cards = edda.getByRole('list', { name: 'Cards' }).getByRole('listitem')
  await expect(cards).toHaveCount(103)
  await edda.evaluate(() => window.scrollTo(0, 0))
  await edda.reload()
  await expect(cards).toHaveCount(103)
  const fields = edda.getByRole('textbox', { name: 'Card by Leo W.-B.' })
  await expect(fields.first()).toHaveValue('before')
  await expect(cards.nth(102)).toHaveText('more 99 Leo W.-B.')
  await leo?.writeCard('noticed', 'and one below')
  await expect(cards.nth(103)).toHaveText('and one below Leo W.-B.')
  expect(await fields.count()).toBeLessThan(70)
  await cards.nth(75).scrollIntoViewIfNeeded()
  await expect(cards.nth(75).getByRole('textbox')).toHaveValue('more 72')
  await cards.nth(75).getByRole('textbox').fill('written on far down')
  await expect.poll(() => JSON.stringify(shared?.toJSON())).toContain('written on far down')
  await leo?.writeCard('noticed', 'while Edda writes')
  await expect(cards).toHaveCount(105)
  await expect(cards.nth(75).getByRole('textbox')).toBeFocused()
  await expect(fields.first()).toHaveValue('before')
  leo?.leave()
})

test('another’s card is asked about, what was removed is seen in the review, and a full board says so', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const code = await openToAll(page)
  const kaveh = await phone()
  await joinOnPhone(kaveh, server, code, 'Leo W.-B.')
  const [edda] = await simulated(server, code, ['Edda'])
  await sendOut(page)
  await expect(kaveh.getByText('With Edda')).toBeVisible()
  await edda?.writeCard('noticed', 'a card of hers')
  const card = kaveh.getByRole('textbox', { name: 'Card by Edda' })
  await expect(card).toBeVisible()

  // Asked first, and kept when one thinks better of it.
  const remove = kaveh.getByRole('button', { name: 'Remove the card: a card of hers' })
  await remove.click()
  const asked = kaveh.getByRole('group', { name: 'Remove Edda’s card?' })
  await asked.getByRole('button', { name: 'Keep it' }).click()
  await expect(card).toBeVisible()
  await remove.click()
  await asked.getByRole('button', { name: 'Remove it' }).click()
  await expect(card).toBeHidden()
  await expect(kaveh.getByText('Saved', { exact: true })).toBeVisible()

  // Full: it is said, what is typed stays, and so does what is there.
  const doc = await edda?.openBoard()
  for (let part = 0; part < 5; part++) {
    doc?.getText(`part ${part}`).insert(0, 'x'.repeat(850_000))
    await kaveh.waitForTimeout(300)
  }
  await expect(kaveh.getByText('This board is full: nothing more can be added.')).toBeVisible()
  await kaveh.evaluate(() => window.scrollTo(0, document.body.scrollHeight))
  await expectAccessible(kaveh)
  edda?.leave()

  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('button', { name: 'End the session' }).click()
  await page.getByRole('link', { name: 'Review what the groups made' }).click()
  await page.getByText('1 card removed').click()
  await expect(page.getByText('a card of hers')).toBeVisible()
  await expect(page.getByText('(removed by Leo W.-B.)')).toBeVisible()

  // The own link of somebody who has lost theirs, also where the browser has no clipboard to give.
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write'])
  await page.getByRole('button', { name: 'Copy the own link of Leo W.-B.' }).click()
  const link = await page.evaluate(() => navigator.clipboard.readText())
  expect(link).toContain('/mine/')
  await kaveh.goto(link)
  await expect(kaveh.getByRole('heading', { level: 1 })).toBeVisible()
  await page.evaluate(() => Object.defineProperty(navigator, 'clipboard', { value: undefined }))
  await page.getByRole('button', { name: 'Copy the own link of Edda' }).click()
  await expect(page.getByRole('textbox', { name: 'Own link of Edda' })).toHaveValue(/\/mine\//)
})
