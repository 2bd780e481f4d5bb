import { expect, expectAccessible, onOneServer, sendOut, signIn } from './fixtures'

const test = onOneServer()
const TONIGHT = 'Evening 6: Six stations'

test('from Today a class is at work within a minute; one sees a participant’s page; of it all only what it showed is kept, in the plan', async ({
  server,
  facilitator: page,
}) => {
  const began = Date.now()
  await page.getByRole('button', { name: 'Try it with a simulated class' }).click()
  const bar = page.getByRole('complementary', { name: 'Rehearsal' })
  await expect(bar).toContainText('nobody here is real')
  await expect(page.getByRole('heading', { name: `Rehearsal: ${TONIGHT}` })).toBeVisible()
  await expect(page.getByText('With Simulated co-facilitator')).toBeVisible()
  // They come, are let in and sent out by themselves, and write.
  await expect(page.getByRole('button', { name: 'Call back' })).toBeVisible()
  await expect(page.getByText('1 of 3 begun').first()).toBeVisible()
  expect(Date.now() - began).toBeLessThan(60_000)
  await expectAccessible(page)

  // Time goes as fast as it is set: here a minute in some seconds, and then hardly at all.
  const left = page.getByText(/^\d+:\d\d$/).first()
  const seconds = async () => {
    const [minutes = 0, rest = 0] = ((await left.textContent()) ?? '').split(':').map(Number)
    return minutes * 60 + rest
  }
  await bar.getByLabel('Speed').selectOption('1')
  const before = await seconds()
  await page.waitForTimeout(2_000)
  expect(before - (await seconds())).toBeLessThan(8)
  await bar.getByLabel('Speed').selectOption('10')

  // What one of them sees: their page, with the board of their room, marked as a rehearsal.
  await bar.getByRole('button', { name: 'See a participant’s page' }).click()
  const whose = bar.getByLabel('Whose page')
  await expect(whose.locator('option').nth(30)).toBeAttached()
  const opened = page.waitForEvent('popup')
  await bar.getByRole('button', { name: 'Open', exact: true }).click()
  const their = await opened
  await expect(their.getByText('What is written here is not kept.')).toBeVisible()
  await expect(their.getByText('What did you notice at this station?')).toBeVisible()
  await expect(their.getByText('Saved', { exact: true })).toBeVisible()
  await expectAccessible(their)
  const projector = await page.context().newPage()
  await projector.goto(`${page.url().replace(/\/live$/, '')}/projector`)
  await expect(projector.getByText('What is written here is not kept.')).toBeVisible()

  // In no list, while it runs.
  const other = await page.context().newPage()
  await other.goto(`${server.address}/sessions`)
  await expect(other.getByRole('link', { name: TONIGHT })).toBeVisible()
  await expect(other.getByText('Rehearsal:')).toHaveCount(0)

  await bar.getByRole('button', { name: 'End the rehearsal' }).click()
  const showed = page.getByRole('region', { name: 'What the rehearsal showed' })
  await expect(showed).toContainText(/3\d simulated participants, 1 round, \d+ contributions/)
  await expect(page.getByRole('button', { name: 'Open the session' })).toBeVisible()
  // Whoever still looks on is told, and its address leads nowhere any more.
  await expect(their.getByText(/ended/i).first()).toBeVisible()
  await projector.reload()
  await expect(projector.getByText('It may have been removed')).toBeVisible()
  // It goes as soon as it is asked for: the page is read again only once that was answered.
  const answered = page.waitForResponse(
    response => response.request().method() === 'POST' && response.url().includes('/rehearse'),
  )
  await showed.getByRole('button', { name: 'Put away' }).click()
  await answered
  await expect(showed).toHaveCount(0)
  await page.reload()
  await expect(page.getByRole('region', { name: 'Readiness' })).toBeVisible()
  await expect(showed).toHaveCount(0)
})

test('a script of one’s own: what is wrong is said at its field and stays; a third absent; run by hand, and what went wrong comes back into the plan', async ({
  server,
  page,
}) => {
  await signIn(page, server, 1)
  await page.getByRole('link', { name: 'Look it over and open' }).click()
  await page.getByRole('button', { name: 'Rehearse', exact: true }).click()
  const people = page.getByLabel('People', { exact: true })
  await expect(people).toHaveValue('24')
  await people.fill('500')
  await page.getByLabel('Write nothing (%)').fill('60')
  await page.getByLabel('Write much (%)').fill('50')
  await page.getByRole('button', { name: 'Begin the rehearsal' }).click()
  await expect(page.getByText('At most 200 people.')).toBeVisible()
  await people.fill('24')
  await page.getByRole('button', { name: 'Begin the rehearsal' }).click()
  await expect(page.getByText('With those who write nothing that is more than all of them.')).toBeVisible()
  await expect(page.getByLabel('Write nothing (%)')).toHaveValue('60')
  await expectAccessible(page)
  await page.getByLabel('Write much (%)').fill('0')
  await page.getByLabel('Never come (%)').fill('33')
  await page.getByLabel('Come late (%)').fill('0')
  await page.getByLabel('Speed').selectOption('30')
  await page.getByRole('button', { name: 'Begin the rehearsal' }).click()

  // Sixteen of the list wait at the door until somebody lets them in.
  await expect(page.getByRole('button', { name: 'Let all 16 in' })).toBeVisible()
  // Two minutes and more, in some seconds: they have waited long.
  await page.waitForTimeout(5_000)
  await page.getByRole('button', { name: 'Let all 16 in' }).click()
  await sendOut(page)
  await page.waitForTimeout(8_000)
  await page.getByRole('button', { name: 'End the rehearsal' }).click()
  const showed = page.getByRole('region', { name: 'What the rehearsal showed' })
  await expect(showed).toContainText('16 simulated participants, 1 round')
  await expect(showed).toContainText('16 people waited at the door')
})
