import type { Locator, Page } from '@playwright/test'
import { pdf, wav } from 'tests/fixtures/made-files'
import { expect, expectAccessible, joinByName, sendOut, signIn, startNow, test } from './fixtures'

/** Where the sound stands on a page, in seconds, and the moment it was read at. */
const standsAt = (page: Page) =>
  page.locator('audio').evaluate(audio => ({ at: (audio as HTMLAudioElement).currentTime, read: Date.now() }))

test('groups, the join code, a question’s results, pages and a sound are put up for all, and taken down in one move', async ({
  facilitator: page,
  server,
  phone,
  newPage,
}) => {
  await page.getByRole('link', { name: 'Material' }).click()
  await page.getByLabel('Files to add').setInputFiles([
    {
      name: 'Rules of the hide.pdf',
      mimeType: 'application/pdf',
      buffer: pdf('Be quiet', 'Close the shutters'),
    },
    { name: 'Wren.wav', mimeType: 'audio/wav', buffer: wav(60) },
  ])
  await expect(page.getByRole('list', { name: 'Material' }).getByText('Wren')).toBeVisible()
  await page.getByText('Add a link').click()
  await page.getByLabel('Called').fill('The paths')
  await page.getByLabel('Address').fill('https://lowmarsh.example/paths')
  await page.getByRole('button', { name: 'Add the link' }).click()
  await expect(page.getByRole('list', { name: 'Material' }).getByText('The paths')).toBeVisible()
  // What is said in it, by the standard for that; what is not written by it is refused with its line.
  const captions = page.getByLabel('Captions of Wren')
  const vtt = (text: string) => ({ name: 'wren.vtt', mimeType: 'text/vtt', buffer: Buffer.from(text) })
  await captions.setInputFiles(vtt('00:00:01,000 --> 00:00:02,000\nNo captions'))
  await expect(page.getByRole('alert')).toContainText('Line 1')
  await captions.setInputFiles(vtt('WEBVTT\n\n00:00.000 --> 00:59.000\nA wren <i>sings</i>.\n'))
  await expect(page.getByText('Has captions.')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('link', { name: 'Today' }).click()
  const code = await startNow(page)
  const [ana, bo] = [await phone(), await phone()]
  await joinByName(ana, server, code, 'Ana')
  await joinByName(bo, server, code, 'Bo')
  const wall = await page.context().newPage()
  await wall.goto(page.url().replace(/\/live$/, '/projector'))
  const other = await newPage()
  await signIn(other, server, 1)
  await other.goto(page.url())
  const [onWall, onAna] = [wall, ana].map(at => at.getByRole('region', { name: 'Put up' })) as [
    Locator,
    Locator,
  ]
  const now = page.getByRole('status', { name: 'On the projector' })
  const panel = page.getByRole('region', { name: 'Put something up' })
  const putUp = async (name: string) => {
    await page.getByRole('button', { name: 'Put up', exact: true }).click()
    await panel.getByRole('button', { name }).click()
  }

  // What stands on the facilitator's page goes up from there in one press, and down in one.
  await page.getByRole('button', { name: 'Put up the join code' }).click()
  await expect(onWall.getByText(code)).toBeVisible()
  await page.getByRole('button', { name: 'Take down the join code' }).click()
  await expect(onWall).toBeHidden()
  await putUp('Join code')
  await expect(onWall.getByText(code)).toBeVisible()
  await expect(onAna).toBeHidden()
  await now.getByRole('button', { name: 'On every page too' }).click()
  await expect(onAna.getByText(code)).toBeVisible()
  await page.getByRole('button', { name: 'Put up', exact: true }).click()
  await panel.getByRole('checkbox', { name: 'On every page too' }).check()
  await expectAccessible(page)
  await panel.getByRole('button', { name: 'Groups' }).click()
  await expect(onAna.getByText('There are no rooms yet.')).toBeVisible()

  // What a question came to is seen by nobody else until it is put up.
  await page.getByRole('button', { name: 'Ask a question' }).click()
  await page.getByRole('region', { name: 'Ask a question' }).getByRole('button', { name: 'Yes, no' }).click()
  await ana.getByRole('region', { name: 'Question' }).getByRole('button', { name: 'Yes' }).click()
  await page.getByRole('button', { name: 'Put up the results' }).click()
  await expect(onWall.getByRole('definition')).toHaveText(['1', '0'])
  await expect(onAna.getByRole('definition')).toHaveText(['1', '0'])
  await page.getByRole('button', { name: 'Close the question' }).click()

  // Pages are turned for all; one may look back, and follows again.
  await page.getByRole('button', { name: 'Put up', exact: true }).click()
  await panel.getByLabel('Material of the library').selectOption({ label: 'Rules of the hide (pdf)' })
  await expect(onWall.getByText('Be quiet')).toBeAttached()
  await expect(onAna.getByText('Be quiet')).toBeAttached()
  await page.getByRole('button', { name: 'Next page' }).click()
  await expect(onWall.getByText('Close the shutters')).toBeAttached()
  await expect(onAna.getByText('Close the shutters')).toBeAttached()
  await onAna.getByRole('button', { name: 'Page before' }).click()
  await expect(onAna.getByText('Be quiet')).toBeAttached()
  await expect(onWall.getByText('Close the shutters')).toBeAttached()
  await expectAccessible(ana)
  await onAna.getByRole('button', { name: 'Back to page 2, which is shown' }).click()
  await expect(onAna.getByText('Close the shutters')).toBeAttached()

  // A sound plays for all, also for who comes late; how loud it is is each one's own.
  await page.getByRole('button', { name: 'Put up', exact: true }).click()
  await panel.getByLabel('Material of the library').selectOption({ label: 'Wren (sound)' })
  const player = page.getByRole('region', { name: 'Show Wren' })
  await expect(player.getByText(/of 1:00$/)).toBeVisible()
  await expectAccessible(page)
  await player.getByRole('button', { name: 'Play it for all' }).click()
  await expect(onAna.getByText('Playing')).toBeVisible()
  await bo.reload()
  await expect.poll(async () => (await standsAt(bo)).at).toBeGreaterThan(1)
  await expect
    .poll(async () => {
      const [one, other] = await Promise.all([standsAt(ana), standsAt(bo)])
      return Math.abs(one.at - other.at - (one.read - other.read) / 1000)
    })
    .toBeLessThan(0.3)
  await onAna.getByRole('checkbox', { name: 'Captions' }).check()
  await expect(onAna.getByLabel('Captions', { exact: true }).and(ana.locator('p'))).toHaveText(
    'A wren sings.',
  )
  const isMuted = (page: typeof ana) =>
    page.locator('audio').evaluate(each => (each as HTMLAudioElement).muted)
  await onAna.getByRole('button', { name: 'Turn the sound off' }).click()
  expect(await isMuted(ana)).toBe(true)
  expect(await isMuted(bo)).toBe(false)
  await onAna.getByRole('button', { name: 'Turn the sound on' }).click()
  expect(await isMuted(ana)).toBe(false)
  await onAna.getByLabel('How loud here').fill('0.2')
  expect(await ana.locator('audio').evaluate(audio => (audio as HTMLAudioElement).volume)).toBe(0.2)
  await player.getByRole('button', { name: 'Stop it for all' }).click()
  await expect(onAna.getByText('Stopped')).toBeVisible()
  await expect
    .poll(async () => Math.abs((await standsAt(ana)).at - (await standsAt(bo)).at))
    .toBeLessThan(0.05)
  await player.getByRole('button', { name: 'To the beginning' }).click()
  await expect.poll(async () => (await standsAt(bo)).at).toBe(0)
  // A picture and a link likewise, and, in rooms, the clock from beside it.
  await page.getByRole('button', { name: 'Put up', exact: true }).click()
  await panel.getByLabel('Material of the library').selectOption({ label: 'Map of the marsh (picture)' })
  for (const at of [onWall, onAna]) {
    const map = at.getByRole('img', { name: 'Map of the marsh' })
    await expect
      .poll(() => map.evaluate(image => (image as HTMLImageElement).naturalWidth))
      .toBeGreaterThan(0)
  }
  await page.getByRole('button', { name: 'Put up', exact: true }).click()
  await panel.getByLabel('Material of the library').selectOption({ label: 'The paths (link)' })
  await expect(onWall.getByText('https://lowmarsh.example/paths')).toBeVisible()
  await expect(onAna.getByRole('link', { name: /lowmarsh\.example/ })).toHaveAttribute(
    'href',
    'https://lowmarsh.example/paths',
  )
  await page.getByRole('button', { name: 'Make groups' }).click()
  const groups = page.getByRole('complementary', { name: 'Make groups' })
  await groups.getByLabel('People each').fill('2')
  await groups.getByRole('button', { name: 'Make groups' }).click()
  await expect(page.getByRole('list', { name: 'Rooms' }).locator('.lane-name')).toHaveCount(2)
  await sendOut(page)
  await page.getByRole('button', { name: 'Put up the clock' }).click()
  await expect(onWall.getByRole('timer')).toBeVisible()
  await expect(onWall.getByText('https://lowmarsh.example/paths')).toBeHidden()

  // Somebody else puts the groups up while one takes the clock down: the groups stay, and it is said why.
  await expect(other.getByRole('status', { name: 'On the projector' })).toBeVisible()
  let onItsWay = () => {}
  const held = new Promise<void>(resolve => {
    onItsWay = resolve
  })
  await page.route('**/commands', async route => {
    await held
    await route.continue()
  })
  await now.getByRole('button', { name: 'Take down' }).click()
  await other.getByRole('button', { name: 'Put up', exact: true }).click()
  await other
    .getByRole('region', { name: 'Put something up' })
    .getByRole('button', { name: 'Groups' })
    .click()
  await expect(onWall.getByRole('timer')).toBeHidden()
  onItsWay()
  await expect(page.getByText('Something else has been put up meanwhile, and stays as it is.')).toBeVisible()
  await expect(now).toContainText('Who is in which room')
  await expect(onWall).toBeVisible()
  await page.unroute('**/commands')
  await now.getByRole('button', { name: 'Take down' }).click()
  await expect(onAna).toBeHidden()
  await expect(onWall).toBeHidden()
})
