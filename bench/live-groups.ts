import { chromium } from '@playwright/test'
import playwrightConfig from '../playwright.config'
import { MadeClass } from './made-class'
import { pause } from './numbers'

const PEOPLE = 200
const RULES = 30

/**
 * Groups of 200 people who are here, by rules, on the facilitator's page: from the press to the first full groups in the lanes, in
 * animation frames, and how long the page did not answer at the longest while they were made better.
 */
export async function liveGroups(): Promise<void> {
  const made = await MadeClass.open(PEOPLE / 5, 5, [{ id: 'c', kind: 'cards', text: 'Cards?', settings: {} }])
  const ids = await made.personIds()
  for (let rule = 0; rule < RULES; rule++)
    await made.post(
      `${made.cohortPath}/rules`,
      new URLSearchParams({
        intent: 'add',
        rule: JSON.stringify({ kind: 'apart', reason: '', personIds: [ids[rule * 3], ids[rule * 5 + 1]] }),
      }),
    )
  const people = await made.allJoined()
  // A round before: then there are pairs that have met, and the search has something to make better.
  await made.command({ type: 'send-out', seconds: 3600 })
  await made.command({ type: 'call-back' })
  await made.server.moveClock(61_000)
  const browser = await chromium.launch(playwrightConfig.use?.launchOptions)
  try {
    const page = await made.page(browser)
    await page.goto(`${made.server.address}/sessions/${made.sessionId}/live`)
    await page.getByRole('button', { name: 'Other groups' }).click()
    const drawer = page.getByRole('complementary', { name: 'Make groups' })
    await drawer.getByLabel('People each').fill('5')
    await drawer.getByRole('checkbox', { name: /rules of the cohort/ }).waitFor()
    const again = drawer.getByRole('button', { name: /^(Reshuffle|Make groups)$/ })
    await again.click()
    await drawer
      .getByRole('status')
      .getByText(/./)
      .waitFor({ timeout: 60_000 })
      .catch(() => undefined)
    await pause(4_000)
    // What the compiler adds to functions that are sent to the page.
    await page.evaluate('globalThis.__name = value => value')
    await page.evaluate(watch)
    for (let press = 0; press < 5; press++) {
      await page.evaluate(() => {
        const { seen } = window as unknown as { seen: Seen }
        seen.pressed = performance.now()
        seen.frames = 0
        seen.first = null
      })
      await again.click()
      await pause(6_000)
      const { first, frames, longest } = await page.evaluate(() => (window as unknown as { seen: Seen }).seen)
      console.log(
        `  press ${press + 1}: first groups in the lanes ${first ? `after ${first.ms.toFixed(0)} ms, ${first.frames} frames` : 'only when done'}; ${frames} frames; longest task ${longest.toFixed(0)} ms (aim: 2 frames, under 50 ms)`,
      )
    }
  } finally {
    await browser.close()
  }
  for (const each of people) each.leave()
  await made.server.remove()
}

interface Seen {
  pressed: number
  frames: number
  first: { ms: number; frames: number } | null
  longest: number
}

/** Runs in the page: counts frames, sees when lanes are drawn of groups that are only found so far, and long tasks. */
function watch(): void {
  const seen: Seen = { pressed: 0, frames: 0, first: null, longest: 0 }
  Object.assign(window, { seen })
  document.addEventListener('click', () => {
    seen.pressed = performance.now()
    seen.frames = 0
    seen.first = null
    seen.longest = 0
  })
  const frame = () => {
    seen.frames++
    if (seen.first === null && document.querySelector('ul[aria-busy="true"]'))
      seen.first = { ms: performance.now() - seen.pressed, frames: seen.frames }
    requestAnimationFrame(frame)
  }
  requestAnimationFrame(frame)
  new PerformanceObserver(entries => {
    for (const entry of entries.getEntries()) seen.longest = Math.max(seen.longest, entry.duration)
  }).observe({ type: 'longtask' })
}
