import {
  allowLostLine,
  expect,
  expectAccessible,
  joinOnPhone,
  letAllIn,
  openPlanned,
  planOneRound,
  putInRoom,
  sendOut,
  test,
} from './fixtures'

test('a board for all rooms, another for one; everybody thinks first: cards stay with who writes them, also without a line, until the facilitator opens them', async ({
  facilitator: page,
  server,
  phone,
}) => {
  await page.goto(`${server.address}/boards/new`)
  await page.getByRole('button', { name: 'Think, pair, share' }).click()
  await page.waitForURL(/\/boards\/(?!new)/)
  await planOneRound(page)
  const { code } = await openPlanned(page)
  const [ana, bram] = [await phone(), await phone()]
  await joinOnPhone(ana, server, code, 'Ana Per.')
  await joinOnPhone(bram, server, code, 'Bram O.')
  await letAllIn(page)
  for (const who of ['Ana Per.', 'Bram O.']) await putInRoom(page, who, 'Pond life')
  // The board comes to all rooms in one move, and one room gets another.
  await page.getByRole('button', { name: 'A board for all rooms' }).click()
  await page.getByLabel('A board for all rooms').selectOption('Think, pair, share')
  await page.getByRole('button', { name: 'Give it' }).click()
  await expect(page.getByRole('button', { name: 'Give it' })).toBeHidden()
  await page.getByRole('button', { name: 'Soil and peat', exact: true }).first().click()
  const other = page.getByRole('complementary', { name: 'Room Soil and peat' })
  await expect(other.getByRole('heading', { name: 'Think, pair, share' })).toBeVisible()
  await other.getByText('Name, link, board, close').click()
  await other.getByRole('button', { name: 'Another board' }).click()
  await other.getByLabel('Another board').selectOption('Look closely')
  await other.getByRole('button', { name: 'Give it' }).click()
  await expect(other.getByRole('heading', { name: 'Look closely' })).toBeVisible()
  await other.getByRole('button', { name: 'Close', exact: true }).click()
  // Whose code for it is slow to come has all else of the board meanwhile.
  let letThrough = () => {}
  const held = new Promise<void>(resolve => {
    letThrough = resolve
  })
  await bram.route(/assets\/hidden-cards-[^/]*\.js/, async route => {
    await held
    await route.continue()
  })
  await sendOut(page)
  await expect(bram.getByText('Opening…')).toBeVisible()
  await expect(bram.getByRole('heading', { level: 3 }).first()).toBeVisible()
  letThrough()
  await expect(ana.getByText('Only you see your cards now.')).toBeVisible()
  await ana.getByLabel('New card').fill('Frogs are early')
  await ana.getByLabel('New card').press('Enter')
  await expect(ana.getByText('You have written your 1 card.')).toBeVisible()
  await expect(ana.getByText('Saved')).toBeVisible()
  await bram.getByLabel('New card').fill('No newts')
  await bram.getByLabel('New card').press('Enter')
  await expect(bram.getByText('Saved')).toBeVisible()
  await expect(bram.getByText('Frogs are early')).toBeHidden()
  await expectAccessible(ana)

  // The room from above: how much there is, and not what.
  await page.getByRole('button', { name: 'Pond life', exact: true }).first().click()
  const drawer = page.getByRole('complementary', { name: 'Room Pond life' })
  await expect(drawer.getByText('each writes alone until you open them: 2 cards by 2 people')).toBeVisible()
  await expect(drawer.getByText('Everybody writes alone here')).toBeVisible()
  await expectAccessible(page)

  // Bram loses his line, changes his card, and the cards are opened meanwhile.
  allowLostLine(bram)
  await expect(bram.getByText('This page, with your board, also opens without a line')).toBeVisible()
  await bram.context().setOffline(true)
  await bram.getByRole('textbox', { name: 'Card by Bram O.' }).fill('No newts at all')
  // The page goes and comes back meanwhile, from what the browser keeps.
  await bram.waitForTimeout(500)
  await bram.reload()
  await expect(bram.getByRole('textbox', { name: /^Card/ })).toHaveValue('No newts at all')
  await drawer.getByRole('button', { name: 'Open here' }).click()
  await expect(ana.getByRole('textbox', { name: 'Card by Bram O.' })).toHaveValue('No newts')
  await expect(ana.getByRole('textbox', { name: 'Card by Ana Per.' })).toHaveValue('Frogs are early')
  await bram.context().setOffline(false)
  await expect(bram.getByRole('textbox', { name: 'Card by Ana Per.' })).toHaveValue('Frogs are early')
  await expect(ana.getByRole('textbox', { name: 'Card by Bram O.' })).toHaveValue('No newts at all')
  await expect(bram.getByText('Saved')).toBeVisible()
  await expect(drawer.getByText('open here, by a facilitator')).toBeVisible()

  // The other rooms with this board at once; the one with another has nothing to open.
  const everywhere = drawer.getByRole('button', { name: 'Open in all rooms' })
  await everywhere.click()
  await expect(everywhere).toBeHidden()
  await page.getByRole('button', { name: 'Reeds and rushes', exact: true }).first().click()
  const third = page.getByRole('complementary', { name: 'Room Reeds and rushes' })
  await expect(third.getByText('open here, by a facilitator')).toBeVisible()
})
