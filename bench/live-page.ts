import { chromium } from '@playwright/test'
import playwrightConfig from '../playwright.config'
import { MadeClass } from './made-class'
import { pause } from './numbers'

const PEOPLE = 200
const IDLE_MS = 10_000

/** What the facilitator's page does while 200 people are in rooms and nothing happens: script and all tasks in ten seconds. */
export async function livePage(): Promise<void> {
  const made = await MadeClass.open(PEOPLE / 5, 5, [{ id: 'c', kind: 'cards', text: 'Cards?', settings: {} }])
  const { address } = made.server
  const people = await made.allJoined()
  await made.command({ type: 'send-out', seconds: 3600 })
  const browser = await chromium.launch(playwrightConfig.use?.launchOptions)
  try {
    const page = await made.page(browser)
    await page.goto(`${address}/sessions/${made.sessionId}/live`)
    await page.getByRole('timer').waitFor()
    await pause(5_000)
    const metrics = await page.context().newCDPSession(page)
    await metrics.send('Performance.enable')
    const read = async (name: string) => {
      const { metrics: all } = await metrics.send('Performance.getMetrics')
      return all.find(metric => metric.name === name)?.value ?? Number.NaN
    }
    const before = { script: await read('ScriptDuration'), task: await read('TaskDuration') }
    await pause(IDLE_MS)
    const script = (await read('ScriptDuration')) - before.script
    const task = (await read('TaskDuration')) - before.task
    console.log(`the live page with ${PEOPLE} people, idle for ${IDLE_MS / 1000} s`)
    console.log(`  script ${script.toFixed(3)} s (aim: under 0.2 s), all tasks ${task.toFixed(3)} s`)
  } finally {
    await browser.close()
  }
  for (const each of people) each.leave()
  await made.server.remove()
}
