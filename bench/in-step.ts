import { type Browser, chromium, type Page } from '@playwright/test'
import { wav } from 'tests/fixtures/made-files'
import config from '../playwright.config'
import { MadeClass } from './made-class'
import { delaysOf } from './numbers'

const PEOPLE = 8
const EVERY_MS = 100

/** Where a sound stands on a page, in seconds, and the moment of the machine's clock it was read at. */
interface Heard {
  at: number
  read: number
}

/**
 * A sound shown to all on the pages of eight participants, each a browser of its own on these two cores: how far each is from where the
 * server has it, while it plays, after it was moved, and on the page of one who comes late. Beside it the same sound on bare pages,
 * told to play at one moment and left alone.
 */
export async function inStep(): Promise<void> {
  const made = await MadeClass.open(2, PEOPLE / 2, [{ id: 'c', kind: 'cards', text: 'Cards?', settings: {} }])
  const { server } = made
  const browser = await chromium.launch(config.use?.launchOptions)
  try {
    const facilitator = await made.page(browser)
    await facilitator.goto(`${server.address}/material`)
    await facilitator
      .getByLabel('Files to add')
      .setInputFiles({ name: 'The tide.wav', mimeType: 'audio/wav', buffer: wav(300) })
    await facilitator.getByRole('list', { name: 'Material' }).getByText('The tide').waitFor()
    await facilitator.goto(`${server.address}/sessions/${made.sessionId}/live`)
    const pages = await Promise.all(made.names.slice(0, -1).map(name => joined(made, browser, name)))
    await facilitator.getByRole('button', { name: 'Put up', exact: true }).click()
    const panel = facilitator.getByRole('region', { name: 'Put something up' })
    await panel.getByRole('checkbox', { name: 'On every page too' }).check()
    await panel.getByLabel('Material of the library').selectOption({ label: 'The tide (sound)' })
    await Promise.all(pages.map(page => page.locator('audio').waitFor({ state: 'attached' })))
    await Promise.all(pages.map(loaded))

    console.log(`a sound shown to all, on ${pages.length} pages`)
    const play = async (at: number) => {
      await made.command({ type: 'play', at, on: true })
      return { at, since: Date.now() }
    }
    let playing = await play(0)
    tell('in the first 5 s', await heard(pages, 5_000), playing)
    tell('in the 20 s after', await heard(pages, 20_000), playing)
    playing = await play(120)
    tell('moved, in the first 5 s', await heard(pages, 5_000), playing)
    tell('in the 20 s after', await heard(pages, 20_000), playing)
    const late = await joined(made, browser, made.names.at(-1) ?? '')
    await late.locator('audio').waitFor({ state: 'attached' })
    await loaded(late)
    tell('on the page of one who comes late, in their first 5 s', await heard([late], 5_000), playing)
    tell('in the 10 s after', await heard([late], 10_000), playing)
    await made.command({ type: 'take-down' })

    const bare = await Promise.all(pages.map(() => browser.newPage()))
    const sound = `data:audio/wav;base64,${wav(60).toString('base64')}`
    await Promise.all(
      bare.map(page => page.setContent(`<audio muted preload="auto" src="${sound}"></audio>`)),
    )
    await Promise.all(bare.map(loaded))
    const since = Date.now()
    await Promise.all(
      bare.map(page => page.locator('audio').evaluate(audio => (audio as HTMLAudioElement).play())),
    )
    tell('bare pages told at one moment, in 20 s', await heard(bare, 20_000), { at: 0, since })
  } finally {
    await browser.close()
    await server.remove()
  }
}

async function joined({ server, joinCode }: MadeClass, browser: Browser, name: string): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } })
  const page = await context.newPage()
  await page.goto(`${server.address}/join/${joinCode}`)
  await page.getByLabel('Your name').fill(name)
  await page.getByRole('button', { name, exact: true }).click()
  await page.waitForURL(/\/s\//)
  return page
}

const loaded = (page: Page) =>
  page.waitForFunction(
    () => (document.querySelector('audio')?.readyState ?? 0) >= HTMLMediaElement.HAVE_FUTURE_DATA,
  )

/** What pages hear for so long, read by each page itself. */
async function heard(pages: readonly Page[], milliseconds: number): Promise<Heard[][]> {
  const each = (page: Page) =>
    page.evaluate(
      ([length, every]) =>
        new Promise<Heard[]>(resolve => {
          const list: Heard[] = []
          const timer = setInterval(() => {
            const audio = document.querySelector('audio')
            if (audio) list.push({ at: audio.currentTime, read: Date.now() })
          }, every)
          setTimeout(() => {
            clearInterval(timer)
            resolve(list)
          }, length)
        }),
      [milliseconds, EVERY_MS] as const,
    )
  return Promise.all(pages.map(each))
}

/** How far they were from where the sound should have been, and how far apart the furthest two in the same tenth of a second. */
function tell(what: string, pages: Heard[][], { at, since }: { at: number; since: number }): void {
  const off = pages.map(list => list.map(each => (each.at - at) * 1_000 - (each.read - since)))
  const all = off.flat().map(Math.abs)
  const apart = off[0]?.map((_, turn) => {
    const then = off.flatMap(list => list[turn] ?? [])
    return Math.max(...then) - Math.min(...then)
  })
  const { p50, p95 } = delaysOf(all)
  const most = (values: number[] = []) => `${Math.max(...values).toFixed(0)} ms`
  console.log(
    `  ${what}: off by p50 ${p50.toFixed(0)} ms, p95 ${p95.toFixed(0)} ms, at most ${most(all)}${pages.length > 1 ? `; apart at most ${most(apart)}` : ''} (aim: 300 ms)`,
  )
}
