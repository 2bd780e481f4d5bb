import { expect, expectAccessible, openTonight, signInByForm, test } from './fixtures'

test('one sees where one is signed in, ends it there, and what was open there ends with it; the password is changed', async ({
  server,
  facilitator: page,
  newPage,
}) => {
  const other = await newPage()
  await signInByForm(other, server)
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

test('a co-facilitator is added without a password and chooses it by a link that works once; the log says who did what', async ({
  server,
  facilitator: page,
  newPage,
  phone,
}) => {
  // Without HTTPS there is no clipboard: then the address stands there to be copied by hand.
  await page.addInitScript(() => Object.defineProperty(navigator, 'clipboard', { value: undefined }))
  await page.goto(`${server.address}/accounts`)
  await page.getByLabel('Name').fill('Kim Arden')
  await page.getByLabel('Email').fill('not an address')
  await page.getByRole('button', { name: 'Add the account' }).click()
  await expect(page.getByText('Enter an email address such as')).toBeVisible()
  await page.getByLabel('Email').fill('kim@lowmarsh.example')
  await page.getByRole('button', { name: 'Add the account' }).click()
  await expect(page.getByText('A link for Kim Arden to choose a password')).toBeVisible()
  await expectAccessible(page)
  const addressOf = async (): Promise<string> => {
    await page.getByRole('button', { name: 'Copy the link for Kim Arden' }).click()
    return page.getByLabel('Link for Kim Arden', { exact: true }).inputValue()
  }
  const first = await addressOf()
  await page.reload()
  await expect(page.getByText('A link for Kim Arden to choose a password')).toBeHidden()
  await page.getByRole('button', { name: 'Link for a new password for Kim Arden' }).click()
  const second = await addressOf()
  expect(second).not.toBe(first)

  const kim = await phone()
  expect((await kim.goto(first))?.status()).toBe(404)
  await kim.goto(second)
  await expect(kim.getByRole('heading', { name: 'A password for Kim Arden' })).toBeVisible()
  await expectAccessible(kim)
  await kim.getByLabel('The new password').fill('short')
  await kim.getByRole('button', { name: 'Set the password and sign in' }).click()
  await expect(kim.getByText('Use at least 10 characters.')).toBeVisible()
  await kim.getByLabel('The new password').fill('chosen by Kim alone')
  await kim.getByRole('button', { name: 'Set the password and sign in' }).click()
  await expect(kim.getByRole('heading', { name: 'Today' })).toBeVisible()
  const other = await newPage()
  expect((await other.goto(second))?.status()).toBe(404)

  // What was done stands in the log, and what the rest of them do from now on.
  await page.goto(`${server.address}/cohorts`)
  await page.getByRole('link', { name: 'Weekend course' }).click()
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Export' }).click()
  await download
  await page.goto(`${server.address}/accounts`)
  const log = page.getByRole('list', { name: 'Who did what' })
  await expect(log.getByRole('listitem').nth(0)).toContainText(
    'Marit Solheim downloaded the list of “Weekend course”, 9 people',
  )
  await expect(log.getByRole('listitem').nth(1)).toContainText('Kim Arden chose a password by a link')
  await expect(log.getByRole('listitem').nth(2)).toContainText('made a link for a new password of Kim Arden')
  await expect(log).toContainText('Marit Solheim made the account of Kim Arden')
  await page.getByRole('button', { name: 'Remove Kim Arden' }).click()
  await page.getByRole('button', { name: 'Remove it' }).click()
  await expect(log).toContainText('removed the account “Kim Arden”')
  await kim.reload()
  await expect(kim.getByRole('heading', { name: 'Sign in' })).toBeVisible()
})
