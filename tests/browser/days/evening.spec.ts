import {
  allowLostLine,
  expect,
  expectAccessible,
  joinCodeOf,
  joinOnPhone,
  letAllIn,
  simulated,
  test,
} from '../fixtures'

test('the demo’s evening runs with one key: two rounds with other groups and boards, stations and the next station', async ({
  server,
  facilitator: page,
  phone,
}) => {
  await page.getByRole('link', { name: 'Look it over and open' }).click()
  await expect(page.getByRole('list', { name: 'Segments' }).getByRole('button')).toHaveCount(8)
  await expectAccessible(page)
  await page.getByRole('button', { name: /^Stations, one room on/ }).click()
  await expect(page.getByLabel('How they go')).toHaveValue('invited')
  await expect(page.getByLabel('Board of room 6')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Open the session' }).click()
  await expect(page.getByText('Now: Welcome')).toBeVisible()
  const code = await joinCodeOf(page)
  const own = await phone()
  await joinOnPhone(own, server, code, 'Ana Per.')
  const names = ['Bram O.', 'Chi', 'Edda', 'Farouk B.', 'Greta L.', 'Tamsin']
  await simulated(server, code, names)
  await letAllIn(page)
  // Who walks in has no room by the plan.
  await page.getByRole('button', { name: /^Tamsin/ }).click()
  await page.getByRole('menuitem', { name: 'Pond life' }).click()
  const title = own.getByRole('heading', { level: 1 })
  const key = async () => {
    await page.getByRole('heading', { level: 1 }).click()
    await page.keyboard.press('n')
    const anyway = page.getByRole('button', { name: 'Send out as it is' })
    await expect(anyway.or(page.getByRole('button', { name: 'Call back' })).first()).toBeVisible()
    if (await anyway.isVisible()) await anyway.click()
    await expect(page.getByRole('button', { name: 'Call back' })).toBeVisible()
  }

  // The first round: six stations, notes.
  await key()
  await expect(title).not.toHaveText('Whole group')
  const station = (await title.textContent()) ?? ''
  await expect(own.getByText('What did you notice at this station?')).toBeVisible()
  await own.getByRole('textbox').first().fill('Reeds as high as the jetty')
  await own.getByRole('button', { name: /^Add/ }).first().click()
  await expect(own.getByText('Saved', { exact: true })).toBeVisible()
  await server.moveClock(13 * 60_000 + 1_000)
  await expect(page.getByText('Now: What did you notice?')).toBeVisible()
  await expect(title).toHaveText('Whole group')
  // What comes is said to everybody; its rooms are others, on another board.
  await expect(own.getByText('then: A walk of one hour, 12 min')).toBeVisible()

  await key()
  await expect(title).toHaveText(/^Team \d$/)
  await expect(own.getByText('Which stops belong in the walk?')).toBeVisible()
  await expect(own.getByText(/^You (lead|report|write|keep time)\.$/)).toBeVisible()
  await server.moveClock(6 * 60_000 + 1_000)
  await expect(own.getByText('Half time: begin with the opening words now.')).toBeVisible()
  // Somebody comes in mid-round.
  await simulated(server, code, ['Hyacinth O.'])
  await page.getByRole('button', { name: /^Let in/ }).click()
  await expect(page.getByRole('button', { name: /^Hyacinth O\.: to Team/ })).toBeVisible()
  await page.getByRole('button', { name: /^Hyacinth O\.: to Team/ }).click()
  await server.moveClock(7 * 60_000)
  await expect(title).toHaveText('Whole group')

  // A break waits to be begun; after it the first groups are there again, each with the board of its station.
  await page.getByRole('button', { name: 'Break, 10 min' }).click()
  await expect(page.getByText('Now: Break')).toBeVisible()
  await key()
  await expect(title).toHaveText(station)
  await expect(own.getByText(`What must a new steward know about ${station}?`)).toBeVisible()
  await own.getByRole('textbox').first().fill('Wear boots')
  await own.getByRole('button', { name: /^Add/ }).first().click()
  await expect(own.getByText('Saved', { exact: true })).toBeVisible()
  await expect(page.getByText('Wear boots').first()).toBeVisible()

  // The server is killed in mid-round, and what fell due meanwhile is done once.
  for (const one of [page, own]) allowLostLine(one)
  await server.end('SIGKILL')
  await server.start()
  await server.moveClock(8 * 60_000 + 31_000)
  await expect(title).toHaveText('Whole group')
  await expect(page.getByText('Then: Stations, one room on, 8 min')).toBeVisible()

  // One room on, by invitation.
  await key()
  const go = own.getByRole('button', { name: /^Go to / })
  await expect(go).toBeVisible()
  const next = ((await go.textContent()) ?? '').replace('Go to ', '').trim()
  expect(next).not.toBe(station)
  await expect(page.getByText(/invited have not gone/)).toBeVisible()
  await go.click()
  await expect(title).toHaveText(next)
  await expect(own.getByText(`What must a new steward know about ${next}?`)).toBeVisible()
  await expectAccessible(own)
  await expectAccessible(page)
  await server.moveClock(9 * 60_000)
  await expect(page.getByText('Now: Report back')).toBeVisible()

  // Everything anybody made is in the review, by round and room.
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('button', { name: 'End the session' }).click()
  await page.getByRole('link', { name: 'Review what the groups made' }).click()
  await expect(page.getByText('Reeds as high as the jetty').first()).toBeVisible()
})
