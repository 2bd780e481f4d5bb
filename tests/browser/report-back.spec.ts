import {
  expect,
  expectAccessible,
  joinOnPhone,
  openToAll,
  passGrace,
  sendOut,
  signIn,
  simulated,
  test,
} from './fixtures'

test('rooms report one after the other: called, put up and timed, ticked off, with points taken down by both at the front that stand in the review', async ({
  facilitator: page,
  server,
  newPage,
  phone,
}) => {
  const code = await openToAll(page)
  const own = await phone()
  await joinOnPhone(own, server, code, 'Chi')
  const people = await simulated(server, code, ['Kaveh'])
  await sendOut(page)
  await page.getByRole('button', { name: 'Call back' }).click()
  await passGrace(page, server)

  await page.getByRole('button', { name: 'Report back' }).click()
  const report = page.getByRole('region', { name: 'Report back' })
  await report.getByLabel('Who reports').selectOption('who did so least over the weeks')
  await report.getByLabel('Time of each').selectOption('1 minute')
  await report.getByRole('checkbox', { name: 'Boards on every page too' }).check()
  await expectAccessible(page)
  await report.getByRole('button', { name: 'Begin the report back' }).click()
  const rooms = report.getByRole('list', { name: 'Rooms in order' }).getByRole('listitem')
  await expect(rooms).toHaveCount(2)

  // The first is called; the phone says when it is its turn, and the class sees who reports.
  const wall = await page.context().newPage()
  await wall.goto(page.url().replace(/\/live$/, '/projector'))
  const onWall = wall.getByRole('region', { name: 'Report back' })
  const onPhone = own.getByRole('region', { name: 'Report back' })
  await report.getByRole('button', { name: 'Call Pond life' }).click()
  await expect(onWall.getByRole('heading')).toHaveText('Pond life: Kaveh')
  await expect(wall.getByRole('region', { name: 'Put up' })).toContainText('Pond life')
  await expect(onPhone).toContainText('Reporting now: Pond life, Kaveh')
  await expect(own.getByRole('region', { name: 'Put up' })).toContainText('Pond life')
  // Two take points down at once: what one has kept comes to the other, and what is half typed when the next is called is kept.
  const tobias = await newPage()
  await signIn(tobias, server, 1)
  await tobias.goto(page.url())
  const theirPoints = tobias.getByRole('region', { name: 'Report back' }).getByLabel('Points')
  await expect(theirPoints).toHaveValue('')
  await report.getByLabel('Points').fill('Newts, in two of three jars.')
  await report.getByLabel('Points').press('Tab')
  await expect(theirPoints).toHaveValue('Newts, in two of three jars.')
  await theirPoints.press('End')
  await theirPoints.pressSequentially('\nMud below.')
  await report.getByRole('button', { name: 'Call Water clarity' }).click()
  await expect(onPhone.getByText('You report for your room now.')).toBeVisible()
  await expectAccessible(own)
  await expectAccessible(wall)
  await expect(report.getByText('points taken down')).toBeVisible()
  await report.getByLabel('Who reports for Water clarity').selectOption('whoever they send')
  await expect(onPhone.getByText('It is your room’s turn.')).toBeVisible()

  // One press ticks off and goes on; what was missed is ticked by hand.
  await report.getByRole('button', { name: /^Heard: / }).click()
  await expect(report.getByRole('checkbox', { name: 'Water clarity' })).toBeChecked()
  await report.getByRole('checkbox', { name: 'Pond life' }).click()
  await expect(report.getByText('All rooms were heard.')).toBeVisible()
  await report.getByRole('button', { name: 'End the report back' }).click()
  await expect(onWall).toBeHidden()
  await expect(wall.getByRole('region', { name: 'Put up' })).toBeHidden()
  await expect(onPhone).toBeHidden()

  await page.getByRole('link', { name: 'Review', exact: true }).click()
  const heard = page.getByRole('list', { name: 'Report back' })
  await expect(heard.getByText('Newts, in two of three jars.\nMud below.')).toBeVisible()
  await expectAccessible(page)
  for (const each of people) each.leave()
})
