import { type Browser, chromium, type Page } from '@playwright/test'
import { readCards } from '~/core/boards/prompts/cards/document'
import { SimulatedParticipant } from '~/demo/simulated-participant'
import config from '../playwright.config'
import { MadeClass } from './made-class'
import { delaysOf, delayText, pause } from './numbers'
import { SlowLine } from './slow-line'

const FAST = { bitsPerSecond: 1e9, roundTripMs: 0 }
const SLOW = { bitsPerSecond: 400_000, roundTripMs: 400 }
const EDITS = 20
const STALL_MS = 5_000
const AWAY_MS = 10_000

/**
 * A participant's phone over a line of 400 kbit/s and 400 ms, beside another over the same line made fast: how long until the board
 * shows, how long an edit takes to another person, and what a line that stalls or breaks does to it.
 */
export async function badLine(): Promise<void> {
  const made = await MadeClass.open(1, 3, [{ id: 'c', kind: 'cards', text: 'Cards?', settings: {} }])
  const { address } = made.server
  const lines = [await SlowLine.to(address, FAST), await SlowLine.to(address, SLOW)] as const
  const browser = await chromium.launch(config.use?.launchOptions)
  const other = await SimulatedParticipant.join(address, made.joinCode, made.names[2] ?? '')
  try {
    await other.follow()
    const phones = [await joined(browser, made, 0), await joined(browser, made, 1)] as const
    await made.command({ type: 'send-out', seconds: 3600 })
    await work(phones[0], lines[0], made, other, 'a fast line')
    await work(phones[1], lines[1], made, other, '400 kbit/s and 400 ms')
  } finally {
    await browser.close()
    other.leave()
    for (const line of lines) line.close()
    await made.server.remove()
  }
}

/** A phone whose place is taken: its page is still to be opened, over whatever line. */
async function joined(browser: Browser, made: MadeClass, place: number): Promise<Page> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    userAgent: config.use?.userAgent,
  })
  const page = await context.newPage()
  await page.goto(`${made.server.address}/join/${made.joinCode}`)
  await page.getByRole('button', { name: made.names[place] ?? '' }).click()
  await page.waitForURL(/\/s\//)
  return page
}

async function work(
  page: Page,
  line: SlowLine,
  made: MadeClass,
  other: SimulatedParticipant,
  what: string,
): Promise<void> {
  const told = (text: string) => console.log(`${what}: ${text}`)
  // Another origin: nothing of the page is in the browser yet.
  const first = performance.now()
  await page.goto(`${line.address}/s/${made.sessionId}`)
  await board(page)
  told(`to the board, for the first time: ${since(first)}`)
  await page.getByText('also opens without a line').waitFor({ timeout: 120_000 })
  const again = performance.now()
  await page.reload()
  await board(page)
  told(`loaded again: ${since(again)}`)
  const delays: number[] = []
  for (let edit = 0; edit < EDITS; edit++) {
    const text = `${what} ${edit}`
    const began = performance.now()
    await write(page, text)
    await heard(other, text)
    delays.push(performance.now() - began)
    await pause(200)
  }
  told(`an edit to another in the room: ${delayText(delaysOf(delays))}`)
  line.stall(STALL_MS)
  const stalled = performance.now()
  await write(page, `${what}, in a stall`)
  await heard(other, `${what}, in a stall`)
  told(`an edit as the line stalls for ${STALL_MS / 1000} s: ${since(stalled)}`)
  line.cut()
  await write(page, `${what}, without a line`)
  await pause(AWAY_MS)
  line.mend()
  const mended = performance.now()
  await heard(other, `${what}, without a line`)
  told(
    `after ${AWAY_MS / 1000} s without a line, what was written meanwhile: ${since(mended)} after it is back`,
  )
  const opened = performance.now()
  line.cut()
  await page.reload()
  await board(page)
  told(`loaded again without a line: ${since(opened)}`)
}

const since = (began: number) => `${((performance.now() - began) / 1000).toFixed(2)} s`
const board = (page: Page) => page.getByLabel('New card').waitFor()

async function write(page: Page, text: string): Promise<void> {
  await page.getByLabel('New card').fill(text)
  await page.getByLabel('New card').press('Enter')
}

/** Resolves when somebody else in the room has the card. */
async function heard(other: SimulatedParticipant, text: string): Promise<void> {
  const doc = await other.openBoard()
  while (!readCards(doc, 'c').some(card => card.text === text)) await pause(2)
}
