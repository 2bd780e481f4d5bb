import {
  expect,
  expectAccessible,
  joinByName,
  passGrace,
  sendOut,
  simulated,
  startNow,
  test,
} from '../fixtures'

test('each answers a question alone for three minutes and the spread is shown; in threes the earliest first name leads and the latest reports; for and against, a warning, one alone is moved, a minute to come back, and a board is reported', async ({
  server,
  facilitator: page,
  phone,
}) => {
  await page.goto(`${server.address}/boards/new`)
  await page.getByRole('button', { name: 'For and against' }).click()
  await page.waitForURL(/\/boards\/(?!new)/)
  await page.getByRole('link', { name: 'Today' }).click()
  const code = await startNow(page)
  const own = await phone()
  await joinByName(own, server, code, 'Zofia')
  const people = await simulated(server, code, ['Ada', 'Bea', 'Cem', 'Dov', 'Eli'])

  // Alone, for three minutes; nobody sees what others answer before it is put up.
  await page.getByRole('button', { name: 'Ask a question' }).click()
  const form = page.getByRole('region', { name: 'Ask a question' })
  await form.getByLabel('Question').fill('Should the north path close?')
  await form.getByLabel('Time to answer').selectOption('3 minutes')
  await form.getByRole('button', { name: 'Yes, no' }).click()
  const question = own.getByRole('region', { name: 'Question' })
  await question.getByRole('button', { name: 'Yes' }).click()
  const asked = (await people[0]?.until(view => view.question !== null))?.question?.id ?? ''
  for (const [index, each] of people.entries())
    await each.ask({ type: 'answer-question', questionId: asked, answer: index % 2 })
  const now = page.getByRole('region', { name: 'Question' })
  await expect(now.getByText('6 of 6 have answered.')).toBeVisible()
  await expect(own.getByRole('definition')).toHaveCount(0)
  await server.moveClock(181_000)
  await expect(question).toBeHidden()
  const wall = await page.context().newPage()
  await wall.goto(page.url().replace(/\/live$/, '/projector'))
  await page.getByRole('button', { name: 'Put up the results' }).click()
  await expect(wall.getByRole('region', { name: 'Put up' }).getByRole('definition')).toHaveText(['4', '2'])

  // Threes, each with a role by the first names, and the board for all rooms.
  await page.getByRole('button', { name: 'Make groups' }).click()
  const drawer = page.getByRole('complementary', { name: 'Make groups' })
  await drawer.getByLabel('Groups are').selectOption('from a list that is pasted')
  await drawer
    .getByLabel('Groups, one on each line')
    .fill('North: Zofia, Ada, Bea\nSouth: Cem, Dov\nAlone: Eli')
  await drawer.getByRole('button', { name: 'Make these groups' }).click()
  await drawer.getByLabel('Roles in each room').selectOption('by first names')
  await drawer.getByRole('button', { name: 'Close', exact: true }).click()
  await page.getByRole('button', { name: 'A board for all rooms' }).click()
  await page.getByLabel('A board for all rooms').selectOption('For and against')
  await page.getByRole('button', { name: 'Give it' }).click()
  await expect(page.getByRole('button', { name: 'Give it' })).toBeHidden()
  await page.getByLabel('Minutes').fill('10')
  await sendOut(page)
  await expect(own.getByText('You report.')).toBeVisible()
  await expect(own.getByText('Ada leads')).toBeVisible()
  // What is to be done stands on the board, in three steps at most.
  const steps = own.getByRole('list').filter({ hasText: /./ }).first().getByRole('listitem')
  expect(await steps.count()).toBeLessThanOrEqual(3)
  await own.getByText('Pass it on').click()
  await own.getByRole('button', { name: 'Bea', exact: true }).click()
  await people[1]?.until(
    view => view.roles?.roles.some(one => one.id === view.me.id && one.role === 'reporter') ?? false,
  )
  await expectAccessible(own)

  // One is alone, and is moved by one press.
  const lanes = page.getByRole('list', { name: 'Rooms' }).getByRole('listitem')
  const alone = lanes.filter({ hasText: 'one alone' })
  await alone.getByRole('button', { name: /^Move/ }).click()
  await expect(alone).toHaveCount(0)
  await people[4]?.until(view => view.whereabouts.where === 'room' && view.whereabouts.name !== 'Alone')

  // For and against; then the warning, a minute to come back, and a board is put up and reported.
  const prompt = people[0]?.view?.board?.prompts.find(each => each.kind === 'cards')
  await people[0]?.writeCard(prompt?.id ?? '', 'Nests lie beside it')
  await expect(own.getByText('Nests lie beside it')).toBeVisible()
  await server.moveClock(5 * 60_000 + 1_000)
  await expect(own.getByText(/minutes left|min left/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Call back' }).click()
  await passGrace(page, server)
  await expect(own.getByRole('heading', { level: 1, name: 'Whole group' })).toBeVisible()
  await page.getByRole('button', { name: 'Report back' }).click()
  const report = page.getByRole('region', { name: 'Report back' })
  await report.getByLabel('Who reports').selectOption('who has the role of it')
  await report.getByRole('button', { name: 'Begin the report back' }).click()
  await report.getByRole('button', { name: 'Call North' }).click()
  await expect(wall.getByRole('region', { name: 'Report back' }).getByRole('heading')).toHaveText(
    'North: Bea',
  )
  await expect(wall.getByRole('region', { name: 'Put up' })).toContainText('Nests lie beside it')
  for (const each of people) each.leave()
})
