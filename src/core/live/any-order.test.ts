import fc from 'fast-check'
import { ASKS, type Ask, play, scripts, toldAt } from 'tests/fixtures/any-order'
import { facilitator, Rehearsed } from 'tests/fixtures/rehearsed'
import { participantList } from './door/people'
import { fold } from './evolve'
import { mayWriteOn } from './rights/writers'
import { mayRead, mayWorkOn } from './rooms/whereabouts'
import {
  facilitatorView,
  type MadeView,
  participantView,
  projectorView,
  type Viewer,
  viewAfter,
} from './views'

test('whatever is done to people and rooms in whatever order, everybody is in one open room, or is seen to be in none', () => {
  fc.assert(
    fc.property(fc.boolean(), scripts, (planned, script) => {
      const wrong: string[] = []
      const must = (holds: boolean, what: string) => holds || wrong.push(what)
      play(planned, script, ({ state }) => {
        const open = new Map(state.rooms.flatMap(room => (room.closed ? [] : [[room.id, room] as const])))
        const shown = new Set(facilitatorView(state).people.map(person => person.id))
        for (const each of [...state.participants.values()]) {
          must(each.roomId === null || open.has(each.roomId), 'belongs to an open room or none')
          must(
            !each.inRoom || (each.roomId !== null && state.round !== null && each.admitted),
            'in a room only in a round, let in, in the one they belong to',
          )
          must(!(each.released && (each.inRoom || each.connected)), 'nowhere when out of the session')
          must(shown.has(each.id) === !each.released, 'shown to the facilitator')
        }
        const roles = Object.entries(facilitatorView(state).roles)
        const perRoom = roles.map(([id, role]) => `${state.participants.get(id)?.roomId} ${role}`)
        must(
          Object.keys(state.signals).every(id => shown.has(id)),
          'signals of those who are here only',
        )
        const said = Object.keys(state.minutesSaid)
        must(
          said.every(id => open.has(id)) && (state.round !== null || said.length === 0),
          'minutes are said by open rooms in a round',
        )
        for (const { seen, of, unseen } of Object.values(facilitatorView(state).heard))
          must(
            seen + Object.values(unseen).reduce((sum, each) => sum + each, 0) === of,
            'whoever a broadcast is for has seen it or is counted where they are',
          )
        for (const { id, copyId } of open.values()) {
          const may = [...state.participants.keys()].filter(one => mayWriteOn(state, one, copyId))
          must(
            may.every(one => mayWorkOn(state, one, copyId) && !state.muted[one]),
            'whoever writes is in the room, and not muted',
          )
          const one = facilitatorView(state).writers[id]
          must(!one || may.join() === one, 'where one writes, nobody else does')
        }
        must(new Set(perRoom).size === perRoom.length, 'each role once in a room')
        must(state.round !== null || roles.length === 0, 'roles in a round only')
        must(state.choosing === null || state.round === null, 'rooms are chosen before a round')
        must(
          state.segments.filter(one => one.startedAt !== null && one.endedAt === null).length <= 1,
          'one segment runs',
        )
        must(new Set(state.segments.map(({ id }) => id)).size === state.segments.length, 'each segment once')
        for (const { roomId } of state.expected)
          must(roomId === null || open.has(roomId), 'awaited in an open room')
        const names = [...open.values()].map(room => room.name.toLowerCase())
        must(new Set(names).size === names.length, 'open rooms have names of their own')
        for (const part of ['id', 'copyId'] as const)
          must(new Set(state.rooms.map(room => room[part])).size === state.rooms.length, `each ${part} once`)
      })
      expect(wrong).toEqual([])
    }),
    { numRuns: 150 },
  )
})

test('no two people of a session are the same of the list, or read the same', () => {
  fc.assert(
    fc.property(fc.boolean(), scripts, (planned, script) => {
      const twice: string[] = []
      play(planned, script, ({ state }) => {
        const present = participantList(state)
        for (const of of [
          present.map(each => each.shownName.toLowerCase()),
          present.flatMap(({ personId }) => personId ?? []),
        ])
          twice.push(...of.filter((one, at) => of.indexOf(one) !== at))
      })
      expect(twice).toEqual([])
    }),
    { numRuns: 150 },
  )
})

test('a participant is shown their own room, what it made and who is in it, and of others nothing', () => {
  fc.assert(
    fc.property(fc.boolean(), scripts, (planned, script) => {
      play(planned, script, ({ state }) => {
        for (const me of participantList(state)) {
          const view = participantView(state, me.id)
          const at = view?.whereabouts
          if (at?.where === 'room') {
            expect(at.members.every(member => state.participants.get(member.id)?.roomId === me.roomId)).toBe(
              true,
            )
            for (const { copyId } of at.alsoReads) {
              expect(mayRead(state, me.id, copyId)).toBe(true)
              expect(mayWorkOn(state, me.id, copyId)).toBe(false)
            }
          }
          for (const room of state.rooms)
            if (room.closed) expect(mayWorkOn(state, me.id, room.copyId)).toBe(false)
          // Those at their own device are theirs to know of.
          const mine = view?.beside.every(({ id }) => state.participants.get(id)?.besideId === me.id)
          expect(mine).toBe(true)
        }
        const said = JSON.stringify(projectorView(state))
        for (const secret of ['personId', 'a cue']) expect(said).not.toContain(secret)
        for (const me of participantList(state))
          expect(JSON.stringify(participantView(state, me.id))).not.toContain('a cue')
      })
    }),
    { numRuns: 100 },
  )
})

test('the log folds to the same state, and undo gives back the arrangement before', () => {
  fc.assert(
    fc.property(fc.boolean(), scripts, fc.nat(20), (planned, script, pick) => {
      const session = play(planned, script)
      expect(fold(session.log)).toEqual(session.state)
      const before = session.state
      const make = ASKS[10] as Ask
      const made = session.tell(90_000, ...make(before, pick, ['a', 'b', 'c', 'd']))
      if (typeof made === 'string') return
      expect(session.tell(91_000, facilitator, { type: 'undo-rooms' })).toEqual(['rooms-undone'])
      const { rooms, participants, expected } = session.state
      expect({ rooms, participants, expected }).toEqual({
        rooms: before.rooms,
        participants: before.participants,
        expected: before.expected,
      })
    }),
    { numRuns: 150 },
  )
})

test('a view made from the one before reads as one made anew, whatever was done in between', () => {
  fc.assert(
    fc.property(fc.boolean(), scripts, (planned, script) => {
      const held = new Map<string, MadeView | null>()
      const wrong: unknown[] = []
      let step = 0
      play(planned, script, ({ state }) => {
        for (const reader of toldAt(step++, state)) {
          const key = JSON.stringify(reader)
          const made = viewAfter(held.get(key) ?? null, state, reader)
          held.set(key, made)
          // Each section travels by itself as JSON, which knows nothing that is undefined.
          if (made && Object.values(made.view).includes(undefined)) wrong.push(reader)
          if (JSON.stringify(made?.view) !== JSON.stringify(viewAfter(null, state, reader)?.view))
            wrong.push(reader)
        }
      })
      expect(wrong).toEqual([])
    }),
    { numRuns: 30 },
  )
})

test('what nobody touched is the same object again: a broadcast leaves a participant all but the messages', () => {
  const session = new Rehearsed()
  session.join(0, 'ana', 'bo')
  const ana: Viewer = { kind: 'participant', participantId: 'ana' }
  const before = viewAfter(null, session.state, ana) as MadeView
  session.tell(1000, facilitator, { type: 'broadcast', text: 'Two minutes', messageId: 'm' })
  const after = viewAfter(before, session.state, ana) as MadeView
  const names = Object.keys(after.view) as (keyof MadeView['view'])[]
  expect(names.filter(name => after.view[name] !== before.view[name])).toEqual(['messages'])
})
