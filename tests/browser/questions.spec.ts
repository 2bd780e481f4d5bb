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
})
