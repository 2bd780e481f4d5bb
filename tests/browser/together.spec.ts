import { allowLostLine, expect, joinOnPhone, openTonight, test } from './fixtures'

test('two who type in one sheet and add cards at once lose nothing', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const { code } = await openTonight(page)
  await page.getByText('Waiting list', { exact: true }).click()
  const [first, second] = [await phone(), await phone()]
  await joinOnPhone(first, server, code, 'Edda')
  await joinOnPhone(second, server, code, 'Kaveh')
  await page.getByRole('button', { name: 'Send out' }).click()
  await expect(first.getByText('Station notes')).toBeVisible()
  await expect(second.getByText('Station notes')).toBeVisible()
  const room = (await first.getByRole('heading', { level: 1 }).textContent()) ?? ''
  if ((await second.getByRole('heading', { level: 1 }).textContent()) !== room) {
    await page.getByRole('button', { name: 'Kaveh' }).first().click()
    await page.getByRole('menuitem', { name: room }).click()
  }
  await expect(second.getByRole('heading', { level: 1 })).toHaveText(room)

  const sheet = (phonePage: typeof first) => phonePage.getByRole('textbox', { name: 'How would you explain' })
  await sheet(first).click()
  await first.keyboard.type('Begin. ')
  await expect(sheet(second)).toContainText('Begin.')
  await sheet(second).click()
  await second.keyboard.press('Control+End')
  const words = (letter: string) => Array.from({ length: 25 }, (_, place) => `${letter}${place}`).join(' ')
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
