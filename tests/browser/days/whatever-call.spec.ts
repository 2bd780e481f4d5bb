import { expect, expectAccessible, joinByName, sendOut, simulated, startNow, test } from '../fixtures'

const ROOMS = ['Tower', 'Jetty', 'Weir', 'Hide']
const linkOf = (room: string) => `https://talk.example/${room.toLowerCase()}`
const PAGE = { status: 200, contentType: 'text/html', body: '<title>A call elsewhere</title>' }

test('four rooms, each with the link of some call service and its names beside it: all in view at once, and one after the other is visited and heard', async ({
  server,
  facilitator: page,
  phone,
}) => {
  await page.context().route('https://talk.example/**', route => route.fulfill(PAGE))
  const code = await startNow(page)
  const own = await phone()
  await own.context().route('https://talk.example/**', route => route.fulfill(PAGE))
  await joinByName(own, server, code, 'Zofia')
  const people = await simulated(server, code, ['Ada', 'Ben', 'Cleo', 'Dov', 'Ewa', 'Finn', 'Gil'])
  await page.getByRole('button', { name: 'Make groups' }).click()
  const drawer = page.getByRole('complementary', { name: 'Make groups' })
  await drawer.getByLabel('Groups are').selectOption('by hand, from empty rooms')
  await drawer.getByLabel('Rooms, one on each line').fill(ROOMS.join('\n'))
  await drawer.getByRole('button', { name: 'Make these rooms' }).click()
  await expect(page.getByRole('list', { name: 'Rooms' }).locator('> li')).toHaveCount(4)
  await drawer.getByLabel('Groups are').selectOption('made now')
  await drawer.getByLabel('People each').fill('2')
  await drawer.getByRole('button', { name: /^(Make groups|Reshuffle)$/ }).click()
  const lane = (name: string) => page.getByRole('listitem', { name, exact: true })
  for (const name of ROOMS) await expect(lane(name).locator('.lane-name')).toHaveCount(2)
  await drawer.getByRole('button', { name: 'Close', exact: true }).click()
  const room = (name: string) => page.getByRole('complementary', { name: `Room ${name}` })
  for (const name of ROOMS) {
    await lane(name).getByRole('button', { name, exact: true }).click()
    await expect(room(name).getByRole('link', { name: 'Open the call of this room' })).toBeHidden()
    await room(name)
      .getByText(/^Name, link/)
      .click()
    await room(name).getByLabel('Link of its call').fill(linkOf(name))
    await room(name).getByRole('button', { name: 'Save' }).click()
    await expect(room(name).getByRole('link', { name: 'Open the call of this room' })).toBeVisible()
    await room(name).getByRole('button', { name: 'Close', exact: true }).click()
  }
  await sendOut(page)

  // Whoever is in a room sees who else is, and the way to its call.
  const heading = own.getByRole('heading', { level: 1 })
  await expect(heading).toHaveText(new RegExp(`^(${ROOMS.join('|')})$`))
  const itsRoom = (await heading.textContent()) ?? ''
  const [call] = await Promise.all([
    own.waitForEvent('popup'),
    own.getByRole('link', { name: 'Join the call of your room' }).click(),
  ])
  await expect(call).toHaveURL(linkOf(itsRoom))

  // All four are in view; one is visited and its call opened, then the next, and the visit goes along.
  for (const name of ROOMS) {
    await expect(lane(name)).toBeInViewport()
    await expect(lane(name).locator('.lane-name')).toHaveCount(2)
  }
  await lane('Tower').getByRole('button', { name: 'Tower', exact: true }).click()
  await room('Tower').getByRole('button', { name: 'Visit', exact: true }).click()
  await expect(lane('Tower')).toContainText('visits')
  for (const [place, name] of ROOMS.entries()) {
    const before = ROOMS[place - 1]
    if (before) await room(before).getByRole('heading', { name: before }).press('ArrowRight')
    await expect(lane(name)).toContainText('visits')
    await expect(room(name).getByRole('list', { name: 'In this room' }).getByRole('listitem')).toHaveCount(2)
    const [heard] = await Promise.all([
      page.waitForEvent('popup'),
      room(name).getByRole('link', { name: 'Open the call of this room' }).click(),
    ])
    await expect(heard).toHaveURL(linkOf(name))
    await heard.close()
    await page.bringToFront()
  }
  await expect(lane('Tower')).not.toContainText('visits')
  await expectAccessible(page)
  for (const each of people) each.leave()
})
