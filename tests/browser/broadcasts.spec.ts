import { expect, expectAccessible, joinOnPhone, openToAll, sendOut, simulated, test } from './fixtures'

test('something is said to all, to some, later and with a link; it is seen how far it has come, answered and said again', async ({
  facilitator: page,
  server,
  phone,
}) => {
  const code = await openToAll(page)
  const own = await phone()
  await joinOnPhone(own, server, code, 'Chi')
  const [bo] = await simulated(server, code, ['Kaveh'])
  await sendOut(page)

  // One line to everybody: whoever has it in sight has seen it, who follows without a screen has not.
  await page.getByLabel('Broadcast to all').fill('Look closely.')
  await page.getByLabel('Broadcast to all').press('Enter')
  await expect(own.getByText('Look closely.')).toBeVisible()
  await bo?.until(view => view.messages.length === 1)
  await page.getByRole('button', { name: 'Broadcasts: the last one seen by 1 of 2' }).click()
  const drawer = page.getByRole('complementary', { name: 'Broadcasts' })
  await expect(drawer.getByText('Seen by 1 of 2')).toBeVisible()
  await expect(drawer.getByText(/^Not yet: 1 in /)).toBeVisible()

  // Answered, by name and room.
  await own.getByRole('button', { name: 'Answer' }).click()
  await own.getByLabel('Your answer').fill('We do.')
  await expectAccessible(own)
  await own.getByRole('button', { name: 'Send the answer' }).click()
  await expect(own.getByText('You answered: We do.')).toBeVisible()
  const answers = drawer.getByRole('list', { name: 'Answers to Look closely.' })
  await expect(answers).toContainText('Chi')
  await expect(answers).toContainText('We do.')

  // Said again to who has not seen it, and to nobody else.
  await drawer.getByRole('button', { name: 'Say it again' }).click()
  await bo?.until(view => Object.keys(view.saidAgain).length === 1)
  await expect(own.getByText('said again')).toBeHidden()
  const [messageId = ''] = bo?.view?.messages.map(({ id }) => id) ?? []
  await bo?.ask({ type: 'see-messages', messageIds: [messageId] })
  await expect(drawer.getByText('Seen by all 2')).toBeVisible()
  await expect(drawer.getByRole('button', { name: 'Say it again' })).toBeHidden()

  // A phrase of one's own, said only where they are not done, with a link that has to be one.
  await drawer.getByLabel('What to say').fill('Come to an end.')
  await drawer.getByText('My phrases').click()
  await drawer.getByRole('button', { name: 'Keep what is written' }).click()
  await drawer.getByLabel('What to say').fill('')
  await drawer
    .getByRole('list', { name: 'My phrases' })
    .getByRole('button', { name: 'Come to an end.' })
    .first()
    .click()
  await expect(drawer.getByLabel('What to say')).toHaveValue('Come to an end.')
  await drawer.getByRole('button', { name: 'Drop the phrase Come to an end.' }).click()
  await expect(drawer.getByRole('list', { name: 'My phrases' }).getByRole('listitem')).toHaveCount(0)
  await expect(drawer.getByRole('button', { name: 'Keep what is written' })).toBeVisible()
  await drawer.getByLabel('With', { exact: true }).selectOption('a link')
  await drawer.getByLabel('Address').fill('tides')
  await expect(drawer.getByText('Write a whole address that begins with https:// or http://.')).toBeVisible()
  await expect(drawer.getByRole('button', { name: 'Say it', exact: true })).toBeDisabled()
  await drawer.getByLabel('Address').fill('https://tides.example/today')
  await drawer.getByLabel('To', { exact: true }).selectOption('rooms not done')
  await expectAccessible(page)
  await bo?.ask({ type: 'say-part-done', partId: 'first', done: true })
  await bo?.until(view => view.partsDone.length === 1)
  await drawer.getByRole('button', { name: 'Say it', exact: true }).click()
  await expect(own.getByRole('link', { name: 'https://tides.example/today' })).toBeVisible()
  expect(bo?.view?.messages).toHaveLength(1)

  // Later: it waits, can be taken back, and is said when its time has come.
  for (const text of ['Taken back.', 'Said later.']) {
    await drawer.getByLabel('What to say').fill(text)
    await drawer.getByLabel('When').selectOption('in 5 min')
    await drawer.getByLabel('To', { exact: true }).selectOption('everybody')
    await drawer.getByRole('button', { name: 'Say it in 5 min' }).click()
    await expect(drawer.getByRole('button', { name: `Take back ${text}` })).toBeVisible()
  }
  await drawer.getByRole('button', { name: 'Take back Taken back.' }).click()
  await expect(drawer.getByRole('button', { name: 'Take back Taken back.' })).toBeHidden()
  await server.moveClock(5 * 60_000)
  await expect(own.getByText('Said later.')).toBeVisible()
  await expect(own.getByText('Taken back.')).toBeHidden()
  await expect(drawer.getByText('Waiting for its time')).toBeHidden()

  // Further down on a phone what comes is not missed.
  await own.evaluate(() => window.scrollTo(0, document.body.scrollHeight))
  await drawer.getByLabel('What to say').fill('Do not miss this.')
  await drawer.getByRole('button', { name: 'Say it', exact: true }).click()
  await own.getByRole('button', { name: /new message/ }).click()
  await expect(own.getByText('Do not miss this.')).toBeInViewport()
  await expect(own.getByRole('button', { name: /new message/ })).toBeHidden()
  await page.keyboard.press('Escape')
  await expect(drawer).toBeHidden()
  await expect(page.getByRole('button', { name: /^Broadcasts/ })).toBeFocused()

  // To one person alone; and what is noted down on a person or a room is for facilitators alone.
  await page.keyboard.press('/')
  await page.getByLabel('Find somebody').fill('Chi')
  await page.getByRole('button', { name: 'Note to Chi, or observation' }).click()
  const person = page.getByRole('complementary', { name: 'Person Chi' })
  await person.getByLabel('Note to them alone').fill('Lead them on.')
  await person.getByRole('button', { name: 'Send the note' }).click()
  await expect(own.getByText('Lead them on.')).toBeVisible()
  await expect(person.getByText('to Chi alone')).toBeVisible()
  await person.getByLabel('Observation').fill('Chi waits for others')
  await person.getByRole('button', { name: 'Keep the observation' }).click()
  await expect(person.getByRole('list', { name: 'Observations' })).toContainText('Chi waits for others')
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Water clarity', exact: true }).click()
  const room = page.getByRole('complementary', { name: 'Room Water clarity' })
  await room.getByLabel('Observation').fill('Quick to agree')
  await room.getByRole('button', { name: 'Keep the observation' }).click()
  await expect(room.getByRole('list', { name: 'Observations' })).toContainText('Quick to agree')
  expect(bo?.view?.messages.some(({ text }) => text === 'Lead them on.')).toBe(false)

  // Afterwards all of it stands in the review, and what was observed in no download.
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('button', { name: 'End the session' }).click()
  await page.getByRole('link', { name: 'Review', exact: true }).click()
  const said = page.getByRole('list', { name: 'What was said', exact: true })
  await expect(said).toContainText('Come to an end.')
  await expect(said).toContainText('We do.')
  const observed = page.getByRole('list', { name: 'Observations' })
  await expect(observed).toContainText('on Chi')
  await expect(observed).toContainText('on Water clarity')
  await expectAccessible(page)
  const file = await page.request.get(`${page.url()}/review.md`)
  expect(await file.text()).not.toContain('Chi waits')
  await own
    .getByRole('link', { name: /own|what/i })
    .first()
    .click()
  await expect(own.getByText('We do.')).toBeHidden()
  expect(await own.content()).not.toContain('Chi waits')
})
