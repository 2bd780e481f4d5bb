import {
  allowLostLine,
  expect,
  expectAccessible,
  joinOnPhone,
  openToAll,
  signIn,
  simulated,
  switchWaitingList,
  test,
} from '../fixtures'

test('two lead: one waits alone and somebody is brought, a late one is let in and placed, a line drops and comes back', async ({
  server,
  facilitator: page,
  newPage,
  phone,
}) => {
  const code = await openToAll(page)
  const other = await newPage()
  await signIn(other, server, 1)
  await other.goto(page.url())
  await expect(other.getByText('With Marit Solheim')).toBeVisible()
  await expect(page.getByText('With Tobias')).toBeVisible()
  const [bram] = await simulated(server, code, [
    'Bram O.',
    'Chi',
    'Edda',
    'Farouk B.',
    'Greta L.',
    'Hyacinth O.',
  ])
  const lanes = page.getByRole('list', { name: 'Rooms' })

  // Both press at the same moment: people are sent out once.
  await expect(other.getByRole('list', { name: 'Rooms' }).locator('.lane-name')).toHaveCount(6)
  // Pressed without waiting: what one press does takes the other's button away.
  const atOnce = async (name: string) => {
    const buttons = [page, other].map(each => each.getByRole('button', { name, exact: true }))
    const found = await Promise.all(buttons.map(button => button.elementHandle()))
    await Promise.all(found.map(button => button?.evaluate(element => (element as HTMLElement).click())))
  }
  await atOnce('Send out')
  const begun = bram?.until(view => view.clock !== null)
  await atOnce('Send out as it is')
  for (const each of [page, other]) {
    await expect(each.getByRole('button', { name: 'Call back' })).toBeVisible()
    await expect(each.getByRole('alert')).toBeHidden()
  }
  expect(bram?.view?.clock).toEqual((await begun)?.clock)

  // Somebody is alone: said, with the move that mends it.
  const alone = lanes.getByRole('listitem').filter({ hasText: 'one alone' })
  await expect(alone.first()).toBeVisible()
  const before = await alone.count()
  await alone
    .first()
    .getByRole('button', { name: /^(Move|Bring)/ })
    .first()
    .click()
  await expect(alone).not.toHaveCount(before)
  await expectAccessible(page)

  // Who comes late waits at the door, is let in, and placed by one press.
  await switchWaitingList(other)
  const own = await phone()
  await joinOnPhone(own, server, code, 'Ana Per.')
  await expect(own.getByText('You are on the waiting list.')).toBeVisible()
  await other.getByRole('button', { name: /^Let in/ }).click()
  await other.getByRole('button', { name: /^Ana Per\.: to / }).click()
  const title = own.getByRole('heading', { level: 1 })
  await expect(title).not.toHaveText(/Whole group|Waiting list/)
  const room = (await title.textContent()) ?? ''

  // A message to all, marked on every page.
  await other.getByPlaceholder('Broadcast to all').fill('Come, we disagree')
  await other.keyboard.press('Enter')
  await expect(own.getByText('Come, we disagree')).toBeVisible()

  // Both ask something at the same moment: one question is open, and the other is told before it closes that one.
  let goOn = () => {}
  const free = new Promise<void>(resolve => {
    goOn = resolve
  })
  await other.route('**/commands', async route => {
    await free
    await route.continue()
  })
  for (const [each, question] of [
    [other, 'Sun?'],
    [page, 'Rain?'],
  ] as const) {
    await each.getByRole('button', { name: 'Ask a question' }).click()
    await each.getByLabel('Question', { exact: true }).fill(question)
    await each.getByRole('button', { name: 'Yes, no', exact: true }).click()
  }
  await expect(own.getByText('Rain?')).toBeVisible()
  goOn()
  await expect(other.getByText('Another question has just been asked: “Rain?”')).toBeVisible()
  await expect(own.getByText('Rain?')).toBeVisible()
  await other.getByRole('button', { name: 'Yes, no', exact: true }).click()
  await expect(own.getByText('Sun?')).toBeVisible()
  await page.getByRole('button', { name: 'Close the question' }).click()

  // One closes a room that the other has open, with a note half typed: it says so, and keeps what was typed in sight.
  const closing = 'Reading the map'
  const drawers = [page, other].map(each =>
    each.getByRole('complementary', { name: new RegExp(`^Room ${closing}`) }),
  )
  for (const each of [page, other]) await each.getByRole('button', { name: closing, exact: true }).click()
  await drawers[1]?.getByLabel('Note to this room').fill('Look at the sluice')
  await drawers[0]?.getByText('Name, link, close').click()
  await drawers[0]?.getByRole('button', { name: 'Close it' }).click()
  await expect(drawers[1]?.getByText('This room has just been closed.') ?? lanes).toBeVisible()
  await expect(drawers[0] ?? lanes).toBeHidden()
  await expect(drawers[1]?.getByLabel('What you had begun to write to it') ?? lanes).toHaveValue(
    'Look at the sluice',
  )
  await expectAccessible(other)
  await drawers[1]?.getByRole('button', { name: 'Close', exact: true }).click()

  // A facilitator's line drops: the session goes on, and the other is told.
  allowLostLine(other)
  await other.context().setOffline(true)
  await other.goto('about:blank').catch(() => undefined)
  await expect(page.getByText(/Tobias .*has no line/)).toBeVisible({ timeout: 30_000 })
  await expect(page.getByText('The session goes on by its clock.')).toBeVisible()
  await other.context().setOffline(false)
  await other.goto(page.url())
  await expect(page.getByText('With Tobias')).toBeVisible()
  await expect(other.getByRole('button', { name: 'Call back' })).toBeVisible()

  // A participant's page is gone and comes back to its room.
  const place = own.url()
  await own.goto('about:blank')
  await expect(lanes.getByRole('button', { name: /^Ana Per.*away/ })).toBeVisible({ timeout: 30_000 })
  await own.goto(place)
  await expect(title).toHaveText(room)
  await expect(lanes.getByRole('button', { name: /^Ana Per.*away/ })).toBeHidden({ timeout: 30_000 })

  // That room is closed, its people sit with others; then it opens again as it was.
  await own.getByRole('textbox').first().fill('We disagree about the sluice')
  await own.getByRole('button', { name: /^Add/ }).first().click()
  await expect(own.getByText('Saved', { exact: true })).toBeVisible()
  const [into = ''] = ['Water clarity', 'Pond life'].filter(name => name !== room)
  const drawer = page.getByRole('complementary', { name: `Room ${room}` })
  const closeIt = async () => {
    await lanes.getByRole('button', { name: room, exact: true }).click()
    await drawer.getByText('Name, link, close').click()
    await drawer.getByLabel('Close the room; its people go').selectOption(`into ${into}`)
    await drawer.getByRole('button', { name: 'Close it' }).click()
    await expect(title).toHaveText(into)
  }
  await closeIt()
  await page.getByRole('button', { name: `Open again: ${room}` }).click()
  await expect(title).toHaveText(room)
  await expect(own.getByText('We disagree about the sluice').first()).toBeVisible()

  // One alone may write there.
  await lanes.getByRole('button', { name: /^Ana Per\./ }).click()
  await page.getByRole('menuitem', { name: /^Ana Per\. leads/ }).click()
  await lanes.getByRole('button', { name: room, exact: true }).click()
  await drawer.getByLabel('Who writes in this room').selectOption('lead writes')
  await expect(own.getByText('You write for your room.')).toBeVisible()
  await drawer.getByRole('button', { name: 'Close', exact: true }).click()

  // Closed for good: what it made is still there afterwards.
  await closeIt()
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('button', { name: 'End the session' }).click()
  await page.getByRole('link', { name: 'Review what the groups made' }).click()
  await expect(page.getByText('We disagree about the sluice').first()).toBeVisible()
})
