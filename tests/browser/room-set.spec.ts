import { expect, expectAccessible, joinOnPhone, openToAll, sendOut, simulated, test } from './fixtures'

test('while the session runs, rooms are added, merged and opened again as they were, and who comes late is placed', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const code = await openToAll(page)
  const people = await simulated(server, code, ['Bram O.', 'Chi', 'Edda', 'Farouk B.', 'Greta L.'])
  const own = await phone()
  await joinOnPhone(own, server, code, 'Ana Per.')
  await sendOut(page)
  const title = own.getByRole('heading', { level: 1 })
  await expect(title).not.toHaveText('Whole group')
  const room = (await title.textContent()) ?? ''
  await expect(own.getByText('Saved')).toBeVisible()
  const lanes = page.getByRole('list', { name: 'Rooms' })
  const lane = (name: string) => lanes.getByRole('button', { name, exact: true })
  const others = ['Water clarity', 'Pond life', 'Birds by ear'].filter(name => name !== room)
  const [into = '', another = ''] = others

  // Something is written before the rooms are merged.
  await own.getByRole('textbox').first().fill('Seen before the rooms were merged')
  await own.getByRole('button', { name: /^Add/ }).first().click()
  await expect(own.getByText('Seen before the rooms were merged').first()).toBeVisible()
  await expect(own.getByText('Saved', { exact: true })).toBeVisible()

  // Merged: everybody is in the other room, and reads what the first one made.
  await lane(room).click()
  const drawer = page.getByRole('complementary', { name: `Room ${room}` })
  const more = /^Name, link/
  await drawer.getByText(more).click()
  await drawer.getByLabel('Close the room; its people go').selectOption(`into ${into}`)
  await expectAccessible(page)
  await drawer.getByRole('button', { name: 'Close it' }).click()
  await expect(title).toHaveText(into)
  await expect(lane(room)).toHaveCount(0)
  await own.getByRole('button', { name: `Read what ${room} has made` }).click()
  await expect(own.getByText('Seen before the rooms were merged')).toBeVisible()
  await expectAccessible(own)

  // Opened again, its people are back with their board.
  await page.getByRole('button', { name: `Open again: ${room}` }).click()
  await expect(title).toHaveText(room)
  await expect(own.getByText('Seen before the rooms were merged').first()).toBeVisible()

  // Closed rooms come back in the place of all others as well: those are closed then, with their work.
  await lane(another).click()
  const next = page.getByRole('complementary', { name: `Room ${another}` })
  await next.getByText(more).click()
  await next.getByRole('button', { name: 'Close it' }).click()
  await expect(lane(another)).toHaveCount(0)
  await page.getByRole('button', { name: `Open again instead of the others: ${another}` }).click()
  await expect(lane(another)).toBeVisible()
  await expect(lane(room)).toHaveCount(0)
  await expect(title).toHaveText('Whole group')
  await page.getByRole('button', { name: new RegExp(`^Open again instead of the others: .*${room}`) }).click()
  await expect(title).toHaveText(room)
  await expect(own.getByText('Seen before the rooms were merged').first()).toBeVisible()
  await expect(lane(another)).toHaveCount(0)
  await page.getByRole('button', { name: `Open again: ${another}` }).click()
  await expect(lane(another)).toBeVisible()

  // The groups go out as text, with the link of each room's call, which its people find on their page.
  await lane(room).click()
  await drawer.getByText(more).click()
  const link = drawer.getByLabel('Link of its call')
  await link.fill('talk.example/one')
  await drawer.getByRole('button', { name: 'Save' }).click()
  await expect(drawer.getByText('A link begins with https://')).toBeVisible()
  await link.fill('https://talk.example/one')
  await drawer.getByRole('button', { name: 'Save' }).click()
  await expect(own.getByRole('link', { name: 'Join the call of your room' })).toHaveAttribute(
    'href',
    'https://talk.example/one',
  )
  await drawer.getByRole('button', { name: 'Close', exact: true }).click()
  await page.evaluate(() => Object.defineProperty(navigator, 'clipboard', { value: undefined }))
  await page.getByRole('button', { name: 'Copy the groups as text' }).click()
  const text = page.getByRole('textbox', { name: 'The groups as text' })
  await expect(text).toHaveValue(/^Evening 6: Six stations\n/)
  await expect(text).toHaveValue(new RegExp(`${room}: .*Ana Per\\.\nhttps://talk.example/one`))

  // Who is left alone is shown so, with the move that mends it.
  await lanes
    .getByRole('button', { name: /^Move .* to / })
    .first()
    .click()
  // One more room; its name has to be its own.
  await page.getByRole('button', { name: 'Add a room' }).click()
  await page.getByLabel('Name of the new room').fill(another.toUpperCase())
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText(`Two rooms would be called ${another.toUpperCase()}.`)).toBeVisible()
  await page.getByLabel('Name of the new room').fill('The quiet corner')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(lane('The quiet corner')).toBeVisible()

  // Who comes late is asked about, with the one move that places them; then the rule says where.
  const [asked] = await simulated(server, code, ['Hyacinth O.'])
  await page.getByRole('button', { name: /^Hyacinth O.: to / }).click()
  await asked?.until(view => view.whereabouts.where === 'room')
  await page.getByRole('button', { name: 'How people go' }).click()
  await page.getByLabel('Who comes late').selectOption('into the smallest room')
  const [placed] = await simulated(server, code, ['Kaveh'])
  const view = await placed?.until(({ whereabouts }) => whereabouts.where === 'room')
  expect(view?.whereabouts).toMatchObject({ name: 'The quiet corner' })

  // Closed, its people are with the whole group.
  await lane('The quiet corner').click()
  await page.getByText(more).click()
  await page.getByRole('button', { name: 'Close it' }).click()
  await placed?.until(({ whereabouts }) => whereabouts.where === 'whole')
  await expect(page.getByRole('button', { name: 'Open again: The quiet corner' })).toBeVisible()
  for (const each of [...people, asked, placed]) each?.leave()
})
