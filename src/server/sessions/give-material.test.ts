import { runningServer } from 'tests/fixtures/running'
import { participantView } from '~/core/live/views'
import { materials } from '../db/schema.server'
import { broadcastMaterial, giveMaterial, materialToGive } from './give-material.server'

let running: Awaited<ReturnType<typeof runningServer>>
beforeAll(async () => {
  running = await runningServer()
  const link = { kind: 'link' as const, address: 'https://tides.example', addedBy: 'Marit' }
  await running.db.insert(materials).values([
    { id: 'tides', title: 'Tides', ...link },
    { id: 'gone', title: 'Gone', ...link, removedAt: new Date() },
  ])
})
afterAll(() => running.stop())

test('something of the library is said to everybody as it is there, or given to them; what was removed is not', async () => {
  const { db, hub, by, sessionId } = running
  expect(await materialToGive(db)).toEqual([{ id: 'tides', title: 'Tides', kind: 'link' }])
  const said = { text: 'Read this.', roomIds: null }
  expect(await broadcastMaterial(db, hub, by, sessionId, { ...said, materialId: 'tides' })).toMatchObject({
    ok: true,
  })
  expect(await giveMaterial(db, hub, by, sessionId, { materialId: 'tides', roomIds: null })).toMatchObject({
    ok: true,
  })
  const participantId = await running.join(0)
  const view = participantView(await hub.state(sessionId), participantId)
  const thing = { is: 'link', title: 'Tides', address: 'https://tides.example' }
  expect(view?.messages).toMatchObject([{ text: 'Read this.', thing }])
  expect(view?.given).toMatchObject([{ thing }])
  for (const materialId of ['gone', 'unknown']) {
    const refused = { ok: false, problem: { code: 'no-such-material' } }
    expect(await broadcastMaterial(db, hub, by, sessionId, { ...said, materialId })).toEqual(refused)
    expect(await giveMaterial(db, hub, by, sessionId, { materialId, roomIds: null })).toEqual(refused)
  }
})

test('said later it waits with what goes with it', async () => {
  const { db, hub, by, sessionId } = running
  await broadcastMaterial(db, hub, by, sessionId, {
    materialId: 'tides',
    text: 'Later.',
    roomIds: null,
    minutes: 5,
  })
  const { scheduled } = await hub.state(sessionId)
  expect(scheduled).toMatchObject([{ text: 'Later.', thing: { title: 'Tides' } }])
})
