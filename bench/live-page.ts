import { chromium, type Page } from '@playwright/test'
import type { SimulatedParticipant } from '~/demo/simulated-participant'
import playwrightConfig from '../playwright.config'
import { MadeClass } from './made-class'
import { pause } from './numbers'
import { longText, notedTasks, noteTasks } from './page-tasks'

const PEOPLE = 200
const IDLE_MS = 10_000
const WRITING_MS = 10_000
const WRITTEN = 500

/**
 * What the facilitator's page does while 200 people are in rooms: script and all tasks in ten seconds in which nothing happens;
 * and the longest task while they write, fifty cards a second, in the lanes, by need, and on the wall.
 */
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
    await Promise.all(people.map(each => each.openBoard()))
    const wall = page.getByRole('button', { name: 'Wall' })
    const order = page.getByRole('combobox', { name: 'Rooms by' })
    console.log(`  while they write, ${WRITTEN} cards in ${WRITING_MS / 1000} s (aim: no task over 50 ms)`)
    await whileWriting(page, people, 'lanes')
    await order.selectOption('need')
    await whileWriting(page, people, 'lanes by need')
    await wall.click()
    await whileWriting(page, people, 'wall')
  } finally {
    await browser.close()
  }
  for (const each of people) each.leave()
  await made.server.remove()
}

async function whileWriting(
  page: Page,
  people: readonly SimulatedParticipant[],
  what: string,
): Promise<void> {
  await noteTasks(page)
  for (let card = 0; card < WRITTEN; card++) {
    await people[(card * 7) % people.length]?.writeCard('c', `What was seen, number ${card}`)
    await pause(WRITING_MS / WRITTEN)
  }
  console.log(`    ${what}, tasks over 50 ms: ${longText(await notedTasks(page))}`)
}
