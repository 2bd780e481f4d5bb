import { execFile } from 'node:child_process'
import { rmSync } from 'node:fs'
import { basename, join } from 'node:path'
import { promisify } from 'node:util'
import { readAnswer } from '~/core/boards/prompts/kinds'
import {
  allowLostLine,
  expect,
  joinOnPhone,
  openTonight,
  sendOut,
  signInByForm,
  simulated,
  switchWaitingList,
  test,
} from './fixtures'
import { TestServer } from './server'

test('killed in mid-round, the server takes the session up as it was', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const { code } = await openTonight(page)
  allowLostLine(page)
  await switchWaitingList(page)
  const edda = await phone()
  allowLostLine(edda)
  await joinOnPhone(edda, server, code, 'Edda')
  const people = await simulated(server, code, ['Ana Per.', 'Bram O.', 'Chi', 'Kaveh', 'Thuy N.'])
  await expect(
    page.getByText('19 on the list are not here yet').or(page.getByText('18 on the list are not here yet')),
  ).toBeVisible()
  await sendOut(page)
  await expect(edda.getByText('Station notes')).toBeVisible()
  await Promise.all(people.map(each => each.until(view => view.whereabouts.where === 'room')))

  // Written by somebody who then closes the page, so that only the server has it.
  const writer = people.find(each => each.view?.whereabouts.where === 'room') as (typeof people)[number]
  const writerRoom = writer.view?.whereabouts.where === 'room' ? writer.view.whereabouts : null
  await writer.writeCard('noticed', 'only the server has this')
  const lane = page.getByRole('listitem', { name: writerRoom?.name })
  await expect(lane).toContainText('only the server has this')
  writer.closeBoard()
  await edda.getByLabel('New card').fill('before the crash')
  await edda.getByRole('button', { name: 'Add card' }).click()
  await expect(edda.getByText('Saved', { exact: true })).toBeVisible()
  await page.getByLabel('Broadcast to all').fill('Keep going.')
  await page.getByRole('button', { name: 'Broadcast', exact: true }).click()
  await expect(edda.getByText('Keep going.')).toBeVisible()
  const endsAt = writer.view?.clock?.endsAt

  await server.end('SIGKILL')
  await expect(edda.getByText('The line to the server is down.')).toBeVisible()
  // Writing goes on without the server.
  await edda.getByLabel('New card').fill('during the outage')
  await edda.getByRole('button', { name: 'Add card' }).click()
  await expect(edda.getByText(/^No line/)).toBeVisible()
  await server.start()

  // Everybody comes back by themselves: same room, same clock, same board.
  await expect(edda.getByText('The line to the server is down.')).toBeHidden()
  await expect(edda.getByText('Saved', { exact: true })).toBeVisible()
  await expect(edda.getByText('Keep going.')).toBeVisible()
  await expect(edda.getByRole('textbox', { name: 'Card by Edda' })).toHaveCount(2)
  await writer.follow()
  expect(writer.view).toMatchObject({ clock: { endsAt }, whereabouts: { name: writerRoom?.name } })
  const board = await writer.openBoard()
  expect(
    JSON.stringify(readAnswer(board, { id: 'noticed', kind: 'cards', text: '', settings: {} })),
  ).toContain('only the server has this')
  await expect(lane).toContainText('only the server has this')
  await page.getByRole('button', { name: 'Call back' }).click()
  await expect(edda.getByText('finish, come back')).toBeVisible()
  for (const each of people) each.leave()
})

test('what fell due while the server was away is done when it is back', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const { code } = await openTonight(page)
  allowLostLine(page)
  await switchWaitingList(page)
  const edda = await phone()
  allowLostLine(edda)
  // The line fails just when the text editor is fetched: the board waits for it, and is not lost.
  let refused = 0
  await edda.route(/assets\/sheet-space-[^/]*\.js/, route =>
    refused++ < 2 ? route.abort('connectionrefused') : route.continue(),
  )
  // By an address where no worker fetches files for the page: those could not be broken off from here.
  await joinOnPhone(edda, { address: server.address.replace('localhost', 'plain.example') }, code, 'Edda')
  await page.getByLabel('Minutes in rooms').fill('0.5')
  await sendOut(page)
  await expect(edda.getByText('Station notes')).toBeVisible()
  await expect(edda.getByRole('toolbar', { name: 'Text' })).toBeVisible()
  expect(refused).toBeGreaterThanOrEqual(3)
  await server.end('SIGKILL')
  server.passWhileAway(31_000)
  await server.start()
  await expect(edda.getByText('finish, come back')).toBeVisible({ timeout: 30_000 })
})

test('a second server on the same folder is refused, and a clean stop leaves everything in order', async ({
  server,
  newPage,
}) => {
  const second = TestServer.on(server.folder)
  await expect(second.start()).rejects.toThrow('Another Round Table server is already using the data folder')
  expect(await server.end('SIGTERM')).toBe(0)
  await server.start()
  await signInByForm(await newPage(), server)
})

test('a backup made while people write holds all that was saved before; restored elsewhere it goes on from there', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const { code, sessionId } = await openTonight(page)
  await switchWaitingList(page)
  const edda = await phone()
  await joinOnPhone(edda, server, code, 'Edda')
  const people = await simulated(server, code, ['Ana Per.', 'Bram O.', 'Chi', 'Kaveh', 'Thuy N.'])
  await sendOut(page)
  let writing = true
  const writers = people.map(async each => {
    await each.until(view => view.whereabouts.where === 'room')
    for (let number = 0; writing; number++) {
      await each.writeCard('noticed', `card ${number}`)
      await new Promise(done => setTimeout(done, 20))
    }
  })
  await edda.getByLabel('New card').fill('saved before the backup')
  await edda.getByRole('button', { name: 'Add card' }).click()
  await expect(edda.getByText('Saved', { exact: true })).toBeVisible()

  const [into, elsewhere] = ['backups', 'elsewhere'].map(name =>
    join(server.folder, '..', `${basename(server.folder)}-${name}`),
  )
  const program = (...args: string[]) =>
    promisify(execFile)(process.execPath, ['build/threads/backup.js', ...args], {
      env: {
        ...process.env,
        DATA_FOLDER: args[0] === 'backup' ? server.folder : elsewhere,
        BACKUP_FOLDER: into,
      },
    })
  try {
    expect((await program('backup')).stdout).toMatch(
      /^Backed up to .* opened again and counted: \d+ rows\.\n$/,
    )
    writing = false
    await Promise.all(writers)
    // The server has gone on meanwhile.
    await edda.getByLabel('New card').fill('after the backup')
    await edda.getByRole('button', { name: 'Add card' }).click()
    await expect(edda.getByText('Saved', { exact: true })).toBeVisible()
    expect((await program('restore')).stdout).toContain('Restored')
    await expect(program('restore')).rejects.toThrow('Give --over')

    const other = TestServer.on(elsewhere ?? '')
    await other.start()
    const again = await phone()
    allowLostLine(again)
    await again.context().addCookies(
      (await edda.context().cookies()).map(cookie => ({
        ...cookie,
        url: other.address,
        domain: undefined,
        path: undefined,
      })),
    )
    await again.goto(`${other.address}/s/${sessionId}`)
    await expect(again.getByText('saved before the backup')).toBeVisible()
    await expect(again.getByText('after the backup')).toBeHidden()
    await again.close()
    await other.end('SIGTERM')
  } finally {
    writing = false
    for (const each of people) each.leave()
    for (const folder of [into, elsewhere]) rmSync(folder ?? '', { recursive: true, force: true })
  }
})

test('an empty folder begins with the first account', async ({ emptyServer: server, newPage }) => {
  const page = await newPage()
  await page.goto(`${server.address}/cohorts`)
  await expect(page.getByRole('heading', { name: 'Make the first account' })).toBeVisible()
  await page.getByLabel('Name').fill('Marit Solheim')
  await page.getByLabel('Email').fill('marit@school')
  await page.getByLabel('Password').fill('short')
  await page.getByRole('button', { name: 'Make the account' }).click()
  await expect(page.getByText('Enter the word the server printed')).toBeVisible()
  await expect(page.getByText('Enter an email address such as')).toBeVisible()
  await expect(page.getByText('Use at least 10 characters.')).toBeVisible()
  await expect(page.getByLabel('Name')).toHaveValue('Marit Solheim')
  await page.getByLabel('Email').fill('marit@school.example')
  await page.getByLabel('Password').fill('long enough now')
  // The page alone is open to everybody: only who can read what the server printed makes the account.
  await page.getByLabel('Start word').fill('a guess')
  await page.getByRole('button', { name: 'Make the account' }).click()
  await expect(page.getByText('This is not the word the server printed')).toBeVisible()
  await page.goto(`${server.address}/first-run?word=${server.startWord}`)
  await expect(page.getByLabel('Start word')).toHaveValue(server.startWord ?? '')
  await page.getByLabel('Name').fill('Marit Solheim')
  await page.getByLabel('Email').fill('marit@school.example')
  await page.getByLabel('Password').fill('long enough now')
  await page.getByRole('button', { name: 'Make the account' }).click()
  await expect(page.getByText('Begin with the people')).toBeVisible()
  await page.getByRole('link', { name: 'Marit Solheim' }).click()
  await page.getByLabel('Name').fill('Tobias Ferrand')
  await page.getByLabel('Email').fill('tobias@school.example')
  await page.getByRole('button', { name: 'Add the account' }).click()
  await expect(page.getByText('tobias@school.example')).toBeVisible()
  await expect(page.getByText('A link for Tobias Ferrand to choose a password')).toBeVisible()
  await page.getByRole('button', { name: 'Sign out' }).click()
  // Whoever goes elsewhere before it is answered goes there as one who is still signed in.
  await page.waitForURL(/sign-in/)
  await page.goto(`${server.address}/first-run`)
  await expect(page.getByRole('heading', { name: 'Sign in', exact: true })).toBeVisible()
})
