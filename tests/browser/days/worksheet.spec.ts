import type { Page } from '@playwright/test'
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
  simulated,
  space,
  test,
} from '../fixtures'

const OUTLINE = `Which does not belong?

1. Look at both pictures first.
2. Write one card each.

- What have they in common?

## Decide

1. Agree on one.

- Which does not belong, and why?
  - The birds
  - The map
  - Both do
`

test('a worksheet of two parts with two pictures of the library: six copies, who writes what seen from above, a redirect and a visit, who is done; stopped, gone on with after the whole group, and all points put together', async ({
  server,
  facilitator: page,
  phone,
}) => {
  // Made once, from an outline, with pictures that lay in the library before.
  await makeBoard(page, server, OUTLINE)
  await page.getByRole('button', { name: /Which does not belong, and why/ }).click()
  await page.getByText('Ask why').click()
  await addPrompt(page, /^Pictures/, 'Look at both')
  await page.getByRole('checkbox', { name: 'Two birds of the reeds' }).check()
  await page.getByRole('checkbox', { name: 'Map of the marsh' }).check()
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible()

  // Six copies; each lands on its own.
  const { code, sessionId } = await openWithBoard(page, 'Which does not belong?')
  const [ana, otter] = [await phone(), await phone()]
  await joinOnPhone(ana, server, code, 'Ana Per.')
  // First names, or a nickname of one's own; the facilitator sees who is not on the list.
  await otter.goto(`${server.address}/join/${code}`)
  await otter.getByLabel('Your name').fill('Otter')
  await otter.getByRole('button', { name: 'I am not on the list: join as “Otter”' }).tap()
  await otter.waitForURL(/\/s\//)
  const [chi] = await simulated(server, code, ['Chi'])
  await letAllIn(page)
  await putInRoom(page, 'Ana Per.', 'Pond life')
  await putInRoom(page, 'Otter not on the list', 'Pond life')
  await putInRoom(page, 'Chi', 'Soil and peat')
  await sendOut(page)
  for (const name of ['Two birds of the reeds', 'Map of the marsh']) {
    const picture = ana.getByRole('img', { name, exact: true })
    await expect
      .poll(() => picture.evaluate(each => (each as HTMLImageElement).naturalWidth))
      .toBeGreaterThan(0)
  }
  await expect(ana.getByText('Which does not belong, and why?')).toBeHidden()

  // From above: who writes what; what strays is redirected by a note, and by a visit.
  const common = (at: Page) => space(at, 'What have they in common?')
  await common(ana).getByLabel('New card').fill('Both are green')
  await common(ana).getByLabel('New card').press('Enter')
  await common(otter).getByLabel('New card').fill('I was at the sea')
  await common(otter).getByLabel('New card').press('Enter')
  await page.getByRole('button', { name: 'Pond life', exact: true }).first().click()
  const drawer = page.getByRole('complementary', { name: 'Room Pond life' })
  const card = (text: string) => drawer.getByRole('listitem').filter({ hasText: text })
  await expect(card('I was at the sea')).toContainText('Otter')
  await expect(card('Both are green')).toContainText('Ana Per.')
  await expect(ana.getByText('With Otter')).toBeVisible()
  await expect(drawer.getByText(/^Written: \d+ of 100 even/)).toBeVisible()
  await drawer.getByLabel('Note to this room').fill('Stay with the two pictures')
  await drawer.getByRole('button', { name: 'Send the note' }).click()
  await expect(otter.getByText('Stay with the two pictures')).toBeVisible()
  await drawer.getByRole('button', { name: 'Visit' }).click()
  await expect(ana.getByText(/is in your room, listening/)).toBeVisible()
  await expect(ana.getByText('Both are green')).toBeVisible()
  await drawer.getByRole('button', { name: 'Close', exact: true }).click()
  await expect(ana.getByText(/is in your room, listening/)).toBeHidden()

  // Stopped after the first part, and on with the second after the whole group has talked.
  await page.getByRole('button', { name: 'Call back' }).click()
  await passGrace(page, server)
  await expect(ana.getByRole('heading', { level: 1, name: 'Whole group' })).toBeVisible()
  await sendOut(page)
  await expect(ana.getByRole('heading', { level: 1, name: 'Pond life' })).toBeVisible()
  await expect(common(ana).getByText('I was at the sea')).toBeVisible()
  const later = page.getByRole('list', { name: 'Parts that open later' })
  await later.getByRole('button', { name: 'Open in all' }).click()
  await expect(ana.getByRole('heading', { name: /^Decide/ })).toBeVisible()
  await chi?.until(view => JSON.stringify(view.board).includes('Which does not belong, and why?'))
  const which = (at: Page) => space(at, 'Which does not belong, and why?')
  await which(ana)
    .getByRole('button', { name: /The map/ })
    .tap()
  await expect(which(otter).getByRole('button', { name: /The map/ })).toHaveAttribute('aria-pressed', 'true')
  await which(otter)
    .getByLabel(/^Because|^Why/)
    .fill('It is not alive')
  await ana
    .getByRole('region', { name: 'Decide' })
    .getByRole('button', { name: 'We are done with this part' })
    .tap()
  await expect(page.getByRole('listitem', { name: 'Pond life' }).getByText('done with part 2')).toBeVisible()
  await expectAccessible(ana)

  // All points side by side.
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('alertdialog').getByRole('button', { name: 'End the session' }).click()
  await page.goto(`${server.address}/sessions/${sessionId}/review`)
  const room = page.getByRole('article', { name: 'Pond life' })
  await expect(room.getByText('Both are green')).toBeVisible()
  await expect(room.getByText('I was at the sea')).toBeVisible()
  await page.getByRole('button', { name: /Which does not belong/ }).click()
  await expect(room.getByText('It is not alive')).toBeVisible()
  await expect(page.getByText('Begun in 1 of 6 rooms')).toBeVisible()
  await expectAccessible(page)
  chi?.leave()
})
