import { readFileSync } from 'node:fs'
import {
  type Browser,
  type BrowserContext,
  test as base,
  expect,
  type Locator,
  type Page,
} from '@playwright/test'
import axe from 'axe-core'
import { SimulatedParticipant } from '~/demo/simulated-participant'
import { MadeClass } from '../../bench/made-class'
import { type Demo, PREPARED_COOKIES, TestServer } from './server'

interface Tools {
  /** Browsers of the test, closed before the server is: a page that asks now and then would complain. */
  contexts: BrowserContext[]
  server: TestServer
  /** A server on an empty folder. */
  emptyServer: TestServer
  /** An open session of so many groups of so many people, on an empty server of its own that goes with the test. */
  openClass: typeof MadeClass.open
  /** A new browser that nobody has used, watched for faults. */
  newPage(options?: Parameters<Browser['newContext']>[0]): Promise<Page>
  /** Signed in as the facilitator of the demo. */
  facilitator: Page
  phone(): Promise<Page>
}

/** What a page may say without failing the test: a refused form is logged by the browser itself. */
const EXPECTED = [/status of 4\d\d/]
const LOST_LINE = [
  /ERR_INTERNET_DISCONNECTED/,
  /ERR_CONNECTION_REFUSED/,
  /ERR_INCOMPLETE_CHUNKED_ENCODING/,
  /WebSocket connection to/,
  /ERR_EMPTY_RESPONSE/,
  /ERR_CONNECTION_RESET/,
  /net::ERR_FAILED/,
  // The worker that stands in for the server is asked for anew when a page is opened.
  /when fetching the script/,
]

const faults = new WeakMap<BrowserContext, string[]>()
const lostLineAllowed = new WeakSet<BrowserContext>()

/** For tests that kill the server: the browser complains of the broken line, and should. */
export const allowLostLine = (page: Page): void => void lostLineAllowed.add(page.context())

function watch(context: BrowserContext): void {
  const list: string[] = []
  faults.set(context, list)
  const note = (text: string) => {
    const allowed = lostLineAllowed.has(context) ? [...EXPECTED, ...LOST_LINE] : EXPECTED
    if (!allowed.some(pattern => pattern.test(text))) list.push(text)
  }
  context.on('console', message => {
    if (message.type() === 'error' || message.type() === 'warning')
      note(`${message.type()}: ${message.text()}`)
  })
  context.on('weberror', error => note(`uncaught: ${error.error().message}`))
}

/** Closes browsers, and fails the test for what they complained of. */
async function closeAll(contexts: BrowserContext[]): Promise<void> {
  for (const context of contexts.splice(0)) {
    expect.soft(faults.get(context), 'no error or warning in the console').toEqual([])
    await context.close()
  }
}

export const test = base.extend<Tools>({
  // biome-ignore lint/correctness/noEmptyPattern: the test tool reads which fixtures are wanted from this pattern.
  contexts: async ({}, use) => {
    const contexts: BrowserContext[] = []
    await use(contexts)
    await closeAll(contexts)
  },
  server: async ({ contexts }, use) => {
    const server = await TestServer.withDemo()
    await use(server)
    await closeAll(contexts)
    await server.remove()
  },
  emptyServer: async ({ contexts }, use) => {
    const server = await TestServer.empty()
    await use(server)
    await closeAll(contexts)
    await server.remove()
  },
  openClass: async ({ contexts }, use) => {
    const opened: MadeClass[] = []
    await use(async (...how) => {
      const made = await MadeClass.open(...how)
      opened.push(made)
      return made
    })
    await closeAll(contexts)
    for (const { server } of opened) await server.remove()
  },
  newPage: async ({ browser, contextOptions, contexts }, use) => {
    await use(async options => {
      const context = await browser.newContext({ ...contextOptions, ...options })
      watch(context)
      contexts.push(context)
      return context.newPage()
    })
  },
  facilitator: async ({ newPage, server }, use) => {
    const page = await newPage()
    await signIn(page, server)
    await use(page)
  },
  phone: async ({ newPage }, use) => {
    await use(() => newPage({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true }))
  },
})

/**
 * For the tests of one file that plan, or have sessions of their own, and take nothing from each other: one server for
 * all of them, in the order they are written. After one that failed the next begin on a new one.
 */
export function onOneServer() {
  let server: TestServer | undefined
  const together = test.extend({
    server: async ({ contexts }, use) => {
      server ??= await TestServer.withDemo()
      await use(server)
      await closeAll(contexts)
    },
  })
  together.afterAll(() => server?.remove())
  return together
}

export { expect }

/** Signed in already, as a browser that comes back. */
export async function signIn(page: Page, server: TestServer, account = 0): Promise<void> {
  const cookies = (JSON.parse(readFileSync(PREPARED_COOKIES, 'utf8')) as string[][])[account] ?? []
  const url = server.address
  await page.context().addCookies(
    cookies.map(cookie => {
      const [name = '', ...value] = cookie.split('=')
      return { name, value: value.join('='), url }
    }),
  )
  await page.goto(url)
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible()
}

/** As somebody signs in who has not been here in this browser: a sign-in of its own. */
export async function signInByForm(page: Page, server: TestServer, account = 0): Promise<void> {
  const { accounts, password } = server.demo as Demo
  await page.goto(`${server.address}/sign-in`)
  await page.getByLabel('Email').fill(accounts[account] as string)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible()
}

/** WCAG 2.2 AA, as far as axe-core can tell; the size of targets (2.5.8) by its rule `target-size`. */
export const expectAccessible = (page: Page): Promise<void> =>
  expectNothingFound(page, ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])

/** WCAG 2.2, 1.4.3: for a page of which all else was looked at in other colours. */
export const expectContrast = (page: Page): Promise<void> => expectNothingFound(page, ['color-contrast'])

/** Looked at once what fades in or moves has come to rest: half faded, a text has no contrast yet. */
async function expectNothingFound(page: Page, tagsOrRules: string[]): Promise<void> {
  await page.waitForFunction(() =>
    document
      .getAnimations()
      .every(each => each.playState !== 'running' || each.effect?.getComputedTiming().endTime === Infinity),
  )
  // Brought into a document once, and asked for what is wrong alone: a report of all that is right takes as long again.
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source)
  const found = await page.evaluate(async runOnly => {
    // A button half under a bar that stays in sight counts as too small, though one scrolls: for the look nothing stays.
    const staying = [...document.querySelectorAll<HTMLElement>('body *')].filter(
      each => getComputedStyle(each).position === 'sticky',
    )
    for (const each of staying) each.style.position = 'static'
    try {
      const { violations } = await (window as unknown as { axe: typeof axe }).axe.run({
        runOnly,
        resultTypes: ['violations'],
        // Style sheets are fetched anew only for a rule that is not among these.
        preload: false,
      })
      return violations.map(({ id, nodes }) => `${id}: ${nodes.map(node => node.target).join(', ')}`)
    } finally {
      for (const each of staying) each.style.position = ''
    }
  }, tagsOrRules)
  expect(found).toEqual([])
}

/** Tonight's session gets one round of its own grouping: the demo's evening has a walk to itself. Gives its address. */
async function withOneRound(page: Page): Promise<string> {
  if (new URL(page.url()).pathname !== '/') await page.getByRole('link', { name: 'Today' }).click()
  const link = page.getByRole('link', { name: 'Look it over and open' })
  const address = new URL((await link.getAttribute('href')) ?? '', page.url()).href
  await posted(page, `${address}/order`, { data: { segments: [], minutes: null } })
  return address
}

/** Sends what a page of the server would send. */
async function posted(
  page: Page,
  address: string,
  what: { data: object } | { form: Record<string, string> },
) {
  const answer = await page.request.post(address, {
    ...what,
    headers: { Origin: new URL(address).origin },
    maxRedirects: 0,
  })
  expect(answer.status()).toBeLessThan(400)
}

/** The plan of tonight's session, as one round. */
export async function planOneRound(page: Page): Promise<void> {
  await page.goto(await withOneRound(page))
  await expect(page.getByRole('list', { name: 'Segments' }).getByRole('button')).toHaveCount(1)
}

/** Opens tonight's session of the demo as one round; gives its code and id. */
export async function openTonight(page: Page): Promise<{ code: string; sessionId: string }> {
  const address = await withOneRound(page)
  await posted(page, `${address}?index`, { form: { intent: 'open' } })
  await page.goto(`${address}/live`)
  return openedNow(page)
}

/** Opens the session whose plan is shown; gives its code and id. */
export async function openPlanned(page: Page): Promise<{ code: string; sessionId: string }> {
  await page.getByRole('button', { name: 'Open the session' }).click()
  return openedNow(page)
}

async function openedNow(page: Page): Promise<{ code: string; sessionId: string }> {
  await expect(page.getByRole('button', { name: 'Send out' })).toBeVisible()
  const sessionId = page.url().match(/sessions\/([^/]+)\/live/)?.[1] ?? ''
  return { code: await joinCodeOf(page), sessionId }
}

/** Opens tonight's session without its waiting list: whoever joins is in. Gives its code. */
export async function openToAll(page: Page): Promise<string> {
  const { code } = await openTonight(page)
  await switchWaitingList(page)
  return code
}

/** Whoever joins is in from now on, or waits at the door again. */
export async function switchWaitingList(page: Page): Promise<void> {
  const told = page.waitForResponse(answer => answer.url().endsWith('/commands'))
  await page.getByText('Waiting list', { exact: true }).click()
  await told
}

/** Participants without a browser, following the session. They come in one after the other, in the order given, so that lists of who is here have an order a test can name. */
export async function simulated(
  server: TestServer,
  code: string,
  names: string[],
): Promise<SimulatedParticipant[]> {
  const people: SimulatedParticipant[] = []
  for (const name of names) people.push(await SimulatedParticipant.join(server.address, code, name))
  await Promise.all(people.map(each => each.follow()))
  return people
}

export async function joinOnPhone(
  page: Page,
  server: Pick<TestServer, 'address'>,
  code: string,
  name: string,
): Promise<void> {
  await page.goto(`${server.address}/join/${code}`)
  await page.getByLabel('Your name').fill(name.slice(0, 3))
  await page.getByRole('button', { name, exact: true }).click()
  // The page before has a heading as well: only the address says that the place is taken.
  await page.waitForURL(/\/s\//)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
}

/** Lets in whoever waits, also those whom the page hears of only while others are let in. */
export async function letAllIn(page: Page): Promise<void> {
  const letIn = page.getByRole('button', { name: /^Let (all|in)/ })
  await letIn.click()
  const waiting = page.getByText('On the waiting list')
  await expect(async () => {
    if (await waiting.isVisible()) await letIn.click({ timeout: 1_000 })
    await expect(waiting).toBeHidden({ timeout: 1_000 })
  }).toPass()
}

export async function openCohort(page: Page, name: string): Promise<void> {
  await page.getByRole('link', { name: 'Cohorts' }).click()
  await page.getByRole('link', { name }).click()
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
}

/** Sends everybody out, also where that leaves somebody alone; by the button with this name, where it names a segment. */
export async function sendOut(page: Page, name = /^Send out$/): Promise<void> {
  await page.getByRole('button', { name }).click()
  // When the page hears meanwhile that nobody would be alone, it says so and asks all the same.
  const anyway = page.getByRole('alertdialog').getByRole('button', { name: /^Send out/ })
  const callBack = page.getByRole('button', { name: 'Call back' })
  await expect(anyway.or(callBack).first()).toBeVisible()
  if (await anyway.isVisible()) await anyway.click()
  await expect(callBack).toBeVisible()
}

/** Once it is seen that people were called back, their grace goes by: a clock moved earlier would leave it all to wait for. */
export async function passGrace(page: Page, server: TestServer): Promise<void> {
  await expect(page.getByRole('button', { name: 'Go on as before' })).toBeVisible()
  await server.moveClock(61_000)
}

/** A session is opened at once, with nothing in it; gives its code. */
export async function startNow(page: Page): Promise<string> {
  await page.getByRole('button', { name: 'Start now' }).click()
  await expect(page.getByText('There are no rooms yet.')).toBeVisible()
  return joinCodeOf(page)
}

/** The same, with the evening course's list. */
export async function startWithCourse(page: Page): Promise<string> {
  await page.getByRole('button', { name: 'Start now' }).click()
  await page.getByRole('button', { name: 'Attach a cohort' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Cohort').selectOption({ label: 'Evening course (24)' })
  await dialog.getByRole('button', { name: 'Attach' }).click()
  await expect(dialog.getByRole('heading', { name: 'Cohort: Evening course' })).toBeVisible()
  await page.keyboard.press('Escape')
  return joinCodeOf(page)
}

/** The join code of a session that stands open in Live. */
export async function joinCodeOf(page: Page): Promise<string> {
  const code = page.getByText(/^Join code/).locator('b')
  return ((await code.textContent()) ?? '').trim()
}

/** Joins by a name of one's own, where there is no list. */
export async function joinByName(page: Page, server: TestServer, code: string, name: string): Promise<void> {
  await page.goto(`${server.address}/join/${code}`)
  await page.getByLabel('Your name').fill(name)
  await page.getByRole('button', { name: 'Join', exact: true }).click()
  await page.waitForURL(/\/s\//)
}

/** Takes something along with the mouse, as a hand does: in steps, and lets go over another place. */
export async function drag(page: Page, what: Locator, to: Locator): Promise<void> {
  await what.scrollIntoViewIfNeeded()
  const [from, place] = [await what.boundingBox(), await to.boundingBox()]
  if (!from || !place) throw new Error('Nothing to drag, or nowhere.')
  const [x, y] = [from.x + from.width / 2, from.y + from.height / 2]
  const [toX, toY] = [place.x + Math.min(60, place.width / 2), place.y + place.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  for (let step = 1; step <= 6; step++)
    await page.mouse.move(x + ((toX - x) * step) / 6, y + ((toY - y) * step) / 6)
  await page.mouse.move(toX + 1, toY)
  await page.mouse.up()
}

/** Takes something along with a finger that stays on it for a moment, and lets go over another place. */
export async function dragByFinger(page: Page, what: Locator, to: Locator): Promise<void> {
  await what.scrollIntoViewIfNeeded()
  const [from, place] = [await what.boundingBox(), await to.boundingBox()]
  if (!from || !place) throw new Error('Nothing to drag, or nowhere.')
  const touch = await page.context().newCDPSession(page)
  const at = (type: 'touchStart' | 'touchMove' | 'touchEnd', x: number, y: number) =>
    touch.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x, y }] })
  const [x, y] = [from.x + from.width / 2, from.y + from.height / 2]
  const [toX, toY] = [place.x + Math.min(60, place.width / 2), place.y + Math.min(60, place.height / 2)]
  await at('touchStart', x, y)
  await page.waitForTimeout(350)
  for (let step = 1; step <= 8; step++) {
    await at('touchMove', x + ((toX - x) * step) / 8, y + ((toY - y) * step) / 8)
    await page.waitForTimeout(30)
  }
  await at('touchEnd', 0, 0)
}

/** Gives tonight's one round a board, and opens the session. */
export async function openWithBoard(page: Page, board: string): Promise<{ code: string; sessionId: string }> {
  await planOneRound(page)
  await page.getByLabel('Board', { exact: true }).selectOption({ label: board })
  const saved = page.waitForResponse(answer => answer.request().method() === 'POST')
  await page.getByRole('button', { name: 'Save the plan' }).click()
  await saved
  return openPlanned(page)
}

/** Makes a board of an outline that is pasted; it stands open in the builder. */
export async function makeBoard(page: Page, server: TestServer, outline: string): Promise<void> {
  await page.goto(`${server.address}/boards/new`)
  await page.getByLabel('Outline or Markdown').fill(outline)
  await page.getByRole('button', { name: 'Show what it becomes' }).click()
  await page.getByRole('button', { name: 'Make this board' }).click()
}

/** Adds a prompt to the first part of the board in the builder; it stands open there. */
export async function addPrompt(page: Page, kind: RegExp, asks: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a prompt to part 1' }).click()
  await page.getByRole('menuitem', { name: kind }).click()
  await page.getByLabel('What it asks').fill(asks)
}

/** The space to answer a prompt on a participant's board. */
export const space = (page: Page, prompt: string | RegExp): Locator =>
  page.getByRole('region', { name: prompt })

/** Puts somebody into a room, unless they are there. */
export async function putInRoom(page: Page, who: string, room: string): Promise<void> {
  const lane = page.getByRole('listitem', { name: room, exact: true })
  if (await lane.getByRole('button', { name: who, exact: true }).isVisible()) return
  // A name that goes elsewhere on the page meanwhile, as when all are sent out, takes its menu with it.
  const entry = page.getByRole('menuitem', { name: room })
  await expect(async () => {
    if (!(await entry.isVisible())) await page.getByRole('button', { name: who, exact: true }).first().click()
    await entry.click({ timeout: 3_000 })
  }).toPass({ timeout: 30_000 })
}
