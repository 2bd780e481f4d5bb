import { chromium } from '@playwright/test'
import config from '../../playwright.config'
import { signIn } from './fixtures'
import prepareDemo from './prepare-demo'
import { TestServer } from './server'

await prepareDemo()
const own = await TestServer.withDemo()
const browser = await chromium.launch({ ...config.use?.launchOptions })
const page = await (
  await browser.newContext({ ...config.use, viewport: { width: 1280, height: 800 } })
).newPage()
page.on('pageerror', e => console.log('pageerror', e.message))
page.on('console', m => m.type() === 'error' && console.log('console', m.text()))
await signIn(page, own)
await page.goto(`${own.address}/boards`)
await page.getByRole('link', { name: 'Worksheet: an afternoon at the hide' }).click()
await page.getByRole('region', { name: 'The board on a phone' }).waitFor()
await page.waitForTimeout(1500)
await page.setViewportSize({ width: 390, height: 844 })
await page.waitForTimeout(500)
await page.screenshot({ path: '/tmp/p1.png' })
await page.setViewportSize({ width: 1280, height: 800 })
await page.emulateMedia({ colorScheme: 'dark' })
await page.waitForTimeout(500)
await page.screenshot({ path: '/tmp/p2.png' })
await page.emulateMedia({ colorScheme: 'light' })
await page.getByRole('link', { name: 'Print' }).click()
await page.getByLabel('For the groups of').selectOption({ index: 1 })
await page
  .getByRole('region', { name: /^Sheet of / })
  .first()
  .waitFor()
await page.waitForTimeout(500)
await page.screenshot({ path: '/tmp/p3.png' })
await page.pdf({ path: '/tmp/p.pdf', format: 'A4' })
await browser.close()
await own.remove()
