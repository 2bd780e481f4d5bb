import { expect, expectAccessible, openTonight, signIn, test } from './fixtures'

test('one sees where one is signed in, ends it there, and what was open there ends with it; the password is changed', async ({
  server,
  facilitator: page,
  newPage,
}) => {
  const other = await newPage()
  await signIn(other, server)
  await openTonight(other)
  await expect(other.getByRole('button', { name: 'Send out', exact: true })).toBeVisible()
  const lost = other.getByText('The line to the server is down.')
  await expect(lost).toBeHidden()

  await page.goto(`${server.address}/accounts`)
  const browsers = page.getByRole('list', { name: 'Browsers' })
  await expect(browsers.getByRole('listitem')).toHaveCount(2)
  await expect(browsers.getByText('here')).toHaveCount(1)
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Sign out everywhere else' }).click()
  await expect(browsers.getByRole('listitem')).toHaveCount(1)
  await expect(lost).toBeVisible()
  await other.reload()
  await expect(other.getByRole('heading', { name: 'Sign in' })).toBeVisible()

  await page.getByLabel('The password you have').fill('not the one')
  await page.getByLabel('The new one').fill('short')
  await page.getByRole('button', { name: 'Change the password' }).click()
  await expect(page.getByText('Use at least 10 characters.')).toBeVisible()
  await page.getByLabel('The new one').fill('long enough for anybody')
  await page.getByRole('button', { name: 'Change the password' }).click()
  await expect(page.getByText('This is not the password you have.')).toBeVisible()
  await page.getByLabel('The password you have').fill(server.demo?.password ?? '')
  await page.getByLabel('The new one').fill('long enough for anybody')
  await page.getByRole('button', { name: 'Change the password' }).click()
  await expect(page.getByText('Changed. Every other browser of yours has been signed out.')).toBeVisible()
  await other.getByLabel('Email').fill(server.demo?.accounts[0] ?? '')
  await other.getByLabel('Password').fill('long enough for anybody')
  await other.getByRole('button', { name: 'Sign in' }).click()
  await expect(other.getByRole('button', { name: 'Send out', exact: true })).toBeVisible()
})
