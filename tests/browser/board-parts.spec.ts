import {
  expect,
  expectAccessible,
  joinOnPhone,
  letAllIn,
  openTonight,
  sendOut,
  simulated,
  test,
} from './fixtures'

test('a board in parts: made in the editor, one part opened by hand in one room, the next when the group is done', async ({
  facilitator: page,
  server,
  phone,
}) => {
  // The board of tonight's session gets a second and a third part.
  await page.goto(`${server.address}/boards`)
  await page.getByRole('link', { name: 'Station notes', exact: true }).click()
  await page.getByRole('button', { name: 'Add a part' }).click()
  await page.getByLabel('Name of part 2').fill('Plan a visit')
  await page.getByLabel('Instructions', { exact: true }).fill('Agree on three stops.\nSay who tells what.')
  await page.getByLabel('Minutes', { exact: true }).fill('8')
  await page.getByRole('button', { name: 'Add a part' }).click()
  await page.getByLabel('Name of part 3').fill('Look back')
  await page.getByLabel('It opens').nth(1).selectOption('when the part before is done')
  await page.getByLabel('It stands in part').nth(1).selectOption('2. Plan a visit')
  await page.getByLabel('It stands in part').nth(2).selectOption('3. Look back')
  // A kind of prompt with something missing says so at its place, and what was typed stays.
  await page.getByRole('group', { name: 'Add a prompt' }).getByRole('button', { name: 'Add link' }).click()
  await page.getByLabel('What it asks').nth(3).fill('The map of the paths')
  await page.getByLabel('Address').fill('lowmarsh.example')
  await page.getByRole('button', { name: 'Save the board' }).click()
  await expect(page.getByText('Write a whole address that begins with https://')).toBeVisible()
  await expect(page.getByLabel('Address')).toHaveValue('lowmarsh.example')
  await page.getByLabel('Address').fill('https://lowmarsh.example')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Save the board' }).click()
  await expect(page.getByText('Saved. Sessions that are already open')).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('It stands in part').nth(2)).toHaveValue(/.+/)
  await expect(page.getByLabel('Instructions', { exact: true }).first()).toHaveValue(
    'Agree on three stops.\nSay who tells what.',
  )

  const { code } = await openTonight(page)
  const own = await phone()
  await joinOnPhone(own, server, code, 'Ana Per.')
  const [chi] = await simulated(server, code, ['Chi'])
  await letAllIn(page)
  await sendOut(page)
  await expect(own.getByText('2 more parts open later.')).toBeVisible()
  await expect(own.getByText('Agree on three stops.')).toBeHidden()
  expect(JSON.stringify(chi?.view)).not.toContain('Agree on three stops.')

  // By hand, in one room: the drawer of that room.
  const room = (await own.getByRole('heading', { level: 1 }).textContent()) ?? ''
  await page.getByRole('button', { name: room, exact: true }).first().click()
  const drawer = page.getByRole('complementary', { name: `Room ${room}` })
  // A tick that is on when the server says so: pressing it is all a hand does.
  await drawer.getByLabel('Part 2: Plan a visit').click()
  await expect(own.getByRole('heading', { name: /^Plan a visit/ })).toBeVisible()
  await expect(own.getByText('Agree on three stops.')).toBeVisible()
  await expect(own.getByText('One more part opens later.')).toBeVisible()
  await drawer.getByRole('button', { name: 'Close' }).click()

  // When the group says that it is done, the next one opens, and the lane says so.
  const plan = own.getByRole('region', { name: 'Plan a visit' })
  await plan.getByRole('button', { name: 'We are done with this part' }).tap()
  await expect(own.getByRole('heading', { name: /^Look back/ })).toBeVisible()
  await expect(page.getByText('done with part 2')).toBeVisible()
  await expectAccessible(own)
  await plan.getByRole('button', { name: 'Done with this part' }).tap()
  await expect(own.getByRole('heading', { name: /^Look back/ })).toBeHidden()

  // All rooms at once.
  const later = page.getByRole('list', { name: 'Parts that open later' })
  await expect(later.getByRole('listitem').first()).toContainText('open in 1 of 6 rooms')
  await later.getByRole('listitem').last().getByRole('button', { name: 'Open in all' }).click()
  await expect(own.getByRole('heading', { name: /^Look back/ })).toBeVisible()
  await chi?.until(view => JSON.stringify(view.board).includes('Look back'))
  await later.getByRole('listitem').first().getByRole('button', { name: 'Shut in all' }).click()
  await expect(own.getByText('Agree on three stops.')).toBeHidden()
  await expectAccessible(page)
})

test('a board is begun from a starter, changed and kept', async ({ facilitator: page, server }) => {
  await page.goto(`${server.address}/boards/new`)
  await page.getByText(/^Begin from one of/).click()
  await expectAccessible(page)
  await page.getByRole('list', { name: 'Starters' }).getByRole('link', { name: 'For and against' }).click()
  await expect(page.getByLabel('Title')).toHaveValue('For and against')
  await expect(page.getByLabel('Columns').first()).toHaveValue('For\nAgainst')
  await expect(page.getByLabel('Points go to the cards of')).toHaveValue('reasons')
  // Another one, thought better of; what was chosen last is what there is.
  await page.getByText(/^Begin from one of/).click()
  await page.getByRole('list', { name: 'Starters' }).getByRole('link', { name: 'Case, in roles' }).click()
  await expect(page.getByRole('textbox', { name: 'Rows' })).toHaveValue('Neighbour\nVisitor\nWarden\nFarmer')
  await page.getByLabel('Title').fill('The hide, in roles')
  await page.getByRole('textbox', { name: 'Rows' }).fill('Neighbour\nAngler')
  await page.getByRole('button', { name: 'Save the board' }).click()
  await expect(page.getByText('Saved. Sessions that are already open')).toBeVisible()
  await expect(page.getByRole('heading', { level: 1, name: 'The hide, in roles' })).toBeVisible()
  // Sent before the fields of its settings have come, they stay as they were.
  const address = page.url()
  await page.goto(`${server.address}/boards`)
  await page.route(/table-settings-[^/]*\.js$/, () => undefined)
  await page.getByRole('link', { name: 'The hide, in roles' }).click()
  await expect(page.getByText('Opening…').first()).toBeVisible()
  const sent = page.waitForResponse(answer => answer.request().method() === 'POST')
  await page.getByRole('button', { name: 'Save the board' }).click()
  await sent
  await page.unrouteAll({ behavior: 'ignoreErrors' })
  await page.goto(address)
  await expect(page.getByRole('textbox', { name: 'Rows' })).toHaveValue('Neighbour\nAngler')
})
