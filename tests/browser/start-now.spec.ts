import { expect, expectAccessible, sendOut, simulated, test } from './fixtures'

test('with nothing prepared, twelve walk-ins are at work in groups of three after five actions', async ({
  server,
  facilitator: page,
  phone,
}) => {
  let actions = 0
  const act = async (what: Promise<void>) => {
    actions++
    await what
  }
  await act(page.getByRole('button', { name: 'Start now' }).click())
  await expect(page.getByText('There are no rooms yet.')).toBeVisible()
  // The code to scan stands there by itself: people have to come in first.
  await expect(page.getByAltText('Code to scan for joining')).toBeVisible()
  await expectAccessible(page)
  const code =
    (
      await page
        .getByText(/^Join code/)
        .locator('b')
        .textContent()
    )?.trim() ?? ''

  const own = await phone()
  await own.goto(`${server.address}/join/${code}`)
  await own.getByLabel('Your name').fill('Zofia')
  await own.getByRole('button', { name: 'Join', exact: true }).click()
  await own.waitForURL(/\/s\//)
  const names = ['Ada', 'Bea', 'Cem', 'Dov', 'Eli', 'Fay', 'Gus', 'Hal', 'Ida', 'Jon', 'Kit']
  const people = await simulated(server, code, names)
  await expect(page.locator('b').filter({ hasText: 'Whole group' })).toBeVisible()

  await act(page.getByRole('button', { name: 'Make groups' }).click())
  const drawer = page.getByRole('complementary', { name: 'Make groups' })
  await expect(drawer.getByText('4 groups: 3, 3, 3, 3')).toBeVisible()
  await drawer.getByLabel('People each').fill('0')
  await expect(drawer.getByText('Enter a whole number of at least 1.')).toBeVisible()
  await expect(drawer.getByRole('button', { name: 'Make groups' })).toBeDisabled()
  await act(drawer.getByLabel('People each').fill('3'))
  await expectAccessible(page)
  await act(drawer.getByRole('button', { name: 'Make groups' }).click())
  const lanes = page.getByRole('list', { name: 'Rooms' }).getByRole('listitem')
  await expect(lanes.filter({ hasText: 'Group' })).toHaveCount(4)
  const first = await page.getByRole('list', { name: 'Rooms' }).innerText()
  // Not the same again, and nobody has moved yet.
  await drawer.getByRole('button', { name: 'Reshuffle' }).click()
  await expect.poll(() => page.getByRole('list', { name: 'Rooms' }).innerText()).not.toBe(first)
  await expect(lanes.filter({ hasText: 'Group' })).toHaveCount(4)
  await expect(own.getByText(/Group \d/).first()).toBeVisible()

  await act(page.getByRole('button', { name: 'Send out', exact: true }).click())
  await expect(page.getByRole('button', { name: 'Call back' })).toBeVisible()
  await Promise.all(people.map(each => each.until(view => view.whereabouts.where === 'room')))
  expect(actions).toBeLessThanOrEqual(8)
  const sizes = new Map<string, number>()
  for (const { view } of people) {
    const name = view?.whereabouts.where === 'room' ? view.whereabouts.name : ''
    sizes.set(name, view?.whereabouts.where === 'room' ? view.whereabouts.members.length : 0)
  }
  expect([...sizes.values()]).toEqual(sizes.size === 4 ? [3, 3, 3, 3] : [3, 3, 3])
  await expect(own.getByRole('heading', { level: 1, name: /^Group \d$/ })).toBeVisible()
  await expectAccessible(own)

  // Renamed where it stands; the whole class sees it.
  await page.getByRole('button', { name: 'Rename the session' }).click()
  await page.getByLabel('Title of the session').fill('Reading circle')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Reading circle' })).toBeVisible()

  // Back, and out again in other groups: the rooms before are closed, and are seen in the review.
  await page.getByRole('button', { name: 'Call back' }).click()
  await server.moveClock(61_000)
  await page.getByRole('button', { name: 'Other groups' }).click()
  await drawer.getByLabel('Say how').selectOption('so many groups')
  await drawer.getByLabel('Groups', { exact: true }).fill('2')
  await drawer.getByRole('button', { name: 'Reshuffle' }).click()
  await expect(lanes.filter({ hasText: 'Group' })).toHaveCount(2)
  await sendOut(page)
  await expect(own.getByRole('heading', { level: 1, name: /^Group [12]$/ })).toBeVisible()
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('button', { name: 'End the session' }).click()
  await page.getByRole('link', { name: 'Review what the groups made' }).click()
  await expect(page.getByRole('row', { name: /^Zofia/ })).toContainText('Group')
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await expect(page.getByText('Grouping: none. Board: none.')).toBeVisible()
  await page.getByRole('link', { name: 'Sessions' }).click()
  await expect(page.getByRole('link', { name: 'Reading circle' })).toBeVisible()
  for (const each of people) each.leave()
})
