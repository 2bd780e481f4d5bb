import type { Page } from '@playwright/test'
import { promptSchema } from '~/core/boards/prompts/kinds'
import { expect, expectAccessible, space, test } from './fixtures'

const PROMPTS = [
  {
    id: 't',
    kind: 'table',
    text: 'What you found',
    settings: { rows: 'added', columns: 'Found\nWhere' },
  },
  { id: 'c', kind: 'cards', text: 'For and against', settings: { columns: 'For\nAgainst' } },
  { id: 'p', kind: 'points', text: 'What weighs most', settings: { over: 'c', points: 3 } },
  { id: 'o', kind: 'put-in-order', text: 'In what order', settings: { lines: 'Look\nDraw\nName' } },
  { id: 'q', kind: 'points', text: 'What was worth it', settings: { over: 'o', by: 'group', points: 2 } },
  { id: 's', kind: 'sketch', text: 'Where it was', settings: {} },
].map(each => promptSchema.parse(each))

test('rows are added and taken away while empty, cards go off their heap, points and places are taken back, a remark gets its pin', async ({
  openClass,
  phone,
}) => {
  const made = await openClass(1, 2, PROMPTS)
  const { address } = made.server
  const [one, other] = [await phone(), await phone()]
  for (const [page, name] of [
    [one, 'P000'],
    [other, 'P001'],
  ] as const) {
    await page.goto(`${address}/join/${made.joinCode}`)
    await page.getByRole('button', { name, exact: true }).tap()
    await expect(page.getByText(`You are ${name}`)).toBeVisible()
  }
  // Whose phone this is can be asked, and answered with yes.
  await one.getByRole('button', { name: 'That’s not me' }).tap()
  await one.getByRole('button', { name: 'It is me' }).tap()
  await expect(one.getByRole('button', { name: 'Give the name back' })).toBeHidden()
  await made.command({ type: 'send-out', seconds: 3_600 })

  // A table of one's own rows: only an empty one goes.
  const table = (page: Page) => space(page, 'What you found')
  const add = (page: Page) => table(page).getByRole('button', { name: 'Add row' })
  await add(one).tap()
  await table(one).getByLabel('Row 1: Found').fill('A heron')
  await add(other).tap()
  await expect(table(one).getByRole('listitem')).toHaveCount(2)
  await expect(table(other).getByRole('button', { name: 'Remove row 1' })).toBeHidden()
  await table(other).getByRole('button', { name: 'Remove row 2' }).tap()
  await expect(table(one).getByRole('listitem')).toHaveCount(1)
  await add(one).tap()
  await table(other).getByLabel('Row 2: Where').fill('At the gate')
  await expect(table(one).getByLabel('Row 2: Where')).toHaveValue('At the gate')
  await expect(table(one).getByRole('button', { name: /^Remove row/ })).toHaveCount(0)

  // Cards: up and down without dragging, onto a heap and off it.
  const cards = (page: Page) => space(page, 'For and against')
  const inFor = (page: Page) => cards(page).getByRole('list', { name: 'For' })
  for (const text of ['Otters', 'Reeds', 'Quiet']) {
    await cards(one).getByLabel('New card: For').fill(text)
    await cards(one).getByLabel('New card: For').press('Enter')
  }
  const saying = (page: Page) =>
    inFor(page)
      .getByRole('textbox', { name: /^Card/ })
      .evaluateAll(fields => fields.map(field => (field as HTMLTextAreaElement).value))
  await expect.poll(() => saying(other)).toEqual(['Otters', 'Reeds', 'Quiet'])
  // Whoever writes on a card keeps it in hand while others move those above it, or take one away.
  const writing = inFor(other).getByRole('textbox').nth(2)
  await writing.focus()
  const otters = inFor(one).getByRole('listitem').first()
  await otters.getByRole('button', { name: /^Move the card/ }).tap()
  await otters.getByRole('button', { name: 'Down' }).tap()
  await expect.poll(() => saying(other)).toEqual(['Reeds', 'Otters', 'Quiet'])
  await expect(writing).toBeFocused()
  const second = inFor(one).getByRole('listitem').nth(1)
  await second.getByRole('button', { name: 'Up' }).tap()
  await expect.poll(() => saying(other)).toEqual(['Otters', 'Reeds', 'Quiet'])
  await inFor(one).getByRole('button', { name: 'Remove the card: Reeds' }).tap()
  await expect.poll(() => saying(other)).toEqual(['Otters', 'Quiet'])
  await expect(inFor(other).getByRole('textbox').nth(1)).toBeFocused()
  await other.keyboard.press('End')
  await other.keyboard.type(' all day')
  await expect.poll(() => saying(one)).toEqual(['Otters', 'Quiet all day'])
  await cards(one).getByText('1 removed card').tap()
  await cards(one).getByRole('button', { name: 'Put back the card: Reeds' }).tap()
  await expect.poll(() => saying(one)).toEqual(['Otters', 'Reeds', 'Quiet all day'])
  await inFor(one)
    .getByRole('listitem')
    .first()
    .getByLabel('Join with another card in a heap')
    .selectOption('Quiet all day')
  await expect(cards(other).getByLabel('Name of the heap')).toBeVisible()
  await expectAccessible(one)
  await cards(other)
    .getByRole('button', { name: /^Move the card.*Otters/ })
    .tap()
  await cards(other).getByRole('button', { name: 'Off the heap' }).tap()
  await expect(cards(one).getByLabel('Name of the heap')).toBeHidden()
  await expect.poll(async () => (await saying(one)).toSorted()).toEqual(['Otters', 'Quiet all day', 'Reeds'])

  // Points: no more than there are, and each can be taken back.
  const points = (page: Page) => space(page, 'What weighs most')
  const press = (page: Page, which: string) => points(page).getByRole('button', { name: which }).tap()
  for (let given = 0; given < 3; given++) await press(one, 'One more for Otters')
  await expect(points(one).getByText('You have 0 of 3 points left to give.')).toBeVisible()
  await expect(points(one).getByRole('button', { name: 'One more for Reeds' })).toBeDisabled()
  await expect(points(other).getByText('3 in all')).toBeVisible()
  await press(one, 'One less for Otters')
  await press(other, 'One more for Otters')
  await press(one, 'One more for Reeds')
  await expect(points(other).getByRole('listitem').filter({ hasText: 'Otters' })).toContainText('3 in all')
  await expect(points(other).getByRole('listitem').filter({ hasText: 'Reeds' })).toContainText('1 in all')

  // An order: what was put in is taken out again, and the others close up.
  const order = (page: Page) => space(page, 'In what order')
  for (const line of ['Draw', 'Look', 'Name'])
    await order(one).getByRole('button', { name: line, exact: true }).tap()
  await order(other).getByRole('button', { name: 'Take out of the order: Look' }).tap()
  await expect(order(one).getByRole('listitem')).toHaveText([/^1\.Draw/, /^2\.Name/])
  await order(one)
    .getByRole('group', { name: 'Not in the order yet' })
    .getByRole('button', { name: 'Look' })
    .tap()
  await expect(order(other).getByRole('listitem')).toHaveText([/^1\.Draw/, /^2\.Name/, /^3\.Look/])

  // The lines of that list get points too: the group shares them out, and what another gave can be taken back.
  const worth = (page: Page) => space(page, 'What was worth it')
  await expect(worth(one).getByRole('listitem')).toHaveText([/^Look/, /^Draw/, /^Name/])
  await worth(one).getByRole('button', { name: 'One more for Draw' }).tap()
  await expect(worth(other).getByText('The group has 1 of 2 points left to give.')).toBeVisible()
  await worth(other).getByRole('button', { name: 'One more for Name' }).tap()
  await expect(worth(one).getByRole('button', { name: 'One more for Look' })).toBeDisabled()
  await worth(other).getByRole('button', { name: 'One less for Draw' }).tap()
  await expect(worth(one).getByText('The group has 1 of 2 points left to give.')).toBeVisible()

  // A remark written without a place is given one, and can be moved from there by keys.
  const sketch = (page: Page) => space(page, 'Where it was')
  await sketch(one).getByLabel('New remark').fill('It stood here')
  await sketch(one).getByLabel('New remark').press('Enter')
  await sketch(one).getByRole('button', { name: 'Pin it' }).tap()
  const pin = (page: Page) => sketch(page).getByRole('button', { name: 'Remark 1: It stood here' })
  await expect(pin(one)).toBeFocused()
  await expect(pin(other)).toBeVisible()
  await expect(sketch(one).getByRole('button', { name: 'Pin it' })).toBeHidden()
  await expectAccessible(other)
  await Promise.all([one.context().close(), other.context().close()])
})
