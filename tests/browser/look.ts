import { chromium } from '@playwright/test'
import config from '../../playwright.config'
import { joinOnPhone, openToAll, signIn, simulated } from './fixtures'
import { TestServer } from './server'

const server = await TestServer.withDemo()
const browser = await chromium.launch(config.use?.launchOptions)
const page = await (
  await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' })
).newPage()
const phone = await (
  await browser.newContext({
    viewport: { width: 390, height: 844 },
    isMobile: true,
    hasTouch: true,
    locale: 'en-GB',
  })
).newPage()
const shot = (p: typeof page, n: string) =>
  p.screenshot({ path: `/tmp/shots/${n}.png`, animations: 'disabled' })
try {
  await signIn(page, server)
  const code = await openToAll(page)
  const people = await simulated(server, code, [
    'Ana Per.',
    'Ana Pet.',
    'Bram O.',
    'Chi',
    'Dafydd P.',
    'Farouk B.',
    'Greta L.',
  ])
  await joinOnPhone(phone, server, code, 'Edda')
  await page.getByRole('button', { name: 'Send out', exact: true }).click()
  await page.waitForTimeout(500)
  await shot(page, 'alone')
  await page.getByRole('button', { name: 'Send out as it is' }).click()
  await phone.getByLabel('New card').fill('Reeds bend before the wind does')
  await phone.getByRole('button', { name: 'Add card' }).click()
  for (const p of people)
    await p.writeCard((p.view as any).board.prompts[0].id, 'Seen near the jetty').catch(() => 0)
  await phone.waitForTimeout(800)
  await phone
    .getByRole('button', { name: /^Remove the card/ })
    .first()
    .click()
  await server.moveClock(8 * 60_000)
  await phone.reload()
  await people[0]?.ask({ type: 'call-help' })
  await people[3]?.ask({ type: 'call-help' })
  await phone.waitForTimeout(1500)
  await shot(phone, 'phone-warning')
  await phone.getByText('1 removed card').click()
  await phone.evaluate(() => window.scrollTo(0, 300))
  await phone.waitForTimeout(300)
  await shot(phone, 'phone-removed')
  await shot(page, 'live-calls')
  const fp = await (
    await browser.newContext({
      viewport: { width: 390, height: 844 },
      isMobile: true,
      hasTouch: true,
      locale: 'en-GB',
    })
  ).newPage()
  await signIn(fp, server)
  await fp.goto(page.url())
  await fp.waitForTimeout(1500)
  await shot(fp, 'live-phone')
  await fp.getByRole('button', { name: /rooms call/ }).click()
  await fp.waitForTimeout(1200)
  await shot(fp, 'live-phone-drawer')
} finally {
  await browser.close()
  await server.remove()
  process.exit(0)
}
