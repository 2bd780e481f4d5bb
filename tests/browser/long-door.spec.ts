import { MadeClass } from '../../bench/made-class'
import { expect, expectAccessible, test } from './fixtures'

test('of a long list the door shows a part, and typing finds everybody; the page itself carries no names', async ({
  phone,
}) => {
  const made = await MadeClass.open(20, 3, [{ id: 'c', kind: 'cards', text: 'What?', settings: {} }])
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
  await made.server.remove()
})
