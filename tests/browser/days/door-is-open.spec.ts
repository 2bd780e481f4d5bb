import {
  addPrompt,
  expect,
  expectAccessible,
  joinByName,
  joinCodeOf,
  joinOnPhone,
  letAllIn,
  makeBoard,
  openWithBoard,
  passGrace,
  putInRoom,
  sendOut,
  simulated,
  test,
} from '../fixtures'

const DAY = 24 * 60 * 60 * 1000
const dayBefore = (days: number) => new Date(Date.now() - days * DAY).toISOString().slice(0, 10)

test('the door is open one at a time, in private; a session of some weeks ago is found again; two pictures of the library are compared in rooms, who is lost and who is done seen as it goes, and all points put together', async ({
  server,
  facilitator: page,
  phone,
}) => {
  // Office hours: whoever waits sees nothing of who is there, and comes next into a room where nothing of it stands.
  await page.getByRole('button', { name: 'Office hours' }).click()
  const officeCode = await joinCodeOf(page)
  const [ada, bo] = [await phone(), await phone()]
  await joinByName(ada, server, officeCode, 'Ada')
  await ada.getByRole('button', { name: 'Wait in line' }).click()
  await joinByName(bo, server, officeCode, 'Bo')
  await bo.getByRole('button', { name: 'Wait in line' }).click()
  await page.getByRole('button', { name: 'Next: Ada' }).click()
  await ada.getByRole('textbox', { name: 'Notes' }).click()
  await ada.keyboard.type('My first draft')
  await expect(ada.getByText('Saved', { exact: true })).toBeVisible()
  await expect(bo.getByRole('heading', { name: 'You are next' })).toBeVisible()
  const there = page.getByRole('region', { name: 'There now' })
  await there.getByRole('button', { name: 'Done' }).click()
  await page.getByRole('button', { name: 'Next: Bo' }).click()
  await expect(bo.getByText('With the facilitator')).toBeVisible()
  for (const hidden of ['Ada', 'My first draft']) await expect(bo.getByText(hidden)).toHaveCount(0)
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('button', { name: 'End the session' }).click()
  await expect(bo.getByText('The session has ended. Thank you.')).toBeVisible()

  // What was some weeks ago is found by its days, with what the groups made.
  await page.getByRole('link', { name: 'Sessions', exact: true }).click()
  await page.getByLabel('From').fill(dayBefore(120))
  await page.getByLabel('To', { exact: true }).fill(dayBefore(2))
  const rows = page.getByRole('list', { name: 'Sessions' }).getByRole('listitem')
  await expect(rows.filter({ hasText: 'Evening 6' })).toHaveCount(0)
  await rows.filter({ hasText: 'Evening 5' }).getByRole('link').first().click()
  await page.getByRole('link', { name: 'Review', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Side by side' })).toBeVisible()
  // Who wrote what, piece by piece; what hurts is taken off when all is over as well, and can be given back.
  const read = page.getByRole('article', { name: 'Water clarity' })
  await read.getByText('Who wrote what').click()
  const pieces = read.getByRole('list', { name: 'Who wrote what' }).getByRole('listitem')
  await expect(pieces.first()).toHaveText(/Ana Pet\. ?Take off$/)
  const count = await pieces.count()
  await pieces.first().getByRole('button', { name: 'Take off' }).click()
  await read.getByText('1 taken off the screens').click()
  await expect(pieces).toHaveCount(count - 1)
  await expectAccessible(page)
  await read.getByRole('button', { name: 'Give back' }).click()
  await expect(pieces).toHaveCount(count)
  await expect(read.getByText('1 taken off the screens')).toHaveCount(0)

  // Two pictures that lie in the library, compared in rooms for twelve minutes.
  await makeBoard(page, server, 'Compare\n\n1. Look at both.\n\n- What is different?\n')
  await addPrompt(page, /^Pictures/, 'Look at both')
  for (const name of ['Two birds of the reeds', 'Map of the marsh'])
    await page.getByRole('checkbox', { name }).check()
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible()
  const { code } = await openWithBoard(page, 'Compare')
  const ana = await phone()
  await joinOnPhone(ana, server, code, 'Ana Per.')
  const people = await simulated(server, code, ['Bram O.', 'Chi'])
  await letAllIn(page)
  for (const [who, room] of [
    ['Ana Per.', 'Pond life'],
    ['Bram O.', 'Pond life'],
    ['Chi', 'Soil and peat'],
  ] as const)
    await putInRoom(page, who, room)
  await sendOut(page)
  for (const name of ['Two birds of the reeds', 'Map of the marsh'])
    await expect(ana.getByRole('img', { name, exact: true })).toBeVisible()
  await ana.getByLabel('New card').fill('One has no sky')
  await ana.getByLabel('New card').press('Enter')
  await expect(ana.getByText('Saved', { exact: true })).toBeVisible()

  // Who is lost, and who is done, as it goes.
  const [bram, chi] = people
  await chi?.ask({ type: 'set-signal', signal: 'lost' })
  const lane = (name: string) => page.getByRole('listitem', { name, exact: true })
  await expect(lane('Soil and peat')).toContainText('1 lost')
  await bram?.ask({ type: 'set-signal', signal: 'done' })
  await ana.getByRole('button', { name: 'Signal' }).click()
  await ana.getByRole('button', { name: 'I am done' }).click()
  await expect(lane('Pond life')).toContainText('2 done')
  await expectAccessible(ana)

  // All points on the projector, room by room.
  await page.getByRole('button', { name: 'Call back' }).click()
  await passGrace(page, server)
  const wall = await page.context().newPage()
  await wall.goto(page.url().replace(/\/live$/, '/projector'))
  await page.getByRole('button', { name: 'Put up', exact: true }).click()
  const panel = page.getByRole('region', { name: 'Put something up' })
  await panel.getByLabel('One prompt of all rooms').selectOption({ label: 'What is different?' })
  const points = wall.getByRole('region', { name: 'Put up' }).getByRole('article', { name: 'Pond life' })
  await expect(points).toContainText('One has no sky')
  for (const each of people) each.leave()
})
