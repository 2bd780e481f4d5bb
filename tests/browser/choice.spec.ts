import { expect, expectAccessible, onOneServer, openCohort } from './fixtures'

const test = onOneServer()

type Page = import('@playwright/test').Page

async function openChoice(page: Page, kind: RegExp, most: string): Promise<string> {
  await openCohort(page, 'Weekend course')
  await page.getByRole('link', { name: 'Open a choice' }).click()
  await page.getByRole('button', { name: 'Open the choice' }).click()
  await expect(page.getByText('Enter a title.')).toBeVisible()
  await page.getByLabel('What is chosen').fill('Which walk?')
  await page.getByRole('radio', { name: kind }).check()
  for (const [index, name] of ['Dyke', 'Woods', 'Ferry'].entries()) {
    await page.getByLabel(`Topic ${index + 1}`, { exact: true }).fill(name)
    await page.getByLabel('Most').nth(index).fill(most)
  }
  await page.getByRole('button', { name: 'Open the choice' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Which walk?' })).toBeVisible()
  return (await page.getByRole('link', { name: /\/choose\// }).getAttribute('href')) ?? ''
}

async function enter(phone: Page, link: string, name: string): Promise<void> {
  await phone.goto(link)
  await phone.getByLabel('Your name').fill(name.slice(0, 3))
  await phone.getByRole('button', { name }).click()
}

test('wishes are ranked on phones, corrected by hand, shared out, and made into groups', async ({
  facilitator: page,
  phone,
}) => {
  const link = await openChoice(page, /everybody ranks/, '4')
  const xanthe = await phone()
  await enter(xanthe, link, 'Xanthe G.')
  await xanthe.getByLabel('Wish 1').selectOption('Ferry')
  await xanthe.getByLabel('Wish 2').selectOption('Dyke')
  await expectAccessible(xanthe)
  await xanthe.getByRole('button', { name: 'Send my wishes' }).click()
  await expect(xanthe.getByText('Your wishes are in.')).toBeVisible()
  await xanthe.reload()
  await expect(xanthe.getByLabel('Wish 1')).toHaveValue(/./)

  // The name is taken: nobody else can choose under it, unless it is freed.
  const other = await phone()
  await other.goto(link)
  await other.getByLabel('Your name').fill('Xan')
  await expect(other.getByText('Nobody of that name is left')).toBeVisible()

  await expect(page.getByText('Ferry, then Dyke')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Change what Yusuf D. chose' }).click()
  await page.getByLabel('Wish 1').selectOption('Woods')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('2 of 9 have chosen')).toBeVisible()
  await expect(page.getByRole('region', { name: 'Woods' }).getByText('Yusuf D. wish 1')).toBeVisible()
  await expect(page.getByText('2 have wish 1.')).toBeVisible()
  await page.getByRole('button', { name: 'Close the choice' }).click()
  await expect(page.getByRole('button', { name: 'Open it again' })).toBeVisible()
  await xanthe.reload()
  await expect(xanthe.getByText('You chose Ferry, then Dyke.')).toBeVisible()
  await page.getByRole('link', { name: 'Make groups of it' }).click()
  await expect(page.getByRole('region', { name: 'Ferry' }).getByText('Xanthe G.')).toBeVisible()
  await expect(page.getByRole('region', { name: 'Woods' }).getByText('Yusuf D.')).toBeVisible()
  // The same from where groups are made, which is where one looks for it first.
  await openCohort(page, 'Weekend course')
  await page.getByRole('link', { name: 'Make groups', exact: true }).click()
  await page.getByRole('radio', { name: 'Groups from a choice' }).check()
  await expect(page.getByRole('button', { name: 'Make groups' })).toBeHidden()
  await expectAccessible(page)
  await page.getByRole('list', { name: 'Choices' }).getByRole('link', { name: 'Which walk?' }).click()
  await expect(page.getByRole('region', { name: 'Ferry' }).getByText('Xanthe G.')).toBeVisible()
})

test('first come, first served: places left are shown, and the last one goes to one person only', async ({
  facilitator: page,
  phone,
}) => {
  const link = await openChoice(page, /first come/, '3')
  const phones = [await phone(), await phone(), await phone(), await phone()]
  for (const [number, name] of ['Xanthe G.', 'Yusuf D.', 'Zofia N.'].entries()) {
    const one = phones[number] as Page
    await enter(one, link, name)
    await expect(
      one.getByRole('button', { name: `Dyke ${3 - number} ${number === 2 ? 'place' : 'places'} left` }),
    ).toBeVisible()
    if (number < 2) await one.getByRole('button', { name: /^Dyke/ }).click()
    if (number < 2) await expect(one.getByRole('button', { name: 'Dyke yours' })).toBeVisible()
  }
  const fourth = phones[3] as Page
  await fourth.goto(link)
  await fourth.getByRole('list', { name: 'Names on the list' }).getByRole('button').first().click()
  await expect(fourth.getByRole('button', { name: 'Dyke 1 place left' })).toBeVisible()
  await Promise.all([
    (phones[2] as Page).getByRole('button', { name: /^Dyke/ }).click(),
    fourth.getByRole('button', { name: /^Dyke/ }).click(),
  ])
  const won = [phones[2] as Page, fourth].map(one =>
    one
      .getByRole('button', { name: 'Dyke yours' })
      .or(one.getByText('The last place in Dyke has just been taken. Choose another.')),
  )
  for (const either of won) await expect(either).toBeVisible()
  const yours = await Promise.all(
    [phones[2] as Page, fourth].map(one => one.getByRole('button', { name: 'Dyke yours' }).count()),
  )
  expect(yours.reduce((sum, count) => sum + count, 0)).toBe(1)
  await expect(page.getByRole('region', { name: 'Dyke' }).getByText('3 of 3')).toBeVisible()
})

test('a quick question is answered on phones, kept as a column, and groups are mixed by it', async ({
  facilitator: page,
  phone,
}) => {
  await openCohort(page, 'Weekend course')
  await page.getByRole('link', { name: 'Open a choice' }).click()
  await page.getByRole('radio', { name: /a quick question/ }).check()
  await page.getByRole('textbox', { name: 'Question' }).fill('How sure are you?')
  for (const [index, name] of ['1', '2', '3'].entries())
    await page.getByLabel(`Answer ${index + 1}`, { exact: true }).fill(name)
  await page.getByRole('button', { name: 'Ask the question' }).click()
  const link = (await page.getByRole('link', { name: /\/choose\// }).getAttribute('href')) ?? ''
  for (const [name, answer] of [
    ['Xanthe G.', '3'],
    ['Yusuf D.', '1'],
  ] as const) {
    const one = await phone()
    await enter(one, link, name)
    await one.getByRole('button', { name: answer, exact: true }).click()
    await expect(one.getByRole('button', { name: `${answer} yours` })).toBeVisible()
  }
  await expect(page.getByText('2 of 9 have answered')).toBeVisible()
  await page.getByRole('button', { name: 'Keep as a column' }).click()
  await expect(page.getByText('The answers are kept as the column “How sure are you?”.')).toBeVisible()
  await page.getByRole('link', { name: 'Make groups' }).click()
  await page.getByLabel(/^How sure are you\?/).fill('2')
  await page.getByLabel('Say how').selectOption('so many groups')
  await page.getByLabel('Groups', { exact: true }).fill('2')
  await page.getByRole('button', { name: 'Make groups' }).click()
  await expect(page.getByText(/^(Proved best|Best found)\./)).toBeVisible()
  await expect(page.getByText(/How sure are you\? means/)).toBeVisible()
})
