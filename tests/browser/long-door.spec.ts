import { expect, expectAccessible, test } from './fixtures'

test('of a long list the door shows a part, and typing finds everybody; the page itself carries no names', async ({
  phone,
  openClass,
}) => {
  const made = await openClass(20, 3, [{ id: 'c', kind: 'cards', text: 'What?', settings: {} }])
  const door = `${made.server.address}/join/${made.joinCode}`
  expect(await (await fetch(door)).text()).not.toContain('P059')
  const page = await phone()
  await page.goto(door)
  await expect(page.getByRole('button', { name: 'P000', exact: true })).toBeVisible()
  await expect(page.getByText('20 more: type the start of your name.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'P059', exact: true })).toBeHidden()
  await expectAccessible(page)
  await page.getByLabel('Your name').fill('p059')
  await page.getByRole('button', { name: 'P059', exact: true }).click()
  await expect(page.getByText('You are P059')).toBeVisible()
  const names = await (await fetch(`${door}/names`)).json()
  expect(names).toHaveLength(59)
  await page.context().close()
})

test('a choice for a long list: typing finds everybody, at the door and on its page', async ({
  phone,
  browser,
  openClass,
}) => {
  const made = await openClass(30, 3, [{ id: 'c', kind: 'cards', text: 'What?', settings: {} }])
  const topics = ['Reeds', 'Birds'].map(name => ({ name, min: 1, max: 90 }))
  const choice = { title: 'Where?', kind: 'first-come', wishes: 1, topics }
  const { path } = await made.post(`${made.cohortPath}/choices/new`, JSON.stringify(choice))
  const page = await made.page(browser)
  await page.goto(made.server.address + path)
  await expect(page.getByText('0 of 90 have chosen')).toBeVisible()
  await expect(page.getByText('50 more: type the start of a name.')).toBeVisible()
  await expect(page.getByText(/P000, P001.* and 30 more/)).toBeVisible()
  const link = (await page.getByRole('link', { name: /\/choose\// }).getAttribute('href')) ?? ''
  const one = await phone()
  await one.goto(link)
  await expect(one.getByText('50 more: type the start of your name.')).toBeVisible()
  await expectAccessible(one)
  await one.getByLabel('Your name').fill('p089')
  await one.getByRole('button', { name: 'P089', exact: true }).click()
  await one.getByRole('button', { name: 'Reeds 90 places left' }).click()
  await expect(one.getByRole('button', { name: 'Reeds yours' })).toBeVisible()
  await expect(page.getByText('1 of 90 have chosen')).toBeVisible()
  await page.getByLabel('Find in People and what they chose').fill('p089')
  await expect(page.getByRole('button', { name: 'Free the name P089' })).toBeVisible()
  // Closed meanwhile: a page that only looks at the places says so by itself.
  await page.getByRole('button', { name: 'Close the choice' }).click()
  await expect(one.getByText('The choice is closed. You chose Reeds.')).toBeVisible()
  await Promise.all([one.context().close(), page.context().close()])
})
