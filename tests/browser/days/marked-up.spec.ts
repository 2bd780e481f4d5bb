import {
  addPrompt,
  expect,
  expectAccessible,
  joinOnPhone,
  letAllIn,
  makeBoard,
  openWithBoard,
  putInRoom,
  sendOut,
  space,
  test,
} from '../fixtures'

const OUTLINE = `A text to mark up

- Mark what is doubtful
- Questions for afterwards
`

test('a text is marked up together, with a picture of the library in it; questions are gathered; then the facilitator marks it alone; marked and pictured it is kept', async ({
  server,
  facilitator: page,
  phone,
}) => {
  await makeBoard(page, server, OUTLINE)
  await addPrompt(page, /^Sheet/, 'The ranger’s report')
  await page.getByLabel('Begins with').fill('# The jetty\nIt is safe and it will last.')
  await page.getByRole('checkbox', { name: 'Map of the marsh' }).check()
  await addPrompt(page, /^Sketch/, 'Where it is doubtful')
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible()

  const { code, sessionId } = await openWithBoard(page, 'A text to mark up')
  const [ana, bram] = [await phone(), await phone()]
  await joinOnPhone(ana, server, code, 'Ana Per.')
  await joinOnPhone(bram, server, code, 'Bram O.')
  await letAllIn(page)
  for (const who of ['Ana Per.', 'Bram O.']) await putInRoom(page, who, 'Pond life')
  await sendOut(page)

  // With the keyboard alone: from the end back over the last words, marked.
  const report = (at: typeof ana) => space(at, 'The ranger’s report')
  const text = report(ana).getByRole('textbox')
  await text.getByText('It is safe and it will last.').click()
  await text.press('End')
  for (let step = 0; step < 'will last.'.length; step++) await text.press('Shift+ArrowLeft')
  await report(ana).getByRole('button', { name: 'Mark', exact: true }).click()
  // Her cursor stands in it, with her name.
  await expect(report(bram).locator('mark')).toHaveText(/will last\.$/)

  await text.press('ArrowRight')
  await report(ana).getByRole('button', { name: 'Picture', exact: true }).click()
  await report(ana).getByRole('button', { name: 'Map of the marsh' }).tap()
  const picture = report(bram).getByRole('img', { name: 'Map of the marsh' })
  await expect(picture).toBeVisible()
  expect(await picture.evaluate(async (image: HTMLImageElement) => image.decode().then(() => true))).toBe(
    true,
  )
  // An arrow to it.
  const sketch = (at: typeof ana) => space(at, 'Where it is doubtful')
  await sketch(bram).getByRole('button', { name: 'Arrow' }).tap()
  await sketch(bram).getByRole('button', { name: 'Put it in the middle' }).tap()
  await expect(sketch(ana).locator('[data-mark]')).toHaveAttribute('aria-label', 'Arrow by Bram O.')
  await space(bram, 'Questions for afterwards').getByLabel('New card').fill('Who looked at it last?')
  await space(bram, 'Questions for afterwards').getByRole('button', { name: 'Add card' }).tap()
  for (const each of [ana, bram]) await expect(each.getByText('Saved', { exact: true })).toBeVisible()
  await expectAccessible(ana)

  // Then by the facilitator alone: the others read along, and see it come.
  await page.getByRole('button', { name: 'Pond life', exact: true }).click()
  const drawer = page.getByRole('complementary', { name: 'Room Pond life' })
  await drawer.getByLabel('Who writes in this room').selectOption('all read along')
  for (const each of [ana, bram])
    await expect(each.getByText('The facilitator writes for your room. You read along.')).toBeVisible()
  await expect(report(ana).getByRole('button', { name: 'Mark', exact: true })).toBeHidden()
  await drawer.getByRole('button', { name: 'Visit', exact: true }).click()
  await drawer.getByRole('button', { name: 'Join in', exact: true }).click()
  const led = drawer.getByRole('region', { name: 'The ranger’s report' })
  await led.getByRole('textbox').getByText('The jetty').click()
  await led.getByRole('textbox').press('Home')
  for (let step = 0; step < 'The jetty'.length; step++)
    await led.getByRole('textbox').press('Shift+ArrowRight')
  await led.getByRole('button', { name: 'Mark', exact: true }).click()
  await expect(report(ana).locator('mark').first()).toHaveText('The jetty')
  await drawer.getByRole('button', { name: 'Close', exact: true }).click()

  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('alertdialog').getByRole('button', { name: 'End the session' }).click()
  await page.goto(`${server.address}/sessions/${sessionId}/review`)
  await page.getByRole('button', { name: /The ranger’s report/ }).click()
  const room = page.getByRole('article', { name: 'Pond life' })
  await expect(room.locator('mark')).toHaveText(['The jetty', 'will last.'])
  await expect(room.getByRole('img', { name: 'Map of the marsh' })).toBeVisible()
  await page.getByRole('button', { name: /Questions for afterwards/ }).click()
  await expect(room.getByText('Who looked at it last?')).toBeVisible()
})
