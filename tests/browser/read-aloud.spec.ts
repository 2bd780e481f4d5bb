import type { Page } from '@playwright/test'
import { expect, joinByName, passGrace, sendOut, simulated, startNow, test } from './fixtures'

/** Writes down what a screen reader is given to say by itself: whatever changes in a live region that is not off (WAI-ARIA 1.2, 5.2 and 6.6.4). */
async function listening(page: Page): Promise<() => Promise<string[]>> {
  await page.evaluate(() => {
    const said: string[] = []
    Object.assign(window, { said })
    const regions = '[role=status], [role=alert], [role=log], [aria-live=polite], [aria-live=assertive]'
    const texts = new Map<Element, string>()
    // biome-ignore lint/performance/useDomNodeTextContent: what is not displayed is not read.
    const textOf = (region: Element) => (region as HTMLElement).innerText.replace(/\s+/g, ' ').trim()
    for (const region of document.querySelectorAll(regions)) texts.set(region, textOf(region))
    new MutationObserver(changes => {
      const touched = new Set<Element>()
      for (const { target, addedNodes } of changes) {
        const element = target instanceof Element ? target : target.parentElement
        const region = element?.closest(regions)
        if (region) touched.add(region)
        // A region that comes with its words in it: some readers say it.
        for (const node of addedNodes)
          if (node instanceof Element) {
            if (node.matches(regions)) touched.add(node)
            for (const inner of node.querySelectorAll(regions)) touched.add(inner)
          }
      }
      for (const region of touched) {
        const text = textOf(region)
        if (text !== '' && texts.get(region) !== text) said.push(text)
        texts.set(region, text)
      }
    }).observe(document.body, { subtree: true, childList: true, characterData: true })
  })
  return () =>
    page.evaluate(() => {
      const { said } = window as unknown as { said: string[] }
      return said.splice(0)
    })
}

test('a screen reader is given what matters to say, and not what others write, how each answers or how the time goes on', async ({
  server,
  facilitator: page,
  phone,
}) => {
  const code = await startNow(page)
  const own = await phone()
  await joinByName(own, server, code, 'Zofia')
  const people = await simulated(server, code, ['Ada', 'Bea', 'Cem'])
  await page.getByRole('button', { name: 'Make groups' }).click()
  const drawer = page.getByRole('complementary', { name: 'Make groups' })
  await drawer.getByLabel('Groups are').selectOption('from a list that is pasted')
  await drawer.getByLabel('Groups, one on each line').fill('Lake: Zofia, Ada, Bea, Cem')
  await drawer.getByRole('button', { name: 'Make these groups' }).click()
  await drawer.getByRole('button', { name: 'Close', exact: true }).click()
  const onPhone = await listening(own)
  const inLive = await listening(page)

  // Where one is, and whoever visits.
  await page.getByLabel('Minutes').fill('10')
  await sendOut(page)
  await expect(own.getByRole('heading', { level: 1, name: 'Lake' })).toBeVisible()
  await expect.poll(onPhone).toContain('You are in Lake.')
  await page.getByRole('button', { name: 'Lake', exact: true }).first().click()
  const room = page.getByRole('complementary', { name: 'Room Lake' })
  await room.getByRole('button', { name: 'Visit', exact: true }).click()
  await expect(own.getByText(/is in your room, listening/)).toBeVisible()
  await expect.poll(onPhone).toEqual([expect.stringMatching(/is in your room, listening/)])
  await room.getByRole('button', { name: 'Close', exact: true }).click()

  // Others come and go, talk and signal, and time goes on: nothing of that is said.
  await onPhone()
  await inLive()
  for (const each of people) await each.ask({ type: 'set-signal', signal: 'done' })
  people[2]?.leave()
  await server.moveClock(60_000)
  await page.waitForTimeout(3_000)
  expect(await onPhone()).toEqual([])
  expect((await inLive()).filter(text => !/away|no line/i.test(text))).toEqual([])

  // What is said to all, and that a question is asked.
  await page.getByPlaceholder('Broadcast to all').fill('Look at the second card')
  await page.keyboard.press('Enter')
  await expect(own.getByText('Look at the second card')).toBeVisible()
  expect((await onPhone()).join(' ')).toContain('Look at the second card')
  await page.getByRole('button', { name: 'Ask a question' }).click()
  const form = page.getByRole('region', { name: 'Ask a question' })
  await form.getByLabel('Question').fill('Is it deep?')
  await form.getByRole('button', { name: 'Yes, no' }).click()
  await expect(own.getByRole('region', { name: 'Question' })).toBeVisible()
  await expect.poll(onPhone).toContain('A question is asked.')
  await inLive()
  const asked = (await people[0]?.until(view => view.question !== null))?.question?.id ?? ''
  for (const each of people.slice(0, 2))
    await each.ask({ type: 'answer-question', questionId: asked, answer: 0 })
  await expect(page.getByText('2 of 4 have answered.')).toBeVisible()
  expect(await inLive()).toEqual([])
  await page.getByRole('button', { name: 'Close the question' }).click()
  await expect.poll(inLive).toContain('The question is closed.')

  // A call for help, in Live.
  await people[0]?.ask({ type: 'call-help' })
  await expect.poll(async () => (await inLive()).join(' ')).toContain('Lake calls')

  // The warning before the end, the end, and where one is then.
  await onPhone()
  await server.moveClock(4 * 60_000)
  await expect.poll(async () => (await onPhone()).join(' ')).toContain('5 min left')
  await page.getByRole('button', { name: 'Call back' }).click()
  await expect.poll(async () => (await onPhone()).join(' ')).toContain('Finish your sentence and come back.')
  await passGrace(page, server)
  await expect.poll(onPhone).toContain('You are with the whole group.')
  for (const each of people) each.leave()
})
