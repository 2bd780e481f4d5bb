import type { Page } from '@playwright/test'
import {
  expect,
  expectAccessible,
  joinOnPhone,
  onOneServer,
  openPlanned,
  passGrace,
  planOneRound,
  signIn,
  simulated,
  switchWaitingList,
} from './fixtures'

const test = onOneServer()

const segments = (page: Page) => page.getByRole('list', { name: 'Segments' }).getByRole('button')
const saved = (page: Page) =>
  expect(page.getByRole('status').filter({ hasText: 'Saved.' }).first()).toBeVisible()

/** Tonight's plan, with the whole group before its round and a second one after. */
async function planTonight(page: Page) {
  await planOneRound(page)
  await expect(segments(page)).toHaveCount(1)
}

test('an evening is laid out in segments: added, named, lengthened, moved, by two at once, and what does not fit is said', async ({
  facilitator: page,
  newPage,
  server,
}) => {
  await planTonight(page)
  await page.getByRole('button', { name: 'Whole group', exact: true }).click()
  await expect(segments(page)).toHaveCount(2)
  await page.getByLabel('Name', { exact: true }).fill('Welcome')
  await page.getByLabel('Name', { exact: true }).press('Enter')
  await page.getByLabel('Minutes', { exact: true }).fill('10')
  await page.getByLabel('Minutes', { exact: true }).press('Enter')
  await expect(page.getByRole('button', { name: /^Welcome, 10 min/ })).toBeVisible()
  // To the front by keys, and a minute more by a key.
  await page.getByRole('button', { name: /^Welcome/ }).press('Alt+ArrowLeft')
  await expect(segments(page).first()).toHaveAccessibleName(/^Welcome, 10 min/)
  await segments(page).first().press('+')
  await expect(segments(page).first()).toHaveAccessibleName(/^Welcome, 11 min/)
  // A second round, with groups as in the first; then a break dragged between them.
  await page.getByRole('button', { name: 'Rooms', exact: true }).click()
  await page.getByLabel('Name', { exact: true }).fill('Stations')
  await page.getByLabel('Name', { exact: true }).press('Enter')
  await page.getByRole('button', { name: /^Stations/ }).press('Alt+ArrowRight')
  await expect(segments(page).last()).toHaveAccessibleName(/^Stations/)
  await page.getByLabel('Groups', { exact: true }).selectOption({ label: 'as in Rooms' })
  await page.getByRole('button', { name: 'Broadcast on schedule' }).click()
  await page.getByRole('button', { name: 'Broadcast on schedule' }).click()
  await page.getByLabel('What is said').last().fill('Look up once.')
  await page.getByLabel('What is said').last().press('Enter')
  await page.getByRole('button', { name: 'Do not say “Two more minutes.”' }).click()
  await expect(page.getByLabel('What is said')).toHaveValue('Look up once.')
  await page.getByLabel('Cues').fill('Ask the reporters to stand up.')
  await page.getByLabel('Cues').blur()
  await saved(page)
  const welcome = segments(page).first()
  const edge = welcome.locator('xpath=..').locator('[data-edge]')
  const box = await edge.boundingBox()
  if (!box) throw new Error('The segment has no edge.')
  await page.mouse.move(box.x + 4, box.y + 30)
  await page.mouse.down()
  await page.mouse.move(box.x + 104, box.y + 30, { steps: 5 })
  await page.mouse.up()
  await expect(welcome).not.toHaveAccessibleName(/^Welcome, 11 min/)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(welcome).toHaveAccessibleName(/^Welcome, 11 min/)
  const stations = await segments(page).last().boundingBox()
  const first = await welcome.boundingBox()
  if (!stations || !first) throw new Error('The ribbon is not there.')
  await page.mouse.move(stations.x + 20, stations.y + 30)
  await page.mouse.down()
  await page.mouse.move(first.x + 30, first.y + 30, { steps: 8 })
  await page.mouse.up()
  await expect(segments(page).first()).toHaveAccessibleName(/^Stations/)
  await expect(page.getByText('does not come before it')).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(segments(page).first()).toHaveAccessibleName(/^Welcome/)
  // A board for each room: so many as there are rooms; and a segment is taken out, and comes back by undoing.
  await segments(page).last().click()
  await page.getByLabel('Board', { exact: true }).first().selectOption('a board for each room')
  await page.getByRole('button', { name: 'One more board' }).click()
  await page.getByRole('button', { name: 'One more board' }).click()
  await expect(page.getByLabel(/^Board of room/)).toHaveCount(3)
  await page.getByLabel('Board of room 3').selectOption({ index: 0 })
  await page.getByRole('button', { name: 'One board less' }).click()
  await expect(page.getByLabel(/^Board of room/)).toHaveCount(2)
  await saved(page)
  await page.getByRole('button', { name: 'Take out' }).click()
  await expect(segments(page)).toHaveCount(2)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(segments(page)).toHaveCount(3)
  await segments(page).last().click()
  await expect(page.getByLabel(/^Board of room/)).toHaveCount(2)
  // Too long for the session: what could give is said, and done with one press.
  await page.getByLabel('Minutes the session has').fill('30')
  await page.getByLabel('Minutes the session has').press('Enter')
  await expect(page.getByText('5 min too long.')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Shorten them so' }).click()
  await expect(page.getByText('min too long')).toBeHidden()
  await saved(page)
  await page.reload()
  await expect(segments(page)).toHaveCount(3)
  await expect(page.getByText(/, 30 min$/)).toBeVisible()

  // Another plans it at the same time, from what their page had: what either does stands, and undoing takes back one's own step.
  const tobias = await newPage()
  await signIn(tobias, server, 1)
  await tobias.goto(page.url())
  await expect(segments(tobias)).toHaveCount(3)
  await page.getByRole('button', { name: 'Break', exact: true }).click()
  await saved(page)
  await segments(tobias).first().press('+')
  await expect(segments(tobias)).toHaveCount(4)
  await expect(segments(tobias).first()).toHaveAccessibleName(/^Welcome/)
  await saved(tobias)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(tobias.getByText(/, 41 min$/)).toBeVisible()
  await saved(page)
  await expect(page.getByText(/, 31 min$/)).toBeVisible()
  await expect(segments(page)).toHaveCount(3)

  // The same with its title, its time and who does what: whoever saves second is told, and sees what the other had changed.
  const field = (each: Page, name: string) => each.getByLabel(name, { exact: true })
  await field(page, 'Title').fill('Marsh at dusk')
  await field(page, 'Who writes in rooms').selectOption('scribe writes')
  await field(page, 'Tobias Ferrand').selectOption('keeps the clock and the doors')
  await page.getByRole('button', { name: 'Save the plan' }).click()
  await saved(page)
  await field(tobias, 'Begins at').fill('18:45')
  await field(tobias, 'Name of room 1').fill('Sluice')
  await field(tobias, 'Who looks after room 1').selectOption('with Tobias Ferrand')
  await tobias.getByRole('button', { name: 'Save the plan' }).click()
  await expect(tobias.getByText('Saved, with what somebody else had changed.')).toBeVisible()
  await expect(field(tobias, 'Title')).toHaveValue('Marsh at dusk')
  await expect(field(tobias, 'Tobias Ferrand')).toHaveValue('clock')
  await expectAccessible(tobias)
  await page.reload()
  for (const [name, value] of [
    ['Title', 'Marsh at dusk'],
    ['Begins at', '18:45'],
    ['Name of room 1', 'Sluice'],
    ['Who writes in rooms', 'scribe'],
    ['Tobias Ferrand', 'clock'],
  ] as const)
    await expect(field(page, name)).toHaveValue(value)
})

test('an evening of two rounds is run with one key: groups, boards and what everybody reads follow', async ({
  facilitator: page,
  server,
  phone: newPhone,
}) => {
  await planTonight(page)
  for (const [kind, name] of [
    ['Whole group', 'Report'],
    ['Rooms', 'Stations'],
  ] as const) {
    await page.getByRole('button', { name: kind, exact: true }).click()
    await page.getByLabel('Name', { exact: true }).fill(name)
    await page.getByLabel('Name', { exact: true }).press('Enter')
    await expect(page.getByRole('button', { name: new RegExp(`^${name},`) })).toBeVisible()
    if (name !== 'Report') continue
    // A question that is ready when they are back; two answers alike are none.
    await page.getByRole('button', { name: 'Ready question' }).click()
    const ready = page.getByRole('list', { name: 'Ready questions' })
    await ready.getByLabel('What is asked').fill('Whose board next week?')
    await ready.getByLabel('What is asked').press('Enter')
    // Emptied, it says again what is kept; and one that is not wanted goes.
    await ready.getByLabel('What is asked').fill('')
    await ready.getByLabel('What is asked').press('Enter')
    await expect(ready.getByLabel('What is asked')).toHaveValue('Whose board next week?')
    await page.getByRole('button', { name: 'Ready question' }).click()
    await ready.getByRole('button', { name: 'Do not ask “What was new to you?”' }).click()
    await expect(ready.getByLabel('What is asked')).toHaveCount(1)
    await ready.getByLabel('How it is answered').selectOption('own answers')
    const answers = ready.getByLabel('Its answers, with / between them')
    await answers.fill('Ours / ours')
    await answers.press('Enter')
    await expect(ready.getByRole('alert')).toBeVisible()
    await answers.fill('Ours / Another')
    await answers.press('Enter')
    await expect(ready.getByRole('alert')).toBeHidden()
    await saved(page)
  }
  await page.getByLabel('Groups', { exact: true }).selectOption({ label: 'as in Rooms' })
  const boards = page.getByLabel('Board', { exact: true }).first()
  await boards.selectOption('')
  await saved(page)
  const { code } = await openPlanned(page)
  await switchWaitingList(page)
  const people = await simulated(server, code, ['Bram O.', 'Chi', 'Edda'])
  await expect(page.getByText('Then: Rooms')).toBeVisible()
  await page.keyboard.press('n')
  await page.getByRole('button', { name: 'Send out as it is' }).click()
  await expect(page.getByRole('button', { name: 'Call back' })).toBeVisible()
  await page.keyboard.press('n')
  await passGrace(page, server)
  await page.reload()
  await expect(page.getByText('Now: Report')).toBeVisible()
  await expect(page.getByText('Then: Stations, 12 min')).toBeVisible()
  const phone = await newPhone()
  await joinOnPhone(phone, server, code, 'Greta L.')
  await expect(phone.getByText('then: Stations, 12 min')).toBeVisible()
  await page.getByRole('button', { name: 'Ask a question' }).click()
  await page.getByRole('list', { name: 'Questions of the plan' }).getByRole('button').click()
  await phone.getByRole('region', { name: 'Question' }).getByRole('button', { name: 'Another' }).click()
  const question = page.getByRole('region', { name: 'Question' })
  await expect(question.getByRole('definition')).toHaveText(['0', '1'])
  await question.getByRole('button', { name: 'Close the question' }).click()
  await question.getByRole('button', { name: 'Put away' }).click()
  await page.getByRole('button', { name: 'Ask a question' }).click()
  await expect(page.getByRole('list', { name: 'Questions of the plan' })).toBeHidden()
  await page.keyboard.press('Escape')
  // It gets late: what is to come is shortened from here.
  await page.getByRole('button', { name: 'Running order' }).click()
  await page.getByRole('button', { name: 'Stations: a minute less' }).click()
  await expect(page.getByText('Then: Stations, 11 min')).toBeVisible()
  await page.getByRole('button', { name: 'Break next' }).click()
  await expect(page.getByText('Then: Break, 10 min')).toBeVisible()
  await page.getByRole('listitem', { name: 'Break' }).getByRole('button', { name: 'Skip' }).click()
  await expectAccessible(page)
  await expect(page.getByRole('button', { name: 'Send out: Stations' })).toBeVisible()
  await page.getByRole('button', { name: 'Close the order' }).click()
  await page.keyboard.press('n')
  await page.getByRole('button', { name: 'Send out as it is' }).click()
  await expect(page.getByText('Now: Stations')).toBeVisible()
  // Ended by mistake: it goes on where it was.
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('alertdialog').getByRole('button', { name: 'End the session' }).click()
  await page.getByRole('button', { name: 'Open it again' }).click()
  await expect(page.getByText('Now: Stations')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Call back' })).toBeVisible()
  await page.getByRole('link', { name: 'Review', exact: true }).click()
  const asked = page.getByRole('list', { name: 'Questions' })
  await expect(asked.getByText('Whose board next week?')).toBeVisible()
  await expect(asked.getByRole('definition')).toHaveText(['0', '1'])
  await expectAccessible(page)
  for (const each of people) each.leave()
})

test('sessions are found by days, cohort and words, and the address keeps what was asked', async ({
  facilitator: page,
}) => {
  await page.getByRole('link', { name: 'Sessions' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Sessions' })).toBeVisible()
  const rows = page.getByRole('list', { name: 'Sessions' }).getByRole('listitem')
  const all = await rows.count()
  expect(all).toBeGreaterThan(3)
  await page.getByLabel('Cohort').selectOption('Evening course')
  await expect(page.getByLabel('Cohort')).toHaveValue('Evening course')
  // Tonight and later: what has been is not there.
  // From yesterday: the demo may have been made before a midnight that has passed since.
  const yesterday = new Date(Date.now() - 86_400_000).toISOString().slice(0, 10)
  await page.getByLabel('From').fill(yesterday)
  // Of the course only tonight's is still to come.
  await expect(rows).toHaveCount(1)
  await page.reload()
  await expect(rows).toHaveCount(1)
  await expectAccessible(page)
  await page.getByLabel('To', { exact: true }).fill('2001-01-01')
  await expect(page.getByText('No session is of these days and this cohort.')).toBeVisible()
  await page.getByRole('button', { name: 'Show all' }).click()
  await expect(rows).toHaveCount(all)
})
