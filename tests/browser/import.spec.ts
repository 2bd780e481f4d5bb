import { readFile } from 'node:fs/promises'
import { strToU8, zipSync } from 'fflate'
import { expect, expectAccessible, onOneServer, signIn } from './fixtures'

const test = onOneServer()

const list = [
  'Nachname;Vorname;E-Mail;Jahre;Wohnort',
  'Pereira;Ana;ana.p@lowmarsh.example;3,5;Saltby',
  'Oduya;Bram;not an address;2;Fen',
  '',
  'Neumann;Jürgen;j.neumann@lowmarsh.example;7;Saltby',
  'Neumann;Jürgen;;;',
].join('\r\n')

test('a list from elsewhere: seen row by row, matched by hand, imported, exported and taken back', async ({
  facilitator: page,
}) => {
  await page.getByRole('link', { name: 'Cohorts' }).click()
  await page.getByRole('link', { name: 'Evening course' }).click()
  await expect(page.getByText('24 people on the list')).toBeVisible()
  await page.getByRole('link', { name: 'Import a list' }).click()
  const [template] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Get an empty list to fill in' }).click(),
  ])
  expect(await readFile((await template.path()) as string, 'utf8')).toBe(
    '\uFEFFFirst name,Family name,Shown as,Email,Trained to lead\r\n',
  )
  const utf16 = Buffer.from(`\uFEFF${list}`, 'utf16le')
  await page.getByLabel('File').setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: utf16 })
  await page.getByRole('button', { name: 'Show what would change' }).click()
  await expect(
    page.getByText('Read as text in UTF-16. 2 left out, 1 changed, 1 added. Nothing has changed yet.'),
  ).toBeVisible()
  await expect(page.getByText('"not an address" is not an email address.')).toBeVisible()
  await expect(page.getByText('The same person stands in row 5.')).toBeVisible()
  await expect(page.getByText('Wohnort: nothing → Saltby')).toBeVisible()
  await expectAccessible(page)

  // Two columns are really ones the cohort has.
  await page.getByLabel('Wohnort').selectOption('home parish')
  await expect(page.getByText('home parish: Lowmarsh → Saltby')).toBeVisible()
  await page.getByLabel('Jahre').selectOption('left out')
  await expect(page.getByText('Jahre: nothing')).toBeHidden()
  await page.getByRole('button', { name: 'Add 1, change 1' }).click()
  await expect(page.getByText('1 person added to the list, 1 person changed.')).toBeVisible()
  await expect(page.getByText('25 people on the list')).toBeVisible()
  const [exported] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Export' }).click(),
  ])
  const text = await readFile((await exported.path()) as string, 'utf8')
  expect(text).toContain('Jürgen,Neumann,,j.neumann@lowmarsh.example,no,,Saltby,')
  await page.getByRole('button', { name: 'Take the import back' }).click()
  await expect(page.getByText('The import was taken back')).toBeVisible()
  await expect(page.getByText('24 people on the list')).toBeVisible()

  // What was exported changes nothing when it comes in again: only who was taken back is new.
  await page.getByRole('link', { name: 'Import a list' }).click()
  await page
    .getByLabel('File')
    .setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  await page.getByRole('button', { name: 'Show what would change' }).click()
  await expect(page.getByText('1 changed, 1 added, 23 left alone.')).toBeVisible()
})

test('of a OneRoster ZIP one class is taken; five thousand rows do not hold the page up', async ({
  facilitator: page,
}) => {
  const users = Array.from(
    { length: 5000 },
    (_, index) => `u${index},student,Person${index},Of class ${index % 2}`,
  )
  const enrolled = users.map((_, index) => `c${index % 2},u${index},student`)
  const zip = zipSync({
    'users.csv': strToU8(
      ['sourcedId,role,givenName,familyName', ...users, 't0,teacher,Marit,Solheim'].join('\r\n'),
    ),
    'classes.csv': strToU8('sourcedId,title\r\nc0,Even class\r\nc1,Odd class'),
    'enrollments.csv': strToU8(
      ['classSourcedId,userSourcedId,role', ...enrolled, 'c0,nobody,student'].join('\r\n'),
    ),
  })
  await page.getByRole('link', { name: 'Cohorts' }).click()
  await page.getByRole('link', { name: 'Weekend course' }).click()
  await page.getByRole('link', { name: 'Import a list' }).click()
  const buffer = Buffer.from(zip)
  await page.getByLabel('File').setInputFiles({ name: 'roster.zip', mimeType: 'application/zip', buffer })
  await page.getByRole('button', { name: 'Show what would change' }).click()
  await expect(page.getByText('Read as OneRoster CSV. 5000 added.')).toBeVisible()
  await expect(page.getByText(/^Enrolments of people who are not in users.csv.*: 1\.$/)).toBeVisible()
  await expect(page.getByText(/teachers and others/i)).toBeVisible()
  await expect(page.getByRole('row')).toHaveCount(25)
  await page.getByLabel('Only the class').selectOption('Odd class')
  await expect(page.getByText('Read as OneRoster CSV. 2500 added.')).toBeVisible()

  // While it is saved it says so; then only what is in sight is drawn of the list, to its end.
  await page.route('**/import.data*', async route => {
    await new Promise(done => setTimeout(done, 500))
    await route.continue()
  })
  await page.getByRole('button', { name: 'Add 2500, change 0' }).click()
  await expect(page.getByRole('button', { name: 'Saving…' })).toBeVisible()
  await expect(page.getByText(/^25\d\d people on the list$/)).toBeVisible()
  const rows = page.getByRole('region', { name: 'People on the list' }).getByRole('row')
  await expect(page.getByRole('cell', { name: 'Person4999' })).toBeHidden()
  const last = page.getByText('Person4999').first()
  await expect(async () => {
    await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight))
    await expect(last).toBeVisible({ timeout: 500 })
  }).toPass({ timeout: 20_000 })
  expect(await rows.count()).toBeLessThan(80)

  // So it is with the matrix of so many, where somebody is found by typing.
  await page.getByRole('link', { name: 'Who has met whom' }).click()
  const matrix = page.getByRole('region', { name: 'Matrix of who has met whom' })
  await expect(matrix.getByRole('row').nth(5)).toBeVisible()
  expect(await matrix.getByRole('row').count()).toBeLessThan(60)
  await matrix.evaluate(element => element.scrollTo(element.scrollWidth, element.scrollHeight))
  await expect(matrix.getByRole('rowheader', { name: 'Person4999' })).toBeVisible()
  await expect(matrix.getByRole('columnheader', { name: 'Person4999' })).toBeVisible()
  await expectAccessible(page)
  await page.getByLabel('Find somebody').fill('Person4999')
  await page.getByLabel('One person').selectOption({ label: 'Person4999 O.' })
  await expect(page.getByText('Person4999 O. has met:')).toBeVisible()

  // Groups are made once the whole list has come.
  await page.getByRole('link', { name: 'Make groups' }).click()
  await expect(page.getByRole('button', { name: /^Make .*groups/ }).first()).toBeVisible()
})

test('one person is changed by two at the same moment: each field is as whoever touched it left it', async ({
  server,
  facilitator: page,
  newPage,
}) => {
  await page.getByRole('link', { name: 'Cohorts' }).click()
  await page.getByRole('link', { name: 'Evening course' }).click()
  const other = await newPage({ viewport: { width: 390, height: 844 } })
  await signIn(other, server, 1)
  await other.goto(page.url())
  const form = (of: typeof page) =>
    of.getByRole('row').filter({ has: of.getByRole('button', { name: 'Save' }) })
  for (const each of [page, other]) {
    await each.getByRole('button', { name: 'Change Dafydd Pryce' }).click()
    await expect(form(each).getByLabel('Family name')).toHaveValue('Pryce')
  }
  // On a phone the list goes beside the screen, and the form of one person does not.
  for (const name of ['First name', 'Family name', 'Email', 'home parish'])
    await expect(form(other).getByLabel(name)).toBeInViewport({ ratio: 1 })
  await form(page).getByLabel('Email').fill('dafydd@lowmarsh.example')
  await form(page).getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('row', { name: 'Dafydd Pryce' })).toContainText('dafydd@lowmarsh.example')
  // What nobody may be called is said where it stands, and stays in its field.
  await form(other).getByLabel('First name').fill('Ana')
  await form(other).getByLabel('Family name').fill('Petrova')
  await form(other).getByRole('button', { name: 'Save' }).click()
  await expect(form(other).getByText('Ana Petrova is already on this list.')).toBeVisible()
  await expect(form(other).getByLabel('Family name')).toHaveValue('Petrova')
  await form(other).getByLabel('First name').fill('Dafydd')
  await form(other).getByLabel('Family name').fill('Pryce-Jones')
  await form(other).getByRole('button', { name: 'Save' }).click()
  const row = other.getByRole('row', { name: 'Dafydd Pryce-Jones' })
  await expect(row).toContainText('dafydd@lowmarsh.example')
  await page.reload()
  await expect(page.getByRole('row', { name: 'Dafydd Pryce-Jones' })).toContainText('dafydd@lowmarsh.example')
})
