import { chromium } from '@playwright/test'
import config from '../playwright.config'
import { openToAll, openTonight, signIn, simulated } from './browser/fixtures'
import { TestServer } from './browser/server'

const s = await TestServer.withDemo()
const b = await chromium.launch(config.use?.launchOptions)
try {
  const c = await b.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  const page = await c.newPage()
  await signIn(page, s)
  await page.goto(s.address)
  await openTonight(page)
  await page.screenshot({ path: '/tmp/p1.png' })
  const d = await b.newContext({ viewport: { width: 1280, height: 800 } })
  const desk = await d.newPage()
  await signIn(desk, s)
  await desk.goto(page.url())
  await desk.getByRole('button', { name: 'Ask a question' }).click()
  await desk.waitForTimeout(500)
  await desk.screenshot({ path: '/tmp/p2.png' })
} finally {
  await b.close()
  await s.remove()
}
