import { readFileSync } from 'node:fs'
import { expect, expectAccessible, joinOnPhone, letAllIn, signIn, simulated, test } from './fixtures'

// The last file there is: its walks are shared out, so that nobody waits for one of them alone.
test.describe.configure({ mode: 'parallel' })

test('from a list of people to what the groups made', async ({ server, facilitator: page, phone }) => {
  // People.
  await page.getByRole('link', { name: 'Cohorts' }).click()
  await page.getByLabel('Name').fill('Spring course')
  await page.getByRole('button', { name: 'Make the cohort' }).click()
  await expect(page.getByRole('heading', { name: 'Spring course' })).toBeVisible()
  await page.getByRole('link', { name: 'Import a list' }).click()
  await page
    .getByLabel('Or paste rows here')
    .fill('name,email\nAda Marsh,ada@x.example\nBea Fen,\nCal Reed,not-an-address\nCem Reed,\nDov Moor,\n')
  await page.getByRole('button', { name: 'Show what would change' }).click()
  await expect(page.getByText('Read as pasted text. 1 left out, 4 added.')).toBeVisible()
  await expect(page.getByRole('row', { name: 'row 4 left out' })).toContainText(
    '"not-an-address" is not an email address.',
  )
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Add 4, change 0' }).click()
  await expect(page.getByText('4 people added to the list.')).toBeVisible()
  await expect(page.getByRole('row')).toHaveCount(5)

  // Remove and undo.
  await page.getByRole('button', { name: 'Take Bea Fen off the list' }).click()
  await expect(page.getByText('Bea Fen was taken off the list.')).toBeVisible()
  await expect(page.getByRole('row')).toHaveCount(4)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('row')).toHaveCount(5)

  // Groups: never one of one, and a reshuffle that differs.
  await page.getByRole('link', { name: 'Make groups' }).click()
  await page.getByLabel('People each').fill('2')
  await expect(page.getByText('2 groups: 2, 2')).toBeVisible()
  await page.getByRole('button', { name: 'Make groups' }).click()
  const together = async () => {
    const groups = await page.locator('section[aria-label^="Group"]').all()
    const lists = await Promise.all(groups.map(group => group.locator('li').allTextContents()))
    return lists
      .map(list => list.sort().join())
      .sort()
      .join(' | ')
  }
  await expect(page.getByRole('region', { name: 'Group 2' })).toBeVisible()
  let before = await together()
  for (let time = 0; time < 8; time++) {
    await page.getByRole('button', { name: 'Reshuffle' }).click()
    await expect.poll(together).not.toBe(before)
    before = await together()
  }
  await page.getByLabel('Name of the grouping').fill('Pairs')
  await page.getByRole('button', { name: 'Save the grouping' }).click()
  await expect(page.getByText('Saved.')).toBeVisible()
  expect(await together()).toBe(before)

  // A session.
  await page.getByRole('link', { name: 'Plan a session with it' }).click()
  await page.getByLabel('Title').fill('First spring evening')
  await page.getByLabel('Date').fill('2026-12-01')
  await page.getByLabel('Begins at').fill('19:00')
  await page.getByLabel('Board').selectOption({ label: 'Station notes' })
  await page.getByLabel('Name of room 1').fill('The jetty')
  await page.getByRole('button', { name: 'Save the plan' }).click()
  await expect(page.getByRole('button', { name: 'Open the session' })).toBeVisible()
  await expectAccessible(page)
  const code =
    (await page
      .getByText(/^People join at/)
      .locator('b')
      .last()
      .textContent()) ?? ''

  // Somebody is early: the page goes on by itself once the session is open.
  const ada = await phone()
  await ada.goto(`${server.address}/join`)
  await ada.getByLabel('Join code').fill(code.toLowerCase().replace('-', ''))
  await ada.getByRole('button', { name: 'Go on' }).click()
  await expect(ada.getByText('The session is not open yet')).toBeVisible()
  await page.getByRole('button', { name: 'Open the session' }).click()
  await ada.getByRole('button', { name: 'Ada M.', exact: true }).click()
  await expect(ada.getByRole('heading', { name: 'Whole group' })).toBeVisible()
  await expectAccessible(ada)

  const others = await simulated(server, code, ['Bea F.', 'Cem R.'])
  await expect(page.getByRole('button', { name: 'Cem R.' }).first()).toBeVisible()
  // Three people in two groups: one of them would be alone, and that is said first.
  await page.getByRole('button', { name: 'Send out' }).click()
  await expect(page.getByRole('alertdialog', { name: 'Somebody would be alone' })).toContainText(
    /would be alone in/,
  )
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Send out as it is' }).click()
  await expect(ada.getByRole('heading', { level: 1 })).not.toHaveText('Whole group')
  await expect(ada.getByRole('timer')).toHaveText(/^1[12]:\d\d$/)

  // Work.
  await ada.getByLabel('New card').fill('Seen from the jetty')
  await ada.getByRole('button', { name: 'Add card' }).click()
  await ada.getByRole('textbox', { name: 'How would you explain' }).click()
  await ada.keyboard.type('Stand still and wait.')
  await ada.getByRole('button', { name: 'Yes', exact: true }).click()
  await ada.getByPlaceholder('Because…').fill('There is a rail.')
  await expect(ada.getByText('Saved', { exact: true })).toBeVisible()
  await expectAccessible(ada)
  const adaRoom = (await ada.getByRole('heading', { level: 1 }).textContent()) ?? ''
  const lane = page.getByRole('listitem', { name: adaRoom })
  await expect(lane).toContainText('There is a rail.')
  await expect(lane).toContainText('3 of 3 begun')

  // A broadcast lands on the board and stays until it is put away; it is kept in the room.
  await page.getByLabel('Broadcast to all').fill('Two more minutes for the cards.')
  await page.getByRole('button', { name: 'Broadcast', exact: true }).click()
  await expect(ada.getByText('Two more minutes for the cards.')).toBeVisible()
  await expect(lane.getByText('broadcast: Two more minutes')).toBeAttached()
  await ada.getByRole('button', { name: 'Put away' }).click()
  await expect(ada.getByText('Two more minutes for the cards.')).toBeHidden()
  await ada.getByText('1 earlier message').click()
  await expect(ada.getByText('Two more minutes for the cards.')).toBeVisible()

  // Help, answered with a note and with a visit.
  await ada.getByRole('button', { name: 'Call for help' }).click()
  await lane.getByRole('button', { name: 'Answer' }).click()
  await page.getByLabel('Answer with a note').fill('Read it from the shaded side.')
  await page.getByRole('button', { name: 'Send the note' }).click()
  await expect(ada.getByText('Read it from the shaded side.')).toBeVisible()
  await expect(ada.getByRole('button', { name: 'Call for help' })).toBeVisible()
  const drawer = page.getByRole('complementary', { name: `Room ${adaRoom}` })
  await expect(drawer).toContainText('Seen from the jetty')
  await expectAccessible(page)
  await ada.getByRole('button', { name: 'Call for help' }).click()
  await expect(drawer).toContainText('calls for help')
  await ada.getByRole('button', { name: 'Not needed any more' }).click()
  await expect(drawer).not.toContainText('calls for help')
  await ada.getByRole('button', { name: 'Call for help' }).click()
  await expect(drawer).toContainText('calls for help')
  await drawer.getByRole('button', { name: 'Visit' }).click()
  await expect(ada.getByText('Marit Solheim is in your room, listening.')).toBeVisible()
  await drawer.getByRole('button', { name: 'Close' }).click()

  // Somebody moves in mid-round, and somebody comes late.
  const bea = others[0]
  const otherRoom = adaRoom === 'The jetty' ? 'Group 2' : 'The jetty'
  const beaRoom = bea?.view?.whereabouts.where === 'room' ? bea.view.whereabouts.name : ''
  const target = beaRoom === adaRoom ? otherRoom : adaRoom
  await page.getByRole('button', { name: 'Bea F.', exact: true }).first().click()
  await page.getByRole('menuitem', { name: target }).click()
  const beaIsIn = (room: string) =>
    bea?.until(({ whereabouts }) => whereabouts.where === 'room' && whereabouts.name === room)
  await beaIsIn(target)
  // Chosen and put back, and that taken back.
  await page.getByRole('button', { name: 'Choose several' }).click()
  await page.getByRole('button', { name: 'Bea F.', exact: true }).first().click()
  await page.getByLabel('Put those who are chosen into').selectOption(beaRoom)
  await beaIsIn(beaRoom)
  await page.getByRole('button', { name: 'Undo the move' }).click()
  await beaIsIn(target)
  await page.getByRole('button', { name: 'Done choosing' }).click()
  const dov = await phone()
  await joinOnPhone(dov, server, code, 'Dov M.')
  await page.getByRole('button', { name: /^Dov M\.: to / }).click()
  await expect(dov.getByText('Station notes')).toBeVisible()

  // More time, then back, with grace that everybody sees.
  await page.getByRole('button', { name: '1 min' }).click()
  await expect(ada.getByRole('timer')).toHaveText(/^1[23]:\d\d$/)
  await page.getByRole('button', { name: 'Call back' }).click()
  await expect(ada.getByText('finish, come back')).toBeVisible()
  await expect(ada.getByRole('timer')).toHaveText(/^(1:00|0:5\d)$/)
  await ada.getByLabel('New card').fill('Written in grace')
  await ada.getByRole('button', { name: 'Add card' }).click()
  await expect(ada.getByText('Saved', { exact: true })).toBeVisible()

  // The end, which asks first.
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Go on with the session' }).click()
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('button', { name: 'End the session' }).click()
  await expect(ada.getByText('The session has ended.')).toBeVisible()

  // Review.
  await page.getByRole('link', { name: 'Review what the groups made' }).click()
  await expect(page.getByRole('article', { name: adaRoom })).toContainText('Written in grace')
  await page.getByRole('button', { name: '3. Would you bring' }).click()
  await expect(page.getByRole('article', { name: adaRoom })).toContainText('Yes: There is a rail.')
  await expect(page.getByRole('row', { name: /^Ada M\./ })).toContainText(adaRoom)
  await expectAccessible(page)
  const download = async (name: string) => {
    const waiting = page.waitForEvent('download')
    await page.getByRole('link', { name }).click()
    return readFileSync(await (await waiting).path(), 'utf8')
  }
  expect(await download('All of it (Markdown)')).toContain('- Seen from the jetty')
  expect(await download('Answers (CSV)')).toContain(`${adaRoom},Written in grace\r\n`)
  expect(await download('Who took part (CSV)')).toMatch(/^\ufeffname,rooms,present_minutes/)

  // A participant's own link shows their rooms only.
  await ada.getByRole('link', { name: 'See what we made' }).click()
  await expect(ada.getByText('Seen from the jetty')).toBeVisible()
  await expect(ada.getByRole('heading', { name: otherRoom })).toBeHidden()
  await expectAccessible(ada)
  for (const other of others) other.leave()
})

test('the co-facilitator sees what the facilitator sees, and either can act', async ({
  server,
  facilitator: page,
  newPage,
  phone,
}) => {
  const { openTonight } = await import('./fixtures')
  const { code, sessionId } = await openTonight(page)
  const tobias = await newPage()
  await signIn(tobias, server, 1)
  await tobias.goto(`${server.address}/sessions/${sessionId}/live`)
  const edda = await phone()
  await joinOnPhone(edda, server, code, 'Edda')
  await expect(edda.getByText('You are on the waiting list')).toBeVisible()
  await letAllIn(tobias)
  await tobias.getByRole('button', { name: 'Send out' }).click()
  await tobias.getByRole('button', { name: 'Send out as it is' }).click()
  await expect(page.getByRole('button', { name: 'Call back' })).toBeVisible()
  await page.getByRole('button', { name: 'Call back' }).click()
  await expect(tobias.getByRole('button', { name: /^Go on as before/ })).toBeVisible()

  // Each sees what the other is at.
  await tobias.getByRole('button', { name: 'Pond life', exact: true }).click()
  await expect(page.getByText(/^With Tobias .*\(looks at Pond life\)$/)).toBeVisible()
  await tobias.getByLabel('Broadcast to all').fill('Half a broadcast')
  await expect(page.getByText(/\(looks at Pond life, writes a broadcast\)$/)).toBeVisible()
  await tobias.getByRole('complementary').getByRole('button', { name: 'Close' }).click()
  await expect(page.getByText(/^With Tobias .*\(writes a broadcast\)$/)).toBeVisible()

  // One keeps the clock and the doors while the other presents: what is not theirs is refused with words.
  await page.getByRole('button', { name: 'Share out' }).click()
  const shared = page.getByRole('region', { name: 'Who does what' })
  await shared.getByLabel(/^Tobias/).selectOption('keeps the clock and the doors')
  await expect(tobias.getByText('You keep the clock and the doors')).toBeVisible()
  await tobias.getByRole('button', { name: /^Go on as before/ }).click()
  await expect(page.getByRole('button', { name: 'Call back' })).toBeVisible()
  await tobias.getByLabel('Broadcast to all').press('Enter')
  await expect(tobias.getByText('Somebody else at the front does this now.')).toBeVisible()
  await expect(tobias.getByLabel('Broadcast to all')).toHaveValue('Half a broadcast')

  // Some rooms are one’s to look after; then the whole session is handed over, and taken again.
  await shared
    .getByRole('group', { name: /^Rooms of Tobias/ })
    .getByText('Pond life')
    .click()
  await expect(tobias.getByText('Yours to look after: Pond life.')).toBeVisible()
  await expectAccessible(page)
  await expectAccessible(tobias)
  await shared.getByRole('button', { name: /^Hand over to Tobias/ }).click()
  await expect(page.getByText('You look on: the session is with the others at the front.')).toBeVisible()
  await expect(tobias.getByText('You keep the clock and the doors')).toBeHidden()
  await tobias.getByLabel('Broadcast to all').press('Enter')
  await expect(edda.getByText('Half a broadcast')).toBeVisible()
  await page.getByRole('button', { name: 'Take everything again' }).click()
  await expect(page.getByText('You look on')).toBeHidden()
})
