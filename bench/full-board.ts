import { type Browser, chromium, type Locator, type Page } from '@playwright/test'
import { median } from 'simple-statistics'
import type { Prompt } from '~/core/boards/board'
import type { SimulatedParticipant } from '~/demo/simulated-participant'
import config from '../playwright.config'
import { MadeClass } from './made-class'
import { delaysOf, delayText, pause } from './numbers'

const PROMPTS: Prompt[] = [
  { id: 'c', kind: 'cards', text: 'Cards?', settings: {} },
  { id: 's', kind: 'sheet', text: 'Sheet?', settings: {} },
]
/** Somebody else writes on the board so often meanwhile, in milliseconds. */
const OTHERS_EVERY_MS = 1_000
const KEYS = 60
/** What else the machine does shows in a single time. */
const OPENED = 7
const ANSWERS_WITHIN_MS = 30_000
/** A phone is so many times slower than this machine. */
const SLOWER = 4

/**
 * A phone in a room of 40 people whose board is full, 1,000 cards and a sheet of 20,000 words, beside the same phone at a board of
 * 10 cards and 100 words: how long until it shows, and from a key to the paint of what it does (W3C, "Event Timing API"; it
 * counts in steps of 8 ms).
 */
export async function fullBoard(): Promise<void> {
  const browser = await chromium.launch(config.use?.launchOptions)
  try {
    for (const [cards, words] of [
      [10, 100],
      [1_000, 20_000],
    ] as const)
      await withBoard(browser, cards, words)
  } finally {
    await browser.close()
  }
}

async function withBoard(browser: Browser, cards: number, words: number): Promise<void> {
  const made = await MadeClass.open(1, 40, PROMPTS)
  const told = (text: string) => console.log(`${cards} cards, ${words} words: ${text}`)
  const [own, ...people] = await made.atWork()
  const cookie = own?.cookie ?? ''
  own?.leave()
  try {
    await fill(people, cards, words)
    const page = await phone(browser, made, cookie)
    const opened: Opened[] = []
    for (let time = 0; time < OPENED; time++) opened.push(await open(page, made, words))
    const board = opened.map(each => each.board)
    const sheet = opened.map(each => each.sheet)
    told(`to the board ${middleOf(board)}, to its sheet ${middleOf(sheet)}, of ${OPENED} times (aim: 3 s)`)
    let writing = true
    const others = (async () => {
      for (let turn = 0; writing; turn++) {
        await people[turn % people.length]?.writeCard('c', `meanwhile ${turn}`)
        await pause(OTHERS_EVERY_MS)
      }
    })()
    told(`a key in a new card ${await typed(page, page.getByLabel('New card'))} (aim: p95 under 100 ms)`)
    told(`a key in the sheet ${await typed(page, page.locator('.ProseMirror'))}`)
    writing = false
    await others
    // A page that does not answer is not waited for.
    await Promise.race([page.context().close(), pause(5_000)])
  } finally {
    for (const each of people) each.leave()
    await made.server.remove()
  }
}

/** As people would, together: cards and paragraphs of a hundred words, a few at a time. */
async function fill(people: readonly SimulatedParticipant[], cards: number, words: number): Promise<void> {
  for (let card = 0; card < cards; card++) {
    await people[card % people.length]?.writeCard('c', `What we saw by the sluice, number ${card}`)
    if (card % people.length === people.length - 1) await pause(100)
  }
  const hundred = Array.from({ length: 100 }, (_, word) => (word % 7 === 6 ? 'heron,' : 'reeds')).join(' ')
  for (let paragraph = 0; paragraph < words / 100; paragraph++) {
    await people[paragraph % people.length]?.writeParagraph('s', hundred)
    if (paragraph % people.length === people.length - 1) await pause(100)
  }
  await pause(2_000)
}

/** From the address to the board, and to the last words of its sheet, in milliseconds. */
interface Opened {
  board: number
  sheet: number
}

async function open(page: Page, made: MadeClass, words: number): Promise<Opened> {
  // The page before it is put away first: that is no part of opening this one.
  await page.goto('about:blank')
  const began = performance.now()
  await page.goto(`${made.server.address}/s/${made.sessionId}`, { waitUntil: 'commit' })
  await page.getByLabel('New card').waitFor({ timeout: 120_000 })
  const board = performance.now() - began
  await page.locator('.ProseMirror').waitFor({ timeout: 120_000 })
  await page.waitForFunction(
    least => (document.querySelector('.ProseMirror')?.textContent?.length ?? 0) >= least,
    words * 5,
    { timeout: 120_000 },
  )
  return { board, sheet: performance.now() - began }
}

async function phone(browser: Browser, made: MadeClass, cookie: string): Promise<Page> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    userAgent: config.use?.userAgent,
  })
  const [name = '', ...value] = cookie.split('=')
  await context.addCookies([{ name, value: value.join('='), url: made.server.address }])
  const page = await context.newPage()
  await page.goto(`${made.server.address}/s/${made.sessionId}`)
  await page.getByLabel('New card').waitFor({ timeout: 120_000 })
  const line = await context.newCDPSession(page)
  await line.send('Emulation.setCPUThrottlingRate', { rate: SLOWER })
  return page
}

/** From each key to the next paint, as the browser tells it. */
async function typed(page: Page, into: Locator): Promise<string> {
  // Cards that others add move it about: it would be waited for to stand still.
  const answers = await into.focus({ timeout: ANSWERS_WITHIN_MS }).then(
    () => true,
    () => false,
  )
  if (!answers) return `can't be typed: the page did not answer within ${ANSWERS_WITHIN_MS / 1000} s`
  await page.evaluate(() => {
    const kept = window as unknown as { keys: number[]; watching?: PerformanceObserver }
    kept.keys = []
    kept.watching?.disconnect()
    kept.watching = new PerformanceObserver(list => {
      for (const { name, duration } of list.getEntries()) if (name === 'keydown') kept.keys.push(duration)
    })
    kept.watching.observe({ type: 'event', durationThreshold: 16 } as PerformanceObserverInit)
  })
  for (let key = 0; key < KEYS; key++) {
    await page.keyboard.press(key % 6 === 5 ? 'Space' : 'h')
    await pause(120)
  }
  await pause(1_000)
  const told = await page.evaluate(() => (window as unknown as { keys: number[] }).keys)
  // What was painted within 16 ms is told of by no entry.
  const all = [...told, ...Array.from({ length: Math.max(0, KEYS - told.length) }, () => 16)]
  return delayText(delaysOf(all))
}

/** The middle one, and the shortest and longest. */
const middleOf = (all: readonly number[]) =>
  `${seconds(median([...all]))} s (${seconds(Math.min(...all))} to ${seconds(Math.max(...all))})`

const seconds = (ms: number) => (ms / 1000).toFixed(2)
