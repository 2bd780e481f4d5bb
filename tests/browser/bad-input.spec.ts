import { expect, onOneServer, openTonight } from './fixtures'

const test = onOneServer()

test('what is wrong is said beside its field, and what was typed stays', async ({
  server,
  facilitator: page,
}) => {
  const { address } = server
  await page.goto(`${address}/sessions/new`)
  await page.getByLabel('Title').fill('Half a plan')
  await expect(page.getByLabel('Date')).not.toHaveValue('')
  await page.getByLabel('Date').fill('')
  await page.getByLabel('Time in rooms (minutes)').fill('0')
  await page.getByRole('button', { name: 'Save the plan' }).click()
  await expect(page.getByText('Choose a date.')).toBeVisible()
  await expect(page.getByText('At least 1 minute.')).toBeVisible()
  await expect(page.getByLabel('Title')).toHaveValue('Half a plan')
  await page.getByLabel('Date').fill('2026-12-01')
  await page.getByLabel('Begins at').fill('10:00')
  await page.getByLabel('Time in rooms (minutes)').fill('10')
  await page.getByLabel('Name of room 2').fill('Water clarity')
  await page.getByLabel('Name of room 1').fill('Water clarity')
  await page.getByRole('button', { name: 'Save the plan' }).click()
  await expect(page.getByText('Two rooms are called "Water clarity".')).toBeVisible()
  await expect(page.getByLabel('Title')).toHaveValue('Half a plan')

  await page.goto(`${address}/boards/new`)
  await page.getByRole('button', { name: 'Make the board' }).click()
  await expect(page.getByText('Enter a title.')).toBeVisible()
  await page.getByRole('button', { name: 'Show what it becomes' }).click()
  await expect(page.getByText('Paste an outline first.')).toBeVisible()
  await page
    .getByLabel('A board’s file, or a text')
    .setInputFiles({ name: 'list.json', mimeType: 'application/json', buffer: Buffer.from('{"a": 1}') })
  await expect(page.getByText('This is not a board’s file.')).toBeVisible()

  await page.goto(`${address}/cohorts`)
  await page.getByLabel('Name').fill('x'.repeat(81))
  await page.getByRole('button', { name: 'Make the cohort' }).click()
  await expect(page.getByText('Use at most 80 characters.')).toBeVisible()
})

test('a list that can not be read is refused with the reason', async ({ facilitator: page }) => {
  await page.getByRole('link', { name: 'Cohorts' }).click()
  await page.getByRole('link', { name: 'Weekend course' }).click()
  await page.getByRole('link', { name: 'Import a list' }).click()
  const show = page.getByRole('button', { name: 'Show what would change' })
  await show.click()
  await expect(page.getByText('Choose a file, or paste rows into the box.')).toBeVisible()
  await page.getByLabel('Or paste rows here').fill('mail,parish\na@b.example,Saltby')
  await show.click()
  await expect(page.getByText('No column is taken for a name yet.')).toBeVisible()
  // What was pasted is still there: it only has to be said which column is the name.
  await page.getByLabel('parish').selectOption('whole name')
  await expect(page.getByText('Read as pasted text. 1 added.')).toBeVisible()
  await page.getByRole('link', { name: 'Start again' }).click()
  await expect(page.getByLabel('Or paste rows here')).toBeVisible()
  const upload = (name: string, buffer: Buffer) =>
    page.getByLabel('File').setInputFiles({ name, mimeType: 'text/csv', buffer })
  await upload('nothing.csv', Buffer.alloc(0))
  await show.click()
  await expect(page.getByText('The file "nothing.csv" is empty.')).toBeVisible()
  await upload('huge.csv', Buffer.alloc(5_100_000, 'a'))
  await show.click()
  await expect(page.getByText('The file is larger than 5 MB.')).toBeVisible()
  await upload('picture.png', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x00, 0x01]))
  await show.click()
  await expect(page.getByText('This is neither text nor a spreadsheet.')).toBeVisible()
  await upload('half.xlsx', Buffer.from('PK\u0003\u0004 and nothing more'))
  await show.click()
  await expect(page.getByText('The file is damaged and can not be unpacked.')).toBeVisible()
})

test('at the door: an unknown code, a session that has ended, a name that is taken', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const { code } = await openTonight(page)
  const guest = await phone()
  await guest.goto(`${server.address}/join`)
  await guest.getByRole('button', { name: 'Go on' }).click()
  await guest.getByLabel('Join code').fill('ABCD-EFGH')
  await guest.getByRole('button', { name: 'Go on' }).click()
  await expect(guest.getByText('No session has this code.')).toBeVisible()
  await expect(guest.getByLabel('Join code')).toHaveValue('ABCD-EFGH')
  await guest.goto(`${server.address}/join/${code}`)
  await guest.getByLabel('Your name').fill('Ulla H.')
  await guest.getByRole('button', { name: /^I am not on the list/ }).click()
  await expect(guest.getByText('Ulla H. is already taken')).toBeVisible()
  await expect(guest.getByLabel('Your name')).toHaveValue('Ulla H.')
  await guest.getByLabel('Your name').fill('Guest from Saltby')
  await guest.getByRole('button', { name: /^I am not on the list/ }).click()
  await expect(guest.getByText('Welcome, Guest from Saltby')).toBeVisible()
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('button', { name: 'End the session' }).click()
  const late = await phone()
  await late.goto(`${server.address}/join/${code}`)
  await expect(late.getByText('This session has ended.')).toBeVisible()
})

test('whatever is sent to whatever address, no trace of the program comes back', async ({
  server,
  facilitator: page,
}) => {
  const cookies = (await page.context().cookies()).map(({ name, value }) => `${name}=${value}`).join('; ')
  const send = (path: string, init: RequestInit) =>
    fetch(server.address + path, {
      ...init,
      redirect: 'manual',
      headers: { Cookie: cookies, ...init.headers },
    })
  const json = { 'Content-Type': 'application/json' }
  const answers = await Promise.all([
    send('/sessions/x/commands', { method: 'POST', headers: json, body: '{"type":' }),
    send('/sessions/x/commands', { method: 'POST', headers: json, body: '{"type":"end"}' }),
    send('/sessions/x/commands', {
      method: 'POST',
      headers: json,
      body: `{"type":"broadcast","text":"${'x'.repeat(200_000)}"}`,
    }),
    send('/groupings/x', { method: 'POST', headers: json, body: '[]' }),
    send('/cohorts/x', {
      method: 'POST',
      headers: { 'Content-Type': 'multipart/form-data; boundary=x' },
      body: 'no form',
    }),
    send('/cohorts/x/people', {
      method: 'POST',
      body: new URLSearchParams({ intent: 'save', firstName: 'Zoë' }),
    }),
    send('/cohorts/%00', { method: 'GET' }),
    send('/sessions/x/review/../../etc', { method: 'GET' }),
    send(`/join/${'A'.repeat(5000)}`, { method: 'GET' }),
    send('/sign-in', { method: 'POST', headers: json, body: '{}' }),
  ])
  for (const answer of answers) {
    const text = await answer.text()
    expect([answer.url, answer.status < 500]).toEqual([answer.url, true])
    expect(text).not.toMatch(/\bat \w+ \(|node_modules|\.server\.ts|select .* from/i)
  }
})
