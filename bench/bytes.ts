import { chromium, type Page } from '@playwright/test'
import type { Prompt } from '~/core/boards/board'
import config from '../playwright.config'
import { MadeClass } from './made-class'

const LIMIT_KB = 200
const CARDS: Prompt[] = [
  { id: 'c', kind: 'cards', text: 'Cards?', settings: {} },
  { id: 'y', kind: 'yes-no', text: 'Yes?', settings: {} },
]

/** JavaScript a participant's phone loads before the board shows, compressed, and what makes up the most of it. */
export async function bytes(): Promise<void> {
  const without = await loadedBy(CARDS)
  const withSheet = await loadedBy([...CARDS, { id: 's', kind: 'sheet', text: 'Sheet?', settings: {} }])
  const total = (files: Loaded[]) => files.reduce((sum, file) => sum + file.kb, 0)
  console.log(
    `Board without a sheet: ${total(without).toFixed(1)} kB of JavaScript, compressed (limit: ${LIMIT_KB} kB)`,
  )
  for (const { name, kb } of without.slice(0, 8)) console.log(`  ${kb.toFixed(1).padStart(6)} kB  ${name}`)
  console.log(`Board with a sheet: ${total(withSheet).toFixed(0)} kB; the text editor is the difference`)
}

interface Loaded {
  name: string
  kb: number
}

async function loadedBy(prompts: Prompt[]): Promise<Loaded[]> {
  const made = await MadeClass.open(1, 2, prompts)
  const browser = await chromium.launch(config.use?.launchOptions)
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    userAgent: config.use?.userAgent,
    // What it keeps for later is fetched again, and not before the board shows.
    serviceWorkers: 'block',
  })
  const page = await context.newPage()
  await page.goto(`${made.server.address}/join/${made.joinCode}`)
  await page.getByRole('button', { name: 'P000' }).click()
  await page.waitForURL(/\/s\//)
  await made.command({ type: 'send-out', seconds: 600 })
  await page.getByLabel('New card').waitFor()
  // Loaded afresh, as by somebody who comes straight to their place.
  const fresh = await context.newPage()
  const files = watch(fresh)
  await fresh.goto(page.url())
  await fresh.getByLabel('New card').waitFor()
  if (prompts.some(prompt => prompt.kind === 'sheet')) await fresh.locator('.ProseMirror').waitFor()
  const loaded = await Promise.all(files)
  await browser.close()
  await made.server.remove()
  return loaded.sort((one, other) => other.kb - one.kb)
}

/** By their sizes as they are sent. */
function watch(page: Page): Promise<Loaded>[] {
  const files: Promise<Loaded>[] = []
  page.on('response', response => {
    const { pathname } = new URL(response.url())
    if (!pathname.endsWith('.js')) return
    const sent = response.headerValue('content-length').then(async length => {
      const bytes = length === null ? (await response.body()).byteLength : Number(length)
      return { name: pathname.split('/').at(-1) ?? '', kb: bytes / 1000 }
    })
    files.push(sent)
  })
  return files
}
