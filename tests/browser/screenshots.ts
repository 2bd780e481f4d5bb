/** Fills the demo's session with simulated participants and takes a picture of each main view. */
import { mkdirSync } from 'node:fs'
import { type Browser, chromium, type Page } from '@playwright/test'
import { addCard } from '~/core/boards/prompts/cards/document'
import { pinTo, putMark } from '~/core/boards/prompts/drawing/document'
import { eachOf } from '~/core/boards/prompts/each/document'
import { STATIONS } from '~/demo/school'
import type { SimulatedParticipant } from '~/demo/simulated-participant'
import config from '../../playwright.config'
import {
  joinByName,
  joinCodeOf,
  joinOnPhone,
  letAllIn,
  openPlanned,
  planOneRound,
  sendOut,
  signIn,
  simulated,
  startNow,
} from './fixtures'
import prepareDemo from './prepare-demo'
import { TestServer } from './server'

const FOLDER = 'docs/screenshots'
const NAMES = [
  ...[
    'Ana Per.',
    'Ana Pet.',
    'Bram O.',
    'Chi',
    'Dafydd P.',
    'Farouk B.',
    'Greta L.',
    'Hyacinth O.',
    'Inês C.',
    'Jürgen H.',
  ],
  ...[
    'Kaveh',
    'Leo W.-B.',
    'Maël K.',
    'Noor A.',
    'Odalys Q.',
    'Pádraig Ó.',
    'Quirin S.',
    'Roz',
    'Søren B.',
    'Thuy N.',
    'Ulla H.',
  ],
]

const shot = (page: Page, name: string) =>
  page.screenshot({ path: `${FOLDER}/${name}.png`, animations: 'disabled' })
/** What is kept to stand beside others in one picture. */
const parts = new Map<string, Buffer>()
const partShot = async (page: Page, name: string) =>
  void parts.set(name, await page.screenshot({ animations: 'disabled' }))

const GAP = 16
const PHONE = { width: 390, height: 844 }
const SCREEN = { width: 1280, height: 800 }

/** Several in one picture: phones beside each other, screens one below the other. */
async function together(
  browser: Browser,
  file: string,
  names: readonly string[],
  { width, height }: { width: number; height: number },
): Promise<void> {
  const isDown = width > height
  const long = (one: number) => names.length * one + (names.length + 1) * GAP
  const viewport = isDown
    ? { width: width + 2 * GAP, height: long(height) }
    : { width: long(width), height: height + 2 * GAP }
  const page = await browser.newPage({ viewport })
  const images = names.map(name => {
    const taken = parts.get(name)
    if (!taken) throw new Error(`There is no picture of ${name}.`)
    return `<img alt="" width="${width}" height="${height}" src="data:image/png;base64,${taken.toString('base64')}">`
  })
  const direction = isDown ? 'column' : 'row'
  await page.setContent(
    `<body style="margin:0;padding:${GAP}px;display:flex;flex-direction:${direction};gap:${GAP}px;background:#8a8f87">${images.join('')}</body>`,
  )
  await shot(page, file)
  await page.close()
}

const roomOf = (participant: SimulatedParticipant) =>
  participant.view?.whereabouts.where === 'room' ? participant.view.whereabouts.name : ''

async function planning(page: Page): Promise<void> {
  await shot(page, 'today')
  await page.getByRole('link', { name: 'Cohorts' }).click()
  await page.getByRole('link', { name: 'Evening course' }).click()
  await page.getByRole('heading', { name: 'Evening course' }).waitFor()
  await shot(page, 'cohort')
  await page.getByRole('link', { name: 'Six stations' }).click()
  await page.getByText(/^(Proved best|Best found)\./).waitFor()
  await page.waitForTimeout(1000)
  const person = await page
    .getByRole('region', { name: 'Reeds and rushes' })
    .getByRole('listitem')
    .nth(1)
    .boundingBox()
  const target = await page.getByRole('region', { name: 'Birds by ear' }).boundingBox()
  if (!person || !target) throw new Error('The groups are not on the page.')
  await page.mouse.move(person.x + 30, person.y + 10)
  await page.mouse.down()
  await page.mouse.move(person.x + 60, person.y + 30, { steps: 5 })
  await page.mouse.move(target.x + 90, target.y + 70, { steps: 8 })
  await page.waitForTimeout(300)
  await shot(page, 'grouping')
  await page.keyboard.press('Escape')
  await page.mouse.up()
  await page.getByRole('link', { name: 'Evening course' }).click()
  await page.getByRole('link', { name: 'Who has met whom' }).click()
  await page.getByLabel('One person').selectOption({ label: 'Edda' })
  await shot(page, 'who-has-met-whom')
  await page.getByRole('link', { name: 'Evening course' }).click()
  await page.getByRole('link', { name: 'Which station would you like to teach?' }).click()
  await page.getByRole('heading', { name: 'As it would be shared out now' }).waitFor()
  await shot(page, 'choice')
  await page.getByRole('link', { name: 'Evening course' }).click()
  await page.getByRole('link', { name: 'Make groups', exact: true }).click()
  await page.getByLabel('Say how').selectOption('so many groups')
  await page.getByLabel('Groups', { exact: true }).fill('6')
  await page.getByLabel('Other groups each round').check()
  await page.getByLabel('Rounds', { exact: true }).fill('5')
  await page.getByRole('button', { name: 'Make groups' }).click()
  await page.getByRole('region', { name: 'Table of rounds' }).waitFor()
  await page.getByText('looking for better groups').waitFor({ state: 'hidden' })
  await page.getByLabel('Whom does one person meet?').selectOption({ label: 'Edda' })
  await shot(page, 'several-rounds')
  await page.getByRole('link', { name: 'Today' }).click()
  await page.getByRole('link', { name: 'Look it over and open' }).click()
  await page.getByRole('button', { name: 'Open the session' }).waitFor()
  await page.getByRole('button', { name: /^A walk of one hour/ }).click()
  await page.getByLabel('How they go').waitFor()
  await shot(page, 'session-plan')
}

/** Everybody writes what fits the station they are at, some more than others. */
async function work(people: SimulatedParticipant[]): Promise<void> {
  const written = new Map<string, number>()
  for (const [index, person] of people.entries()) {
    const station = STATIONS.find(each => each.station === roomOf(person))
    if (!station) continue
    const place = written.get(station.station) ?? 0
    written.set(station.station, place + 1)
    await person.writeCard('noticed', station.cards[place % station.cards.length] ?? '')
    if (index % 4 === 1) await person.writeParagraph('explain', station.sheet[0] ?? '')
    if (index % 7 === 3) await person.decide('class', station.answer, station.reason)
  }
}

async function live(browser: Browser, page: Page, server: TestServer): Promise<void> {
  await page.getByRole('link', { name: 'Today' }).click()
  await page.getByRole('link', { name: 'Look it over and open' }).click()
  const { code } = await openPlanned(page)
  const phone = await onPhone(browser)
  await joinOnPhone(phone, server, code, 'Edda')
  const people = await simulated(server, code, NAMES)
  await letAllIn(page)
  await sendOut(page)
  await Promise.all(people.map(each => each.until(view => view.whereabouts.where === 'room')))
  await work(people)
  await page.getByLabel('Broadcast to all').fill('Please begin with the sheet now; the cards can wait.')
  await page.getByRole('button', { name: 'Broadcast', exact: true }).click()
  await phone.getByText('Please begin with the sheet').waitFor()
  // Two half minutes of work, so that the lanes have something to show.
  await page.waitForTimeout(34_000)
  await work(people.filter((_, index) => index % 2 === 0))
  await page.getByRole('button', { name: 'Water clarity' }).click()
  await page.getByRole('button', { name: 'Visit', exact: true }).click()
  await page.getByRole('button', { name: 'Close' }).click()
  await people.find(each => roomOf(each) === 'Soil and peat')?.ask({ type: 'call-help' })
  await people.find(each => roomOf(each) === 'Birds by ear')?.ask({ type: 'set-signal', signal: 'lost' })
  for (const each of people.filter(one => roomOf(one) === 'Pond life').slice(0, 2))
    await each.ask({ type: 'set-signal', signal: 'done' })
  await page.waitForTimeout(12_000)
  await shot(page, 'lanes')
  await page.getByRole('button', { name: 'Wall' }).click()
  await page.getByText('On the wall').waitFor()
  await shot(page, 'wall')
  await page.getByRole('button', { name: 'Wall' }).click()
  await stations(page, server, phone, people)
  for (const each of people) each.leave()
}

/** A question is asked, talked over, and asked again. */
async function askedAgain(page: Page, phone: Page, people: SimulatedParticipant[]): Promise<void> {
  await page.getByRole('button', { name: 'Ask a question' }).click()
  const form = page.getByRole('region', { name: 'Ask a question' })
  await form.getByLabel('Question').fill('Would you lead ten-year-olds through the marsh alone?')
  await form.getByLabel('Scale: 1 means').fill('never')
  await form.getByLabel('which means').fill('tomorrow')
  await form.getByRole('button', { name: 'Ask with this scale' }).click()
  const question = page.getByRole('region', { name: 'Question' })
  let before = ''
  for (const gain of [0, 1]) {
    for (const [index, each] of people.entries()) {
      const view = await each.until(({ question: now }) => now !== null && now.id !== before)
      const answer = Math.min(5, 1 + (index % 4) + (index % 3 === 0 ? 0 : gain))
      await each.ask({ type: 'answer-question', questionId: view.question?.id ?? '', answer })
    }
    before = people[0]?.view?.question?.id ?? ''
    await question.getByText(`${people.length} of `).waitFor()
    await question.getByRole('button', { name: 'Close the question' }).click()
    if (gain === 0) await question.getByRole('button', { name: 'Ask again' }).click()
  }
  await page.waitForTimeout(1_500)
  await question.evaluate(section => section.scrollIntoView({ block: 'center' }))
  await shot(page, 'question-again')
  await question.getByRole('button', { name: 'Put up the results' }).click()
  const up = page.getByRole('status', { name: 'On the projector' })
  await up.getByRole('button', { name: 'On every page too' }).click()
  await phone.getByRole('region', { name: 'Put up' }).getByRole('definition').first().waitFor()
  await phone.waitForTimeout(1_500)
  await phone.evaluate(() => window.scrollTo(0, 0))
  await partShot(phone, 'put-up')
  await up.getByRole('button', { name: 'Take down' }).click()
  await question.getByRole('button', { name: 'Put away' }).click()
}

/** The class sees who reports, with the board of the room. */
async function reportBack(page: Page): Promise<void> {
  const wall = await page.context().newPage()
  await wall.goto(page.url().replace(/live$/, 'projector'))
  await page.getByRole('button', { name: 'Report back' }).click()
  const report = page.getByRole('region', { name: 'Report back' })
  await report.getByRole('button', { name: 'Begin the report back' }).click()
  await report.getByRole('button', { name: 'Call Pond life' }).click()
  await wall.getByText('Reading…').waitFor({ state: 'hidden' })
  await wall.getByRole('region', { name: 'Put up' }).getByRole('listitem').first().waitFor()
  await shot(wall, 'projector')
  await wall.close()
  await report.getByRole('button', { name: 'End the report back' }).click()
}

/** On to the stations: the walk and the break are left out, and each room has a board of its own. */
async function stations(
  page: Page,
  server: TestServer,
  phone: Page,
  people: SimulatedParticipant[],
): Promise<void> {
  await server.moveClock(14 * 60_000)
  await page.reload()
  await askedAgain(page, phone, people)
  await reportBack(page)
  await page.getByRole('button', { name: 'Running order' }).click()
  const order = page.getByRole('region', { name: 'Running order' })
  for (const name of ['A walk of one hour', 'Break'])
    await order.getByRole('listitem', { name }).getByRole('button', { name: 'Skip' }).click()
  await page.getByRole('button', { name: 'Close the order' }).click()
  await sendOut(page, /^Send out: Stations/)
  await Promise.all(people.map(each => each.until(view => view.whereabouts.where === 'room')))
  for (const { station, sheet } of STATIONS) {
    const team = people.filter(each => roomOf(each) === station)
    for (const [index, said] of sheet.entries()) await team[index]?.writeCard('know', said)
  }
  await page.waitForTimeout(8_000)
  await partShot(page, 'stations')
  await secondTeam(page, server, phone, people)
}

/** The next team comes to a station, and finds there what the one before has left. */
async function secondTeam(
  page: Page,
  server: TestServer,
  phone: Page,
  people: SimulatedParticipant[],
): Promise<void> {
  await server.moveClock(40 * 60_000)
  await page.reload()
  await sendOut(page, /^Send out: /)
  await page.getByRole('button', { name: /invited have not gone: bring them in/ }).click()
  // A page learns the server's time when it is opened.
  await phone.reload()
  await phone.getByLabel('New card').waitFor()
  const now = (await phone.getByRole('heading', { level: 1 }).textContent()) ?? ''
  const seen = STATIONS.find(each => each.station === now)?.cards ?? []
  const team = people.filter(each => roomOf(each) === now)
  for (const [index, card] of seen.slice(0, team.length).entries()) await team[index]?.writeCard('know', card)
  await phone
    .getByRole('textbox', { name: /^Card by/ })
    .nth(seen.length)
    .waitFor()
  await phone.waitForTimeout(500)
  await partShot(phone, 'station')
}

const onPhone = (browser: Browser): Promise<Page> =>
  browser.newPage({ ...config.use, viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

mkdirSync(FOLDER, { recursive: true })
// A made-up address stands on the pictures, not that of the machine they are taken on.
process.env.PUBLIC_ADDRESS = 'http://groups.lowmarsh.example'
/** A session with nothing prepared, in which groups are made of who is here. It is ended and removed again. */
async function startedNow(page: Page, server: TestServer): Promise<void> {
  await page.getByRole('link', { name: 'Today' }).click()
  await page.getByRole('button', { name: 'Start now' }).click()
  await page.getByText('There are no rooms yet.').waitFor()
  const code =
    (await page
      .getByText(/^Join code/)
      .locator('b')
      .textContent()) ?? ''
  const people = await simulated(server, code.trim(), NAMES.slice(0, 14))
  await page.getByRole('button', { name: 'Rename the session' }).click()
  await page.getByLabel('Title of the session').fill('Rain talk')
  await page.getByRole('button', { name: 'Save' }).click()
  await page.getByRole('button', { name: 'Make groups' }).click()
  const drawer = page.getByRole('complementary', { name: 'Make groups' })
  await drawer.getByRole('button', { name: /^(Make groups|Reshuffle)$/ }).click()
  await page.getByRole('list', { name: 'Rooms' }).locator('> li').nth(4).waitFor()
  // Made, and not only found so far.
  await drawer.getByRole('button', { name: 'Reshuffle', disabled: false }).waitFor()
  await shot(page, 'groups-made-live')
  // The second round: nobody with whom they have just worked.
  await sendOut(page)
  await server.moveClock(14 * 60_000)
  // A page learns the server's time when it is opened.
  await page.reload()
  await page.getByRole('button', { name: 'Other groups' }).click()
  await drawer.getByRole('checkbox', { name: /^Fresh pairs/ }).waitFor()
  await drawer.getByRole('button', { name: 'Reshuffle' }).click()
  await drawer.getByText(/anybody they have worked with|worked together before/).waitFor()
  await drawer.getByRole('button', { name: 'Close', exact: true }).click()
  await sendOut(page)
  await server.moveClock(2 * 60_000)
  await page.reload()
  await page.getByText('Closed:').waitFor()
  await page.getByText(/^9:\d\d$/).waitFor()
  await partShot(page, 'second-round')
  for (const each of people) each.leave()
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('button', { name: 'End the session' }).click()
  await page.getByText('The session has ended.').waitFor()
  await page.getByRole('link', { name: 'Sessions' }).click()
  await page.getByRole('button', { name: 'Remove Rain talk' }).click()
  await page.getByRole('button', { name: 'Remove it' }).click()
  await page.getByRole('link', { name: 'Rain talk' }).waitFor({ state: 'detached' })
}

/** A board being made, and one of many kinds of prompts on a phone. */
async function worksheet(browser: Browser): Promise<void> {
  const own = await TestServer.withDemo()
  const maker = await (await browser.newContext({ ...config.use })).newPage()
  await signIn(maker, own)
  await maker.getByRole('link', { name: 'Boards' }).click()
  await maker.getByRole('link', { name: 'Make a board' }).click()
  await maker.getByRole('button', { name: 'For and against' }).click()
  await maker.getByRole('button', { name: /^2 .*Points/ }).click()
  await maker.getByLabel('Points go to the cards or lines of').waitFor()
  const tried = maker.getByRole('region', { name: 'The board on a phone' })
  for (const reason of ['Herons nest there', 'The path stays dry']) {
    await tried.getByPlaceholder('Write a card').first().fill(reason)
    await tried.getByPlaceholder('Write a card').first().press('Enter')
  }
  await maker.waitForTimeout(600)
  await shot(maker, 'board-editor')
  await planOneRound(maker)
  await maker
    .getByLabel('Board', { exact: true })
    .selectOption({ label: 'Worksheet: an afternoon at the hide' })
  const saved = maker.waitForResponse(answer => answer.request().method() === 'POST')
  await maker.getByRole('button', { name: 'Save the plan' }).click()
  await saved
  const { code } = await openPlanned(maker)
  const phone = await onPhone(browser)
  await joinOnPhone(phone, own, code, 'Edda')
  const people = await simulated(own, code, NAMES)
  await letAllIn(maker)
  await sendOut(maker)
  await Promise.all(people.map(each => each.until(view => view.whereabouts.where === 'room')))
  const room = await phone.getByRole('heading', { level: 1 }).textContent()
  const beside = people.filter(each => roomOf(each) === room)
  for (const [index, person] of beside.entries()) {
    const doc = await person.openBoard()
    const me = person.view?.me.id ?? ''
    eachOf(doc, 'expect').set(me, {
      answer: [0, 0, 2][index % 3] ?? 0,
      reason: index === 0 ? 'They never stop.' : '',
    })
    eachOf(doc, 'ready').set(me, { value: 2 + index, reason: '' })
  }
  await phone.getByRole('button', { name: 'A heron' }).click()
  await phone.getByText('They never stop.').waitFor()
  await phone.getByRole('button', { name: '3', exact: true }).click()
  await phone.getByText(/answers, middle/).waitFor()
  await phone.getByText('What will we hear first?').scrollIntoViewIfNeeded()
  await phone.evaluate(() => window.scrollBy(0, 210))
  await phone.waitForTimeout(300)
  await partShot(phone, 'worksheet')
  for (const each of people) each.leave()
  await phone.close()
  await maker.close()
  await own.remove()
}

/** The library, and a picture that a group has marked. */
async function looking(browser: Browser): Promise<void> {
  const own = await TestServer.withDemo()
  const maker = await (await browser.newContext({ ...config.use })).newPage()
  await signIn(maker, own)
  await maker.getByRole('link', { name: 'Material' }).click()
  await maker.getByText('Add a link').click()
  await maker.getByLabel('Called').fill('Paths for visitors')
  await maker.getByLabel('Address').fill('https://lowmarsh.example/paths')
  await maker.getByRole('button', { name: 'Add the link' }).click()
  await maker.getByText('Paths for visitors').waitFor()
  await maker.waitForLoadState('networkidle')
  await shot(maker, 'material')
  await planOneRound(maker)
  await maker.getByLabel('Board', { exact: true }).selectOption({ label: 'Look closely' })
  const saved = maker.waitForResponse(answer => answer.request().method() === 'POST')
  await maker.getByRole('button', { name: 'Save the plan' }).click()
  await saved
  const { code } = await openPlanned(maker)
  const phone = await onPhone(browser)
  await joinOnPhone(phone, own, code, 'Edda')
  const people = await simulated(own, code, NAMES)
  await letAllIn(maker)
  await sendOut(maker)
  await Promise.all(people.map(each => each.until(view => view.whereabouts.where === 'room')))
  const room = await phone.getByRole('heading', { level: 1 }).textContent()
  const [first, second] = people.filter(each => roomOf(each) === room)
  const marked = await first?.openBoard()
  if (marked) {
    addCard(marked, 'map', 'one', 'Hide: both waters are seen from here')
    pinTo(marked, 'map', 'one', { on: 0, x: 5_950, y: 2_950 })
    const loop = [900, 3900, 1400, 3600, 2300, 4700, 3300, 4300, 4000, 4500, 4300, 3700]
    putMark(marked, 'map', { id: 'a', on: 0, shape: 'pen', points: loop, colour: 0, text: '' })
  }
  const more = await second?.openBoard()
  if (more) {
    addCard(more, 'map', 'two', 'Too wet after rain')
    pinTo(more, 'map', 'two', { on: 0, x: 3_600, y: 4_400 })
    putMark(more, 'map', {
      id: 'b',
      on: 0,
      shape: 'arrow',
      points: [1900, 2900, 2900, 2450],
      colour: 1,
      text: '',
    })
    putMark(more, 'map', { id: 'c', on: 0, shape: 'text', points: [700, 3000], colour: 1, text: 'quiet' })
    putMark(more, 'map', {
      id: 'd',
      on: 0,
      shape: 'ellipse',
      points: [5200, 1000, 9200, 3300],
      colour: 3,
      text: '',
    })
  }
  await phone.getByText('Too wet after rain').waitFor()
  await phone.getByText('Where would you stop').scrollIntoViewIfNeeded()
  await phone.evaluate(() => window.scrollBy(0, 150))
  await phone.waitForTimeout(500)
  await partShot(phone, 'pictures')
  for (const each of people) each.leave()
  await phone.close()
  await maker.close()
  await own.remove()
}

/** People choose their room before a round. */
async function choosing(browser: Browser): Promise<void> {
  const own = await TestServer.withDemo()
  const maker = await (await browser.newContext({ ...config.use })).newPage()
  await signIn(maker, own)
  const code = await startNow(maker)
  const phone = await onPhone(browser)
  await joinByName(phone, own, code, 'Edda')
  const people = await simulated(own, code, NAMES.slice(0, 9))
  await maker.getByRole('button', { name: 'Make groups' }).click()
  const drawer = maker.getByRole('complementary', { name: 'Make groups' })
  await drawer.getByLabel('Groups are').selectOption('by choice of room')
  await drawer.getByLabel('Rooms, one on each line').fill('Water clarity\nPond life\nBirds by ear')
  await drawer.getByLabel('Largest size').fill('4')
  await drawer.getByRole('button', { name: 'Open a choice' }).click()
  for (const [index, each] of people.entries()) {
    const { roomsToChoose } = await each.until(view => view.roomsToChoose?.rooms.length === 3)
    const room = roomsToChoose?.rooms[[0, 1, 1, 2, 0, 1, 2, 1, 0][index] ?? 0]
    await each.ask({ type: 'choose-room', roomId: room?.id })
  }
  await phone.getByRole('button', { name: 'Choose: Water clarity' }).click()
  await phone.getByText('Your room', { exact: true }).waitFor()
  await partShot(phone, 'choosing')
  for (const each of people) each.leave()
  await phone.close()
  await maker.close()
  await own.remove()
}

/** Office hours: somebody is there with their notes and a call, others wait, times are taken. */
async function officeHours(browser: Browser): Promise<void> {
  const own = await TestServer.withDemo()
  const host = await (await browser.newContext({ ...config.use })).newPage()
  await signIn(host, own)
  await host.getByRole('button', { name: 'Office hours' }).click()
  const code = await joinCodeOf(host)
  await host.getByRole('textbox', { name: 'From' }).fill('23:30')
  await host.getByRole('button', { name: 'Offer' }).click()
  await host.getByLabel('Rooms talk aloud').selectOption('in a simulated call')
  const phone = await onPhone(browser)
  await joinByName(phone, own, code, 'Edda')
  const people = await simulated(own, code, ['Bram', 'Chi', 'Greta', 'Leo'])
  await phone.getByLabel('What is it about?').fill('The map of our station')
  await phone.getByRole('button', { name: 'Wait in line' }).click()
  await phone.getByRole('heading', { name: 'You are next' }).waitFor()
  const abouts = ['Which birds to listen for', 'Our poster', 'May I change groups?']
  for (const [index, about] of abouts.entries()) await people[index]?.ask({ type: 'join-line', about })
  const last = people.at(-1)
  const free = (await last?.until(view => (view.office?.times.length ?? 0) > 0))?.office?.times[0]?.id
  await last?.ask({ type: 'take-time', timeId: free, about: 'My report' })
  await host.getByRole('button', { name: 'Next: Edda' }).click()
  await phone.getByRole('button', { name: 'Join the call of your room' }).click()
  await phone.getByRole('button', { name: 'Switch microphone on' }).click()
  await phone.getByRole('textbox', { name: 'Notes' }).click()
  await phone.keyboard.type('The jetty is missing. Ask Bram for his sketch.')
  await own.moveClock(4 * 60_000)
  await host.reload()
  await host.getByRole('button', { name: 'Open the room' }).click()
  const room = host.getByRole('complementary', { name: 'Room Edda' })
  await room.getByText('The jetty is missing.').waitFor()
  await room.getByRole('list', { name: 'Spoken in this round' }).waitFor()
  await shot(host, 'office-hours')
  for (const each of people) each.leave()
  await own.remove()
}

/** A class at work a little after the first sign-in. */
async function rehearsal(browser: Browser): Promise<void> {
  const own = await TestServer.withDemo()
  const host = await (await browser.newContext({ ...config.use })).newPage()
  await signIn(host, own)
  await host.getByRole('button', { name: 'Try it with a simulated class' }).click()
  await host.getByRole('button', { name: 'Call back' }).waitFor()
  await host.getByText('2 of 3 begun').first().waitFor()
  await shot(host, 'rehearsal')
  await host.getByRole('button', { name: 'End the rehearsal' }).click()
  await host.getByRole('region', { name: 'What the rehearsal showed' }).waitFor()
  await host.close()
  await own.remove()
}

await prepareDemo()
const server = await TestServer.withDemo()
const browser = await chromium.launch(config.use?.launchOptions)
const page = await (await browser.newContext({ ...config.use })).newPage()
await signIn(page, server)
await planning(page)
await startedNow(page, server)
await live(browser, page, server)
await page.getByRole('link', { name: 'Today' }).click()
// The page before has a link of that name as well.
await page.getByRole('heading', { level: 1, name: 'Today' }).waitFor()
await page.getByRole('link', { name: 'Review', exact: true }).click()
await page.getByRole('article', { name: 'Team 1' }).getByRole('list').first().waitFor()
await shot(page, 'review')
await worksheet(browser)
await looking(browser)
await choosing(browser)
await officeHours(browser)
await rehearsal(browser)
await together(browser, 'phones', ['choosing', 'station', 'put-up', 'worksheet', 'pictures'], PHONE)
await together(browser, 'later-rounds', ['second-round', 'stations'], SCREEN)
await browser.close()
await server.remove()
process.exit(0)
