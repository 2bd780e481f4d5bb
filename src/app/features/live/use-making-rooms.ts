import { useEffect, useState } from 'react'
import type { WorkerReply } from '~/contracts/grouping-worker'
import type { SavedRound } from '~/core/grouping/facts-here'
import type { Send } from '../../live/live-view'
import { newSeed } from '../../ui/by-chance'
import { GroupingClient } from '../../workers/grouping-client'
import { type DraftRooms, draftOf } from './draft-rooms'
import { MakingState } from './making-state'
import { type Making, movesSaid, repairTask, roomNames, roomsTask, saidOf } from './rooms-task'

interface MakingRooms extends Making {
  /** Holds what has been found so far, while it is made better. */
  draft: DraftRooms
  send: Send
}

/** Makes rooms in the worker, draws what it finds on the way, and asks for the best. */
export function useMakingRooms(making: MakingRooms) {
  const { facts, asked, groups, here, draft, send } = making
  const [client] = useState(() => new GroupingClient())
  useEffect(() => () => client.stop(), [client])
  const [state] = useState(() => new MakingState())
  const begin = () => state.set({ busy: true, said: null, failed: false })
  const fail = () => {
    draft.set(null)
    state.set({ busy: false, failed: true })
  }
  const make = (sizes: readonly number[]) => {
    if (state.now().busy) return
    const seed = newSeed()
    const hear = async (reply: WorkerReply) => {
      const isAnswer = reply.kind === 'drawn' || (reply.kind === 'step' && reply.done)
      if (!isAnswer && reply.kind !== 'step') return
      const found = roomNames(groups, reply.groups.length)
      // What stands in the lanes until the server has said so to everybody.
      draft.set(draftOf(found, reply.groups, here))
      if (!isAnswer) return
      const made = await send({
        type: 'make-rooms',
        groups: reply.groups.map((participantIds, index) => ({ name: found[index] ?? '', participantIds })),
      })
      if (!made) draft.set(null)
      state.set({ busy: false, said: saidOf(reply, facts, asked) })
    }
    client.ask(roomsTask(making, sizes, seed), hear, fail)
    begin()
  }
  /** Rooms as in a kept grouping, made whole for who is here. */
  const makeAsKept = (saved: SavedRound) => {
    const seed = newSeed()
    const asking = repairTask(making, saved, seed)
    if (state.now().busy || !asking) return
    begin()
    const nameOf = (id: string) => making.here.find(person => person.id === id)?.shownName ?? ''
    const hear = async (reply: WorkerReply) => {
      if (reply.kind !== 'repair-step' || !reply.done) return
      const groups = reply.groups.map((participantIds, index) => ({
        name: asking.names[index] ?? '',
        participantIds,
      }))
      await send({ type: 'make-rooms', groups })
      state.set({ busy: false, said: movesSaid(reply, asking.task, asking.names, nameOf) })
    }
    client.ask(asking.task, hear, fail)
  }
  return { make, makeAsKept, state }
}
