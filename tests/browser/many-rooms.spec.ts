import { expect, expectAccessible, test } from './fixtures'

test('of very many rooms those out of sight are drawn as they come near; whatever becomes of a lane, the focus stays where it is', async ({
  browser,
  openClass,
}) => {
  const made = await openClass(60, 2, [{ id: 'c', kind: 'cards', text: 'What?', settings: {} }])
  const people = await made.allJoined()
  await made.command({ type: 'send-out', seconds: 3_600 })
  const page = await made.page(browser)
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.goto(`${made.server.address}/sessions/${made.sessionId}/live`)
  const lane = (number: number) => page.getByRole('listitem', { name: `Room ${number}`, exact: true })
  const opens = (number: number) => page.getByRole('button', { name: `Room ${number}`, exact: true })
  // The first is drawn whole. Of the last there is what is searched for: the room, and who is in it.
  await expect(lane(0)).toContainText('not visited')
  await expect(lane(59)).toContainText('P118, P119')
  await expect(lane(59)).not.toContainText('not visited')
  await expectAccessible(page)
  const wheel = async (by: number) => {
    await page.mouse.move(600, 300)
    await page.mouse.wheel(0, by)
  }
  await wheel(20_000)
  await expect(lane(59)).toContainText('not visited')
  await wheel(-20_000)
  await expect(lane(59)).not.toContainText('not visited')
  await expect(lane(59)).toContainText('P118, P119')

  // Somebody comes to it by keyboard: it is drawn whole around the button that they are at.
  await opens(58).focus()
  await page.keyboard.press('ArrowDown')
  await expect(opens(59)).toBeFocused()
  await expect(lane(59)).toContainText('not visited')
  await expect(lane(59)).not.toContainText('P118')
  await expect(lane(0)).not.toContainText('not visited')
  await expect(lane(0)).toContainText('P000, P001')
  // The room comes to need somebody, and needs nobody any more.
  await people[118]?.ask({ type: 'call-help' })
  await expect(lane(59).getByRole('button', { name: 'P118' })).toBeVisible()
  await expect(opens(59)).toBeFocused()
  await people[118]?.ask({ type: 'withdraw-help' })
  await expect(lane(59).getByRole('button', { name: 'P118' })).toBeHidden()
  await expect(opens(59)).toBeFocused()

  // While somebody is at it, it stays as it is out of sight as well.
  await people[119]?.ask({ type: 'call-help' })
  await lane(59).getByRole('button', { name: 'P119' }).focus()
  await wheel(-20_000)
  await expect(lane(0)).toContainText('not visited')
  await expect(lane(59).getByRole('button', { name: 'P119' })).toBeFocused()
  for (const each of people) each.leave()
  await page.context().close()
})
