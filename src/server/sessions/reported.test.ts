import { value } from 'tests/fixtures/class'
import { runningServer } from 'tests/fixtures/running'
import { takePlace } from '../join/join.server'
import { askAsFacilitator, openSession } from '../live/requests.server'
import { createSession } from './plans.server'
import { reportedBefore } from './reported.server'

test('who reported in an earlier session is known by person, once a session, and not from the session itself', async () => {
  const running = await runningServer()
  try {
    const { db, hub, by, sessionId, form, personIds } = running
    const reporterId = await running.join(0)
    await running.join(1)
    const facilitate = (id: string, request: Parameters<typeof askAsFacilitator>[3]) =>
      askAsFacilitator(running, by, id, request)
    const [room] = (await hub.state(sessionId)).rooms
    const rooms = [{ roomId: room?.id ?? '', reporterId }]
    for (let times = 0; times < 2; times++) {
      value(await facilitate(sessionId, { type: 'begin-report', secondsEach: 60, onPages: false, rooms }))
      value(await facilitate(sessionId, { type: 'next-room', afterId: null }))
      value(await facilitate(sessionId, { type: 'next-room', afterId: room?.id ?? '' }))
      value(await facilitate(sessionId, { type: 'end-report' }))
    }
    expect(await reportedBefore(db, hub, sessionId)).toEqual({})

    const later = value(await createSession(db, form))
    value(await openSession({ db, hub }, by, later))
    for (const index of [0, 1])
      value(await takePlace(db, hub, later, { personId: personIds[index], shownName: '' }))
    const there = [...(await hub.state(later)).participants.values()]
    const same = there.find(({ personId }) => personId === personIds[0])
    expect(await reportedBefore(db, hub, later)).toEqual({ [same?.id ?? '']: 1 })
    await expect(reportedBefore(db, hub, 'none')).rejects.toThrow()
  } finally {
    await running.stop()
  }
})
