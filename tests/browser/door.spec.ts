import { SimulatedParticipant } from '~/demo/simulated-participant'
import { expect, expectAccessible, test } from './fixtures'

test('the door is locked, a crowd waits by itself, and many are removed at once', async ({
  browser,
  phone,
  openClass,
}) => {
  const made = await openClass(1, 3, [{ id: 'c', kind: 'cards', text: 'What?', settings: {} }])
  const { address } = made.server
  const page = await made.page(browser)
  await page.goto(`${address}/sessions/${made.sessionId}/live`)
  const locked = page.getByRole('checkbox', { name: 'Door locked' })
  await locked.click()
  await expect(page.getByText('The door is locked: nobody new comes in.')).toBeVisible()
  const ana = await phone()
  await ana.goto(`${address}/join/${made.joinCode}`)
  await ana.getByRole('button', { name: 'P000', exact: true }).click()
  await expect(ana.getByText('The facilitator has locked the door')).toBeVisible()
  await locked.click()
  await expect(locked).not.toBeChecked()
  await ana.getByRole('button', { name: 'P000', exact: true }).click()
  await expect(ana.getByText('You are P000')).toBeVisible()
  // One browser, one place.
  await ana.goto(`${address}/join/${made.joinCode}`)
  await expect(ana.getByText('You are P000')).toBeVisible()

  // A press that comes twice, the second before the first is answered, is one: nobody stands before their own name that is taken.
  const door = await fetch(`${address}/join/${made.joinCode}`)
  const [, personId = ''] = /value="([\w-]+)"[^>]*>P001</.exec(await door.text()) ?? []
  const known = door.headers.getSetCookie().map(each => each.split(';')[0])
  const press = async (cookies: (string | undefined)[]) => {
    const answer = await fetch(`${address}/join/${made.joinCode}`, {
      method: 'POST',
      redirect: 'manual',
      headers: { Origin: address, Cookie: cookies.join('; ') },
      body: new URLSearchParams({ personId }),
    })
    return [answer.status, ...answer.headers.getSetCookie()]
  }
  const [first, second] = await Promise.all([press(known), press(known)])
  expect(first).toEqual([302, expect.stringMatching(/^place-/)])
  expect(second).toEqual(first)
  expect((await press([]))[0]).toBe(409)

  const guests = Array.from({ length: 11 }, (_, number) => `Guest ${number}`)
  for (const name of guests) await SimulatedParticipant.join(address, made.joinCode, name)
  await expect(page.getByText('Clearly more people came than the list expects')).toBeVisible()
  await expect(page.getByRole('checkbox', { name: 'Waiting list' })).toBeChecked()
  await expect(page.getByRole('button', { name: /^Let all \d+ in$/ })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Guest 0 not on the list' })).toBeVisible()

  await page.getByRole('button', { name: 'Remove people' }).click()
  const dialog = page.getByRole('dialog', { name: 'Remove people from the session' })
  // Looked for one after the other: who was ticked before stays so.
  for (const [typed, found] of [
    ['Guest 1', 2],
    ['P00', 2],
  ] as const) {
    await dialog.getByLabel('Find somebody').fill(typed)
    await dialog.getByRole('button', { name: `Tick the ${found} found` }).click()
  }
  await expect(dialog.getByRole('button', { name: 'Remove 4 people' })).toBeEnabled()
  await dialog.getByRole('button', { name: 'Tick nobody' }).click()
  await expect(dialog.getByRole('button', { name: 'Remove', exact: true })).toBeDisabled()
  await dialog.getByLabel('Find somebody').fill('')
  await dialog.getByRole('button', { name: 'Tick the 11 not on the list' }).click()
  await dialog.getByRole('checkbox', { name: 'Guest 10' }).uncheck()
  await dialog.getByRole('checkbox', { name: 'P000' }).check()
  await expectAccessible(page)
  await dialog.getByRole('button', { name: 'Remove 11 people' }).click()
  await expect(page.getByRole('button', { name: 'Guest 0 not on the list' })).toBeHidden()
  await expect(page.getByRole('button', { name: 'Guest 10 not on the list' })).toBeVisible()

  // Taken out, and back only through the waiting list, whatever it is switched to.
  await page.getByRole('checkbox', { name: 'Waiting list' }).click()
  await ana.goto(`${address}/join/${made.joinCode}`)
  await ana.getByLabel('Your name').fill('Somebody new')
  await ana.getByRole('button', { name: /join as “Somebody new”/ }).click()
  await expect(ana.getByText('You are on the waiting list')).toBeVisible()
  await Promise.all([ana.context().close(), page.context().close()])
})
