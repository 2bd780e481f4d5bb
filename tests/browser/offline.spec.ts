import type { Page } from '@playwright/test'
import {
  allowLostLine,
  expect,
  expectAccessible,
  joinOnPhone,
  letAllIn,
  openTonight,
  passGrace,
  putInRoom,
  sendOut,
  test,
} from './fixtures'

const card = async (page: Page, text: string) => {
  await page.getByLabel('New card').fill(text)
  await page.getByRole('button', { name: 'Add card' }).click()
}
/** Whose they are is known once the server has them. */
const cardsOf = (page: Page, by: string) => page.getByRole('textbox', { name: `Card by ${by}` })
/** What the cards on a page say. */
const saysOf = (page: Page) => page.getByRole('textbox', { name: /^Card/ })
const DOWN = 'The line to the server is down.'

/** What a browser still keeps of participants' pages. */
const kept = (page: Page) =>
  page.evaluate(async () => {
    const names = (await indexedDB.databases()).map(({ name }) => name ?? '')
    const pages = 'caches' in window ? await (await caches.open('pages')).keys() : []
    return [...names.filter(name => name.startsWith('round-table/')), ...pages.map(({ url }) => url)]
  })

test('without a server a page opens again with the board and what was typed, is written on, and all of it comes in when the server is back; what comes after the round is kept aside; afterwards nothing is left in the browser', async ({
  server,
  facilitator: page,
  phone,
}) => {
  allowLostLine(page)
  const { code, sessionId } = await openTonight(page)
  const [ana, bram] = [await phone(), await phone()]
  for (const each of [ana, bram]) allowLostLine(each)
  await joinOnPhone(ana, server, code, 'Ana Per.')
  // One of them comes by an address from which browsers keep no pages.
  const plain = { address: server.address.replace('localhost', 'plain.example') }
  await joinOnPhone(bram, plain, code, 'Bram O.')
  await letAllIn(page)
  for (const who of ['Ana Per.', 'Bram O.']) await putInRoom(page, who, 'Pond life')
  await expect(ana.getByText('This page, with your board, also opens without a line')).toBeVisible()
  await sendOut(page)
  await card(ana, 'before')
  await card(bram, 'Bram was here')
  await expect(cardsOf(ana, 'Bram O.')).toHaveCount(1)
  await expect(ana.getByText('Saved', { exact: true })).toBeVisible()

  // Gone in the middle; closed and opened again; written on, and opened once more.
  await server.end('SIGKILL')
  await expect(ana.getByText(DOWN)).toBeVisible()
  const closed = 'Keep this page open meanwhile: from this address it can’t be opened without a line.'
  await expect(bram.getByText(closed)).toBeVisible()
  await expect(ana.getByText(closed)).toBeHidden()
  await card(ana, 'without a server')
  await expect(ana.getByText(/^No line/)).toBeVisible()
  await ana.reload()
  await expect(ana.getByRole('heading', { level: 1, name: 'Pond life' })).toBeVisible()
  await expect(saysOf(ana)).toHaveText(['before', 'Bram was here', 'without a server'])
  await expect(ana.getByText(/^No line/)).toBeVisible()
  await card(ana, 'after a reload')
  await ana.reload()
  await expect(saysOf(ana)).toHaveText(['before', 'Bram was here', 'without a server', 'after a reload'])
  await expect(ana.getByText('This page, with your board, also opens without a line')).toBeVisible()
  await expect(ana.getByText(closed)).toBeHidden()
  await expectAccessible(ana)
  await server.start()
  await expect(ana.getByText(DOWN)).toBeHidden({ timeout: 30_000 })
  await expect(ana.getByText('Saved', { exact: true })).toBeVisible({ timeout: 30_000 })
  await expect(cardsOf(bram, 'Ana Per.')).toHaveCount(3)
  await card(bram, 'all there')
  await expect(cardsOf(ana, 'Bram O.')).toHaveCount(2)

  // The round ends while she has no line: what she writes meanwhile is hers, and not the board's.
  await ana.context().setOffline(true)
  await card(ana, 'from the bus')
  await expect(ana.getByText(/^No line/)).toBeVisible()
  await page.getByRole('button', { name: 'Call back' }).click()
  await passGrace(page, server)
  await expect(bram.getByRole('heading', { level: 1, name: 'Whole group' })).toBeVisible()
  await ana.context().setOffline(false)
  await expect(ana.getByText('came too late for the board')).toBeVisible({ timeout: 30_000 })
  await expect(
    page.getByRole('listitem', { name: 'Pond life', exact: true }).getByText('came late'),
  ).toBeVisible()
  await expectAccessible(ana)
  await ana.getByRole('button', { name: 'Put away' }).click()
  await expect(ana.getByText('came too late for the board')).toBeHidden()

  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('alertdialog').getByRole('button', { name: 'End the session' }).click()
  for (const each of [ana, bram]) {
    await expect(each.getByText('The session has ended.')).toBeVisible()
    await expect.poll(() => kept(each)).toEqual([])
  }
  await page.goto(`${server.address}/sessions/${sessionId}/review`)
  const room = page.getByRole('article', { name: 'Pond life' })
  await expect(room.getByText('Came late, and is not on the board')).toBeVisible()
  await expect(room.getByText('from the bus')).toBeVisible()
  await expectAccessible(page)
  await ana.getByRole('link', { name: 'See what we made' }).click()
  await expect(ana.getByText('from the bus')).toBeVisible()

  // A facilitator puts it on the board after all; her own link, which shows the board as she left it, says so beside it.
  await page.getByRole('button', { name: 'Put what Ana Per. wrote on the board' }).click()
  await expect(room.getByText('put on the board by Marit Solheim')).toBeVisible()
  await expect(room.getByText('and is not on the board')).toBeHidden()
  await expect(room.getByRole('listitem').filter({ hasText: 'from the bus' })).toHaveCount(2)
  await ana.reload()
  await expect(ana.getByText('put on the board by Marit Solheim')).toBeVisible()
})

test('who gives a name back leaves nothing in the browser, and whoever has it next never sees the page of the one before', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const { code } = await openTonight(page)
  const shared = await phone()
  allowLostLine(shared)
  const opens = shared.getByText('This page, with your board, also opens without a line')
  await joinOnPhone(shared, server, code, 'Ana Per.')
  await expect(opens).toBeVisible()
  await shared.getByRole('button', { name: 'That’s not me' }).click()
  await shared.getByRole('button', { name: 'Give the name back' }).click()
  await shared.waitForURL(/\/join\//)
  await expect.poll(() => kept(shared)).toEqual([])

  // Another page is still kept here when somebody else comes: theirs is one of its own, or none.
  await joinOnPhone(shared, server, code, 'Bram O.')
  await expect(opens).toBeVisible()
  const pages = () =>
    shared.evaluate(async () => {
      const cache = await caches.open('pages')
      return Promise.all((await cache.keys()).map(async key => (await cache.match(key))?.text() ?? ''))
    })
  expect((await pages()).join()).toContain('Bram O.')
  await shared.context().clearCookies()
  await joinOnPhone(shared, server, code, 'Edda')
  await shared.context().setOffline(true)
  await expect.poll(async () => (await pages()).join().includes('Bram O.')).toBe(false)
})
