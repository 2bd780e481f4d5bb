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
  const second = page.getByRole('region', { name: /^Part 2/ })
  // Typed as people do: what is kept meanwhile takes the field from nobody.
  await second.getByLabel('Name of part 2').pressSequentially('Plan a visit', { delay: 120 })
  await expect(second.getByLabel('Name of part 2')).toHaveValue('Plan a visit')
  await second.getByLabel('Instructions').fill('Agree on three stops.\nSay who tells what.')
  await second.getByLabel('Minutes', { exact: true }).fill('8')
  await page.getByRole('button', { name: 'Add a part' }).click()
  await page.getByLabel('Name of part 3').fill('Look back')
  await page
    .getByRole('region', { name: /^Part 3/ })
    .getByLabel('It opens')
    .selectOption('when the part before is done')
  // Over the edges of the parts: the last prompt into the third, the one before into the second.
  for (const number of [3, 3, 2])
    await page.getByRole('button', { name: `Move prompt ${number} down` }).click()
  await expect(page.getByRole('list', { name: 'Prompts of part 3' }).getByRole('listitem')).toHaveCount(1)
  // A kind of prompt with something wrong says so at its place, and what was typed stays.
  await page.getByRole('button', { name: 'Add a prompt to part 1' }).click()
  await page.getByRole('menuitem', { name: /^Link/ }).click()
  await page.getByLabel('What it asks').fill('The map of the paths')
  await expect(page.getByText('Prompt 2: Write the address it leads to.')).toBeVisible()
  await page.getByLabel('Address').fill('lowmarsh.example')
  await expect(page.getByText('Write a whole address that begins with https://')).toBeVisible()
  await expect(page.getByLabel('Address')).toHaveValue('lowmarsh.example')
  await page.getByLabel('Address').fill('https://lowmarsh.example')
  await expect(page.getByText(/^Still missing/)).toBeHidden()
  await expectAccessible(page)
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('list', { name: 'Prompts of part 3' }).getByRole('listitem')).toHaveCount(1)
  await expect(second.getByLabel('Instructions')).toHaveValue('Agree on three stops.\nSay who tells what.')

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
