import { expect, expectAccessible, expectContrast, onOneServer, openTonight, signIn } from './fixtures'

const test = onOneServer()

const PHONE = { width: 390, height: 844 }

/** The main pages of the demo, found as a user finds them. */
async function pagesOf(page: import('@playwright/test').Page, address: string): Promise<string[]> {
  const first = async (list: string, pattern: RegExp) => {
    await page.goto(address + list)
    const links = await page
      .getByRole('main')
      .getByRole('link')
      .evaluateAll(all => all.map(link => link.getAttribute('href') ?? ''))
    return links.find(link => pattern.test(link)) as string
  }
  const cohort = await first('/cohorts', /^\/cohorts\/[^/]+$/)
  const review = await first('/', /\/review$/)
  return [
    '/',
    '/cohorts',
    cohort,
    `${cohort}/import`,
    `${cohort}/met`,
    `${cohort}/choices/new`,
    `${cohort}/groupings/new`,
    await first(cohort, /^\/groupings\//),
    await first(cohort, /^\/choices\/[^/]+$/),
    '/boards',
    await first('/boards', /^\/boards\/(?!new)/),
    '/boards/new',
    '/sessions',
    await first('/', /^\/sessions\/[^/]+$/),
    '/sessions/new',
    '/material',
    review,
    review.replace('/review', '/live'),
    review.replace('/review', ''),
    review.replace('/review', '/projector'),
    '/accounts',
    '/join',
    '/not-here',
    '/cohorts/not-here',
  ]
}

test('every page is accessible and without a fault, in light and in dark, and fits a phone', async ({
  server,
  newPage,
}) => {
  const page = await newPage({ reducedMotion: 'reduce' })
  await signIn(page, server)
  const desk = page.viewportSize() ?? PHONE
  for (const path of await pagesOf(page, server.address)) {
    await page.goto(server.address + path)
    await expect(page.locator('h1')).toHaveCount(1)
    await expectAccessible(page)
    // What stands there is the same; only colours are others.
    await page.emulateMedia({ colorScheme: 'dark' })
    await expectContrast(page)
    await page.emulateMedia({ colorScheme: 'light' })
    await page.setViewportSize(PHONE)
    const wide = () =>
      page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)
    await expect.poll(wide, { message: path }).toBe(0)
    await page.setViewportSize(desk)
  }
})

test('on a phone Live leaves its lanes the screen, and a page that is not there says so', async ({
  server,
  newPage,
}) => {
  const page = await newPage({ viewport: PHONE, hasTouch: true, isMobile: true })
  await signIn(page, server)
  await page.goto(`${server.address}/not-here`)
  await expect(page.getByText('There is no page at this address.')).toBeVisible()
  await expect(page.getByText(/Error|URL/)).toBeHidden()

  // Live on a phone: the bars leave the lanes most of the screen, and a room's drawer fits it.
  await page.goto(server.address)
  await openTonight(page)
  const lanes = await page.getByRole('button', { name: 'Water clarity', exact: true }).boundingBox()
  expect(lanes?.y).toBeLessThan(844 / 2)
  await page.getByRole('button', { name: 'Water clarity', exact: true }).click()
  const drawer = await page.getByRole('complementary', { name: 'Room Water clarity' }).boundingBox()
  expect([drawer?.x, (drawer?.x ?? 0) + (drawer?.width ?? 999)]).toEqual([0, 390])
})

test('pages come alive without a mismatch, load after load', async ({ server, newPage }) => {
  const page = await newPage()
  await signIn(page, server)
  for (let load = 0; load < 12; load++) {
    await page.goto(`${server.address}${['/', '/cohorts', '/sessions', '/boards/new'][load % 4]}`)
    await page.waitForLoadState('networkidle')
  }
})

test('data given up after the last of them has come are no fault', async ({ server, facilitator: page }) => {
  await page.addInitScript(() => {
    const { fetch } = window
    window.fetch = async (...asked) => {
      const answer = await fetch(...asked)
      if (!answer.url.includes('.data')) return answer
      const bytes = new Uint8Array(await answer.arrayBuffer())
      const { status, headers } = answer
      const givenUp = new ReadableStream({
        start(stream) {
          stream.enqueue(bytes)
          setTimeout(() => stream.error(new DOMException('the page was left', 'AbortError')), 50)
        },
      })
      return new Response(givenUp, { status, headers })
    }
  })
  await page.goto(server.address)
  for (const name of ['Cohorts', 'Boards']) {
    await page.getByRole('link', { name }).click()
    await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
    await page.waitForTimeout(200)
  }
})

test('somebody is dragged into another group', async ({ server, facilitator: page }) => {
  await page.getByRole('link', { name: 'Cohorts' }).click()
  await page.getByRole('link', { name: 'Evening course' }).click()
  await page.getByRole('link', { name: 'Six stations' }).click()
  const [from, to] = [
    page.getByRole('region', { name: 'Water clarity' }),
    page.getByRole('region', { name: 'Pond life' }),
  ]
  const name = (await from.getByRole('button').first().textContent()) ?? ''
  const start = await from.getByRole('button').first().boundingBox()
  const end = await to.boundingBox()
  if (!start || !end) throw new Error('The groups are not on the page.')
  await page.mouse.move(start.x + 20, start.y + 10)
  await page.mouse.down()
  await page.mouse.move(start.x + 40, start.y + 20, { steps: 4 })
  await page.mouse.move(end.x + end.width / 2, end.y + end.height / 2, { steps: 8 })
  await page.mouse.up()
  await expect(to.getByRole('button', { name })).toBeVisible()
  // Said to who can not see it, with names.
  await expect(page.getByRole('status').getByText(/ was put: /)).toContainText(name)
  await expect(from.getByRole('button', { name })).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(from.getByRole('button', { name })).toBeVisible()

  // Somebody else saves first: what was done here is kept, and it is said who was first.
  const other = await page.context().newPage()
  await other.goto(page.url())
  await other.getByLabel('Name of the grouping').fill('Six stations, again')
  await other.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(other.getByText('Saved.')).toBeVisible()
  await page.getByLabel('Name of the grouping').fill('My version')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('Marit Solheim saved this grouping while you were changing it.')).toBeVisible()
  await expect(page.getByLabel('Name of the grouping')).toHaveValue('My version')
  expect(server.address).toBeTruthy()
})
