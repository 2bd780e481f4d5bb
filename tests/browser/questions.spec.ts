import { expect, expectAccessible, joinByName, onOneServer, simulated, startNow } from './fixtures'

const test = onOneServer()

test('a question is asked without a list, answered and thought better of, and groups are mixed by the answers', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const code = await startNow(page)
  const own = await phone()
  await joinByName(own, server, code, 'Zofia')
  const others = await simulated(server, code, ['Ada', 'Bea', 'Cem', 'Dov', 'Eli'])

  // Two answers alike are refused at their place, and what was typed stays.
  await page.getByRole('button', { name: 'Ask a question' }).click()
  const form = page.getByRole('region', { name: 'Ask a question' })
  await form.getByLabel('Question').fill('Which bird calls first?')
  await form.getByLabel(/^Or your own answers/).fill('Wren\nwren')
  await form.getByRole('button', { name: 'Ask with these' }).click()
  await expect(form.getByText('Two answers would be called wren.')).toBeVisible()
  await expect(form.getByLabel('Question')).toHaveValue('Which bird calls first?')
  await expectAccessible(page)
  await form.getByLabel(/^Or your own answers/).fill('Wren\nReed warbler')
  await form.getByRole('button', { name: 'Ask with these' }).click()
  await expect(page.getByRole('button', { name: 'Ask a question' })).toBeFocused()

  const question = own.getByRole('region', { name: 'Question' })
  await question.getByRole('button', { name: 'Wren' }).click()
  await expect(question.getByRole('button', { name: 'Wren' })).toHaveAttribute('aria-pressed', 'true')
  await question.getByRole('button', { name: 'Reed warbler' }).click()
  await expect(question.getByRole('button', { name: 'Wren' })).toHaveAttribute('aria-pressed', 'false')
  await expectAccessible(own)
  await own.reload()
  await expect(question.getByRole('button', { name: 'Reed warbler' })).toHaveAttribute('aria-pressed', 'true')
  const { question: asked } = (await others[0]?.until(view => view.question !== null)) ?? {}
  for (const [index, each] of others.entries())
    await each.ask({ type: 'answer-question', questionId: asked?.id ?? '', answer: index < 3 ? 0 : 1 })
  const now = page.getByRole('region', { name: 'Question' })
  await expect(now.getByText('6 of 6 have answered.')).toBeVisible()
  await expect(now.getByRole('definition')).toHaveText(['3', '3'])
  const wall = await page.context().newPage()
  await wall.goto(page.url().replace(/\/live$/, '/projector'))
  await expect(wall.getByText('Which bird calls first?')).toBeVisible()
  await expect(wall.getByText('6 answers')).toBeVisible()

  // Pairs of one Wren and one Reed warbler.
  await now.getByRole('button', { name: 'Groups of the answers' }).click()
  const drawer = page.getByRole('complementary', { name: 'Make groups' })
  await expect(drawer.getByLabel('Every group')).toHaveValue('mixed Which bird calls first?')
  await drawer.getByLabel('People each').fill('2')
  await drawer.getByRole('button', { name: 'Make groups' }).click()
  const lanes = page.getByRole('list', { name: 'Rooms' }).getByRole('listitem')
  await expect(lanes).toHaveCount(3)
  const wren = ['Ada', 'Bea', 'Cem']
  for (const lane of await lanes.all()) {
    const names = await lane.locator('.lane-name').allTextContents()
    expect(names).toHaveLength(2)
    expect(names.filter(name => wren.includes(name.trim()))).toHaveLength(1)
  }

  // Closed, nobody can answer; put away, it is gone.
  await now.getByRole('button', { name: 'Close the question' }).click()
  await expect(question).toBeHidden()
  await expect(wall.getByText('Which bird calls first?')).toBeHidden()
  await now.getByRole('button', { name: 'Put away' }).click()
  await expect(now).toBeHidden()

  // What each answered is taken along as a table.
  const file = await page.request.get(page.url().replace(/live$/, 'review/questions.csv'))
  const rows = (await file.text()).trim().split(/\r?\n/)
  expect(rows).toHaveLength(7)
  expect(rows).toContain('1,Which bird calls first?,,person,Zofia,Reed warbler')
})

test('asked without names, in words, by room and for a time; asked again it stands beside what it was before', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const code = await startNow(page)
  const own = await phone()
  await joinByName(own, server, code, 'Zofia')
  const others = await simulated(server, code, ['Ada', 'Bea', 'Cem', 'Dov', 'Eli'])
  const form = page.getByRole('region', { name: 'Ask a question' })
  const now = page.getByRole('region', { name: 'Question' })
  const question = own.getByRole('region', { name: 'Question' })
  const open = () => page.getByRole('button', { name: 'Ask a question' }).click()
  const asked = async (before: string) => {
    const view = await others[0]?.until(each => each.question !== null && each.question.id !== before)
    return view?.question?.id ?? ''
  }
  const answers = async (questionId: string, all: (number | string[])[]) => {
    for (const [index, answer] of all.entries())
      await others[index]?.ask({ type: 'answer-question', questionId, answer: answer as number })
  }

  // Without names: nobody is named, and the answer is in for good.
  await open()
  await form.getByLabel('Question').fill('Were you bored?')
  await form.getByRole('checkbox', { name: 'Without names' }).check()
  await form.getByRole('button', { name: '1 to 5' }).click()
  const first = await asked('')
  await question.getByRole('button', { name: '2' }).click()
  await expect(question.getByText('Your answer is in.')).toBeVisible()
  await answers(first, [1, 1, 5])
  await expect(now.getByText('4 of 6 have answered. Without names.')).toBeVisible()
  await expect(now.getByText('Kept apart from names')).toBeVisible()
  await now.getByRole('button', { name: 'Close the question' }).click()
  await expect(now.getByRole('definition')).toHaveText(['2', '1', '0', '0', '1'])
  await expect(now.getByText('Who answered what')).toBeHidden()
  await expect(now.getByText('on average 2.25')).toBeVisible()
  await expectAccessible(page)

  // Talked over, and asked again: both beside each other.
  await now.getByRole('button', { name: 'Ask again' }).click()
  const second = await asked(first)
  await answers(second, [5, 5, 4, 4])
  await now.getByRole('button', { name: 'Close the question' }).click()
  await expect(now.getByRole('definition')).toHaveText([
    '0(before: 2)',
    '0(before: 1)',
    '0(before: 0)',
    '2(before: 0)',
    '2(before: 1)',
  ])

  // In words of one's own, changed once.
  await open()
  await form.getByRole('button', { name: 'Words', exact: true }).click()
  await question.getByRole('button', { name: 'Send' }).click()
  await expect(question.getByText('Write a word.')).toBeVisible()
  await question.getByLabel('Word 1').fill('salt')
  await expectAccessible(own)
  await question.getByRole('button', { name: 'Send' }).click()
  await expect(question.getByText('Your answer: salt')).toBeVisible()
  await question.getByRole('button', { name: 'Change it' }).click()
  await question.getByLabel('Word 2').fill('tide')
  await question.getByRole('button', { name: 'Send' }).click()
  await answers(await asked(second), [['Tide'], ['tide', 'reed']])
  await expect(now.getByText('3 of 6 have answered.')).toBeVisible()
  await now.getByText('Who answered what').click()
  await expect(now.getByText('Zofia: salt, tide')).toBeVisible()

  // A number, for half a minute; what is typed with a comma is one too.
  await open()
  await form.getByLabel('Time to answer').selectOption('30 seconds')
  await form.getByLabel('Unit, if any').fill('km')
  await form.getByRole('button', { name: 'Ask for a number' }).click()
  await question.getByLabel('Your answer, in km').fill('far')
  await question.getByRole('button', { name: 'Send' }).click()
  await expect(question.getByText('Write a number.')).toBeVisible()
  await question.getByLabel('Your answer, in km').fill('2,5')
  await question.getByRole('button', { name: 'Send' }).click()
  await expect(question.getByText('Your answer: 2.5 km')).toBeVisible()
  await expect(question.getByText('left to answer')).toBeVisible()
  const wall = await page.context().newPage()
  await wall.goto(page.url().replace(/\/live$/, '/projector'))
  await expect(wall.getByRole('region', { name: 'Question' }).getByRole('timer')).toHaveText(
    /^0:\d\d left to answer$/,
  )
  await server.moveClock(31_000)
  await expect(question).toBeHidden()
  await expect(now.getByText('1 of 6 have answered; closed.')).toBeVisible()
})
