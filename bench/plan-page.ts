import { chromium, type Page } from '@playwright/test'
import playwrightConfig from '../playwright.config'
import { MadeClass } from './made-class'
import { pause } from './numbers'

const SEGMENTS = 40
const ROOMS = 100

/** A plan of 40 segments, 20 of them rounds in 100 rooms, while it is edited: the longest task of the page in each kind of edit. */
export async function planPage(): Promise<void> {
  const made = await MadeClass.open(ROOMS, 5, [{ id: 'c', kind: 'cards', text: 'Cards?', settings: {} }], {
    opened: false,
  })
  const path = `/sessions/${made.sessionId}`
  const browser = await chromium.launch(playwrightConfig.use?.launchOptions)
  try {
    const page = await made.page(browser)
    await page.goto(made.server.address + path)
    const add = (name: string) => page.getByRole('button', { name, exact: true }).click()
    const segments = page.getByRole('list', { name: 'Segments' }).getByRole('button')
    for (let count = await segments.count(); count < SEGMENTS; count++) {
      await add(count % 2 === 0 ? 'Rooms' : 'Whole group')
      await segments.nth(count).waitFor()
    }
    await page.getByText('Saved.').first().waitFor()
    await page.reload()
    await segments.nth(SEGMENTS - 1).waitFor()
    await pause(3_000)
    await page.evaluate(watchTasks)
    const edits: [string, () => Promise<void>][] = [
      ['a segment is chosen', () => segments.nth(20).click()],
      ['a minute more by a key', () => segments.nth(20).press('+')],
      ['moved by keys', () => segments.nth(20).press('Alt+ArrowRight')],
      ['a letter of its name', () => page.getByLabel('Name', { exact: true }).pressSequentially('a')],
      ['its name is kept', () => page.getByLabel('Name', { exact: true }).press('Enter')],
      ['undone', () => page.getByRole('button', { name: 'Undo', exact: true }).click()],
      ['an edge is pulled', () => pullEdge(page)],
    ]
    console.log(`a plan of ${SEGMENTS} segments and ${ROOMS} rooms (aim: no task over 50 ms)`)
    for (const [name, edit] of edits) {
      await page.evaluate('tasks.length = 0')
      await edit()
      await pause(1_500)
      const tasks = (await page.evaluate('tasks')) as number[]
      console.log(
        `  ${name}: ${tasks.length === 0 ? 'no task over 50 ms' : `${tasks.map(ms => ms.toFixed(0)).join(', ')} ms`}`,
      )
    }
  } finally {
    await browser.close()
  }
  await made.server.remove()
}

async function pullEdge(page: Page): Promise<void> {
  const edge = page.getByRole('list', { name: 'Segments' }).locator('[data-edge]').nth(10)
  const box = await edge.boundingBox()
  if (!box) throw new Error('The segment has no edge.')
  await page.mouse.move(box.x + 4, box.y + 30)
  await page.mouse.down()
  await page.mouse.move(box.x + 60, box.y + 30, { steps: 10 })
  await page.mouse.up()
}

/** Runs in the page: keeps the lengths of tasks over 50 ms, in milliseconds. */
function watchTasks(): void {
  const tasks: number[] = []
  Object.assign(window, { tasks })
  new PerformanceObserver(entries => {
    for (const entry of entries.getEntries()) tasks.push(entry.duration)
  }).observe({ type: 'longtask' })
}
