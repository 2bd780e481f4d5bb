import * as Y from 'yjs'
import { addCard } from '~/core/boards/prompts/cards/document'
import { readAnswer } from '~/core/boards/prompts/kinds'
import { openSocket, type SimulatedParticipant } from '~/demo/simulated-participant'
import { expect, openToAll, openTonight, sendOut, simulated, test } from './fixtures'

/** Copies of other rooms can't be learnt from one's own view; here a facilitator's stream says them. */
async function copiesOf(address: string, cookie: string, sessionId: string): Promise<Record<string, string>> {
  const response = await fetch(`${address}/events/${sessionId}/facilitator`, { headers: { Cookie: cookie } })
  let text = ''
  for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
    text += new TextDecoder().decode(chunk)
    const found = text.match(/"rooms":(\[\{"id".*?\}\])/)
    if (!found?.[1]) continue
    const rooms = JSON.parse(found[1]) as { name: string; copyId: string }[]
    return Object.fromEntries(rooms.map(room => [room.name, room.copyId]))
  }
  throw new Error('No rooms were sent.')
}

/** How the server answers somebody who wants to open a copy. */
function knock(address: string, cookie: string, copyId: string): Promise<'opened' | 'refused'> {
  const doc = new Y.Doc()
  const { provider, socket } = openSocket(address, cookie, copyId, doc)
  return new Promise<'opened' | 'refused'>(resolve => {
    provider.on('synced', () => resolve('opened'))
    provider.on('authenticationFailed', () => resolve('refused'))
    // Without any place the socket itself is refused.
    socket.on('disconnect', () => resolve('refused'))
  }).finally(() => {
    provider.destroy()
    socket.destroy()
  })
}

const room = (participant: SimulatedParticipant | undefined) =>
  participant?.view?.whereabouts.where === 'room'
    ? participant.view.whereabouts
    : { name: '', copyId: '', members: [] }

test('a participant can neither read nor change what is not theirs', async ({
  server,
  facilitator: page,
}) => {
  const { address } = server
  const { code, sessionId } = await openTonight(page)
  const waiting = simulated(server, code, [
    'Ana Per.',
    'Ana Pet.',
    'Bram O.',
    'Chi',
    'Dafydd P.',
    'Edda',
    'Farouk B.',
    'Greta L.',
  ])
  const people = await waiting
  await page.getByRole('button', { name: 'Let all 8 in' }).click()
  await sendOut(page)
  await Promise.all(people.map(each => each.until(view => view.whereabouts.where === 'room')))
  const cookies = (await page.context().cookies()).map(({ name, value }) => `${name}=${value}`).join('; ')
  const copies = await copiesOf(address, cookies, sessionId)
  const ana = people[0] as SimulatedParticipant
  const stranger = people.find(each => room(each).name !== room(ana).name) as SimulatedParticipant
  const cookie = { Cookie: ana.cookie }

  // Boards: one's own opens, every other is refused, with no cookie all are.
  for (const [name, copyId] of Object.entries(copies)) {
    expect([name, await knock(address, ana.cookie, copyId)]).toEqual([
      name,
      name === room(ana).name ? 'opened' : 'refused',
    ])
  }
  expect(await knock(address, '', room(ana).copyId)).toBe('refused')
  expect(await knock(address, ana.cookie, 'made-up')).toBe('refused')

  // A facilitator looks on: what they would write changes nothing.
  const looking = new Y.Doc()
  const eye = openSocket(address, cookies, room(ana).copyId, looking)
  await new Promise<void>(resolve => eye.provider.on('synced', () => resolve()))
  addCard(looking, 'noticed', 'forged', 'not written by anybody here')
  await ana.writeCard('noticed', 'really written')
  const mine = await ana.openBoard()
  await expect
    .poll(() => JSON.stringify(readAnswer(looking, { id: 'noticed', kind: 'cards', text: '', settings: {} })))
    .toContain('really written')
  expect(
    JSON.stringify(readAnswer(mine, { id: 'noticed', kind: 'cards', text: '', settings: {} })),
  ).not.toContain('not written')
  eye.provider.destroy()
  eye.socket.destroy()

  // Messages that would be passed on as the server's own close the board for who sends them.
  const closed = new Promise<void>(resolve =>
    stranger.openBoard().then(() => {
      const provider = (
        stranger as unknown as {
          board: {
            provider: { sendStateless(text: string): void; on(event: string, then: () => void): void }
          }
        }
      ).board.provider
      provider.on('close', () => resolve())
      provider.sendStateless(JSON.stringify({ type: 'authors', authors: {} }))
    }),
  )
  await closed

  // Event streams.
  const stream = (reader: string, headers: Record<string, string>) =>
    fetch(`${address}/events/${sessionId}/${reader}`, { headers }).then(response => {
      response.body?.cancel()
      return response.status
    })
  expect(await stream('facilitator', cookie)).toBe(403)
  expect(await stream('projector', cookie)).toBe(403)
  expect(await stream('participant', {})).toBe(403)
  expect(await stream('participant', { Cookie: cookies })).toBe(403)
  expect(await stream('anything', cookie)).toBe(403)
  expect(
    await fetch(`${address}/events/other-session/participant`, { headers: cookie }).then(
      response => response.status,
    ),
  ).toBe(403)

  // What a participant holds says nothing of the others' rooms.
  const held = JSON.stringify(ana.view)
  for (const other of Object.keys(copies).filter(name => name !== room(ana).name))
    expect(held).not.toContain(other)
  const pageText = await (await fetch(`${address}/s/${sessionId}`, { headers: cookie })).text()
  expect(pageText).toContain(room(ana).name)
  for (const [name, copyId] of Object.entries(copies).filter(([name]) => name !== room(ana).name)) {
    expect(pageText).not.toContain(name)
    expect(pageText).not.toContain(copyId)
  }

  // Commands: a participant's are theirs alone, a facilitator's are not theirs.
  const post = (path: string, body: object, headers: Record<string, string> = cookie) =>
    fetch(`${address}${path}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', ...headers },
      body: JSON.stringify(body),
      redirect: 'manual',
    })
  expect((await post(`/sessions/${sessionId}/commands`, { type: 'end' })).status).toBe(401)
  expect(await (await post(`/s/${sessionId}/commands`, { type: 'end' })).json()).toMatchObject({ ok: false })
  expect(await (await post(`/s/${sessionId}/commands`, { type: 'call-help' }, {})).json()).toMatchObject({
    ok: false,
  })
  const put = { type: 'place', participantId: stranger.view?.me.id, roomId: null }
  expect(await (await post(`/s/${sessionId}/commands`, put)).json()).toMatchObject({ ok: false })
  const elsewhere = { Origin: 'https://elsewhere.example', Cookie: cookies }
  expect((await post(`/sessions/${sessionId}/commands`, { type: 'end' }, elsewhere)).status).toBe(403)

  // Another's name can't be taken.
  const again = await fetch(`${address}/join/${code}`, {
    method: 'POST',
    body: new URLSearchParams({ shownName: 'Edda' }),
    redirect: 'manual',
  })
  expect(again.status).toBe(409)
  expect(await again.text()).toContain('already taken')

  // Somebody moved loses the old board at once.
  const before = room(ana).copyId
  await page.getByRole('button', { name: 'Ana Per.', exact: true }).first().click()
  await page.getByRole('menuitem', { name: room(stranger).name }).click()
  await ana.until(view => view.whereabouts.where === 'room' && view.whereabouts.copyId !== before)
  expect(await knock(address, ana.cookie, before)).toBe('refused')
  for (const each of people) each.leave()
})

test('who calls for help and takes it back over and over is told to wait; nobody else is', async ({
  server,
  facilitator: page,
}) => {
  const code = await openToAll(page)
  const [edda, leo] = await simulated(server, code, ['Edda', 'Leo W.-B.'])
  await sendOut(page)
  await Promise.all([edda, leo].map(each => each?.until(view => view.whereabouts.where === 'room')))
  const answers: { ok: boolean; message?: string }[] = []
  // A slow machine gives some of the allowance back while it asks: until it is used up, and no longer.
  for (let turn = 0; turn < 400 && answers.at(-1)?.ok !== false; turn++)
    answers.push(await (edda?.ask({ type: turn % 2 ? 'withdraw-help' : 'call-help' }) ?? { ok: true }))
  expect(answers.at(-1)).toEqual({
    ok: false,
    message: 'That was too much at once. Wait a moment, and try again.',
  })
  expect(answers.slice(0, 40).every(({ ok }) => ok)).toBe(true)
  expect(await leo?.ask({ type: 'call-help' })).toEqual({ ok: true })
  for (const each of [edda, leo]) each?.leave()
})

test('trying many join codes is slowed down', async ({ server }) => {
  const tryCode = (number: number) =>
    fetch(`${server.address}/join?code=AAAA-${String(2000 + number)}`, { redirect: 'manual' })
  const answers: number[] = []
  for (let number = 0; number < 32; number++) answers.push((await tryCode(number)).status)
  expect(answers.slice(0, 30).every(status => status === 404)).toBe(true)
  expect(answers.slice(30)).toEqual([429, 429])
  // The right code opens the door for everybody else behind the same address.
  const { joinCode } = server.demo as { joinCode: string }
  expect((await fetch(`${server.address}/join/${joinCode}`)).status).toBe(200)
})
