import { expect, expectAccessible, onOneServer, openCohort, signIn } from './fixtures'

const test = onOneServer()

test('groups that were not saved survive a reload, the menu and Back, until they are saved or dropped', async ({
  facilitator: page,
  server,
  newPage,
}) => {
  await openCohort(page, 'Weekend course')
  await page.getByRole('link', { name: 'Make groups' }).click()
  const make = page.getByRole('button', { name: 'Make groups' })
  const place = await make.boundingBox()
  await page.getByLabel('Fresh pairs').fill('1')
  await expect(page.getByText(/^Not saved yet\. Kept in this browser as a draft/)).toBeVisible()
  // The line comes a moment after the change: a button that somebody is pressing just then stays where it is.
  expect(await make.boundingBox()).toEqual(place)
  // An aim alone is a draft too, and what was changed the moment before one goes is in it.
  await page.getByLabel('Fresh pairs').fill('3')
  await page.reload()
  await expect(page.getByText(/These groups are a draft from/)).toBeVisible()
  await expect(page.getByLabel('Fresh pairs')).toHaveValue('3')
  await make.click()
  const first = page.getByRole('region', { name: 'Group 1' })
  await expect(first).toBeVisible()
  await expect(page.getByText('looking for better groups')).toBeHidden()
  const names = async () => (await first.getByRole('listitem').allInnerTexts()).toSorted()
  const before = await names()
  await page.reload()
  await expect(page.getByText(/These groups are a draft from/)).toBeVisible()
  await expect.poll(names).toEqual(before)
  await expectAccessible(page)
  await page.getByRole('link', { name: 'Today' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Today' })).toBeVisible()
  await page.goBack()
  await expect(first).toBeVisible()
  await expect.poll(names).toEqual(before)

  // Saved, there is no draft any more: neither of this grouping nor for the next new one.
  await page.getByLabel('Name of the grouping').fill('From a draft')
  await page.getByRole('button', { name: 'Save the grouping' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'From a draft' })).toBeVisible()
  await openCohort(page, 'Weekend course')
  await page.getByRole('link', { name: 'Make groups' }).click()
  await expect(page.getByText('What to make')).toBeVisible()
  await expect(page.getByText(/These groups are a draft/)).toBeHidden()

  // Dropped, a kept grouping is as it was saved.
  await page.getByRole('link', { name: 'Weekend course' }).click()
  await page.getByRole('link', { name: 'From a draft' }).click()
  await page.getByRole('button', { name: 'Hold Group 1' }).click()
  await expect(page.getByText(/^Not saved yet/)).toBeVisible()
  await page.reload()
  await expect(page.getByText('stay where they are when groups are made again')).toBeVisible()
  await page.getByRole('button', { name: 'Drop the draft' }).click()
  await expect(page.getByText('stay where they are when groups are made again')).toBeHidden()
  await page.reload()
  await expect(page.getByText(/These groups are a draft/)).toBeHidden()

  // Saved over by another meanwhile, a draft waits beside what stands there now: what is changed then does not take its place.
  const hold = (at: typeof page, number: number) => at.getByRole('button', { name: `Hold Group ${number}` })
  const held = (number: number) => page.getByRole('button', { name: `Let go of Group ${number}` })
  await hold(page, 1).click()
  await expect(page.getByText(/^Not saved yet/)).toBeVisible()
  const other = await newPage()
  await signIn(other, server, 1)
  await other.goto(page.url(), { waitUntil: 'networkidle' })
  await hold(other, 2).click()
  await other.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(other.getByText('Saved.')).toBeVisible()
  const earlier = page.getByText(/There is a draft from .* made before somebody saved this grouping anew/)
  await page.reload()
  await expect(earlier).toBeVisible()
  await expect(hold(page, 1)).toBeVisible()
  await expect(held(2)).toBeVisible()
  await page.getByLabel('Fresh pairs').fill('1')
  await expect(page.getByText(/^Not saved yet/)).toBeVisible()
  await page.reload()
  await expect(page.getByText(/These groups are a draft from/)).toBeVisible()
  await expect(earlier).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Take up the draft' }).click()
  await expect(earlier).toBeHidden()
  for (const _time of ['as it was taken up', 'and loaded again']) {
    await expect(held(1)).toBeVisible()
    await expect(hold(page, 2)).toBeVisible()
    await expect(page.getByLabel('Fresh pairs')).toHaveValue('3')
    await page.reload()
    await expect(page.getByText(/These groups are a draft from/)).toBeVisible()
  }
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('Saved.')).toBeVisible()
  await page.reload()
  await expect(held(1)).toBeVisible()
  await expect(page.getByText(/(is|are) a draft/)).toBeHidden()

  // One that nobody wants is dropped for good.
  await hold(page, 3).click()
  await expect(page.getByText(/^Not saved yet/)).toBeVisible()
  await other.reload({ waitUntil: 'networkidle' })
  await hold(other, 2).click()
  await other.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(other.getByText('Saved.')).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: 'Drop it' }).click()
  await page.reload()
  await expect(held(2)).toBeVisible()
  await expect(page.getByText(/(is|are) a draft/)).toBeHidden()
})

test('a finger that stays takes somebody along to another group', async ({ server, newPage, browser }) => {
  const page = await newPage({ viewport: { width: 1024, height: 768 }, hasTouch: true })
  await signIn(page, server)
  await openCohort(page, 'Weekend course')
  await page.getByRole('link', { name: 'Make groups' }).click()
  await page.getByRole('button', { name: 'Make groups' }).click()
  await expect(page.getByText('looking for better groups')).toBeHidden()
  const chip = page.getByRole('region', { name: 'Group 1' }).getByRole('listitem').first()
  const target = page.getByRole('region', { name: 'Group 2' })
  const name = (await chip.textContent())?.trim() ?? ''
  await chip.scrollIntoViewIfNeeded()
  const [from, to] = [await chip.boundingBox(), await target.boundingBox()]
  if (!from || !to || !browser) throw new Error('Nothing to drag.')
  const touch = await page.context().newCDPSession(page)
  const at = (type: string, x: number, y: number) =>
    touch.send('Input.dispatchTouchEvent', {
      type: type as 'touchStart',
      touchPoints: type === 'touchEnd' ? [] : [{ x, y }],
    })
  const [x, y] = [from.x + from.width / 2, from.y + from.height / 2]
  await at('touchStart', x, y)
  await page.waitForTimeout(350)
  for (let step = 1; step <= 8; step++) {
    await at('touchMove', x + ((to.x + 60 - x) * step) / 8, y + ((to.y + 60 - y) * step) / 8)
    await page.waitForTimeout(30)
  }
  await at('touchEnd', 0, 0)
  await expect(target.getByRole('listitem').filter({ hasText: name })).toBeVisible()
})
