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
await page.goto(`${own.address}/boards/new`)
await page.screenshot({ path: '/tmp/s1.png' })
await page.getByRole('button', { name: 'For and against' }).click()
await page.getByRole('region', { name: 'The board on a phone' }).waitFor()
await page.waitForTimeout(1500)
await page.screenshot({ path: '/tmp/s2.png' })
await page.locator('[id^=open-]').first().click()
await page.getByText('Columns').first().waitFor()
await page.waitForTimeout(500)
await page.screenshot({ path: '/tmp/s3.png' })
await page.getByRole('button', { name: 'Add a part' }).click()
await page.getByRole('button', { name: 'Add a prompt to part 2' }).click()
await page.waitForTimeout(500)
await page.screenshot({ path: '/tmp/s4.png' })
await page.getByRole('menuitem', { name: /^Scale/ }).click()
await page.waitForTimeout(1200)
await page.screenshot({ path: '/tmp/s5.png', fullPage: true })
await browser.close()
await own.remove()
