import { useEffect, useRef, useState } from 'react'
import type { WorkerReply } from '~/contracts/grouping-worker'
import type { SavedRound } from '~/core/grouping/facts-here'
import type { Send } from '../../live/live-view'
import { newSeed } from '../../ui/by-chance'
import { GroupingClient } from '../../workers/grouping-client'
import { type DraftRooms, draftOf } from './draft-rooms'
import { MakingState } from './making-state'
import { type Making, movesSaid, repairTask, roomNames, roomsTask, saidOf } from './rooms-task'

interface MakingRooms extends Making {
  /** The sizes that the next press would ask for; null while none can be. */
  sizes: readonly number[] | null
  /** Holds what has been found so far, while it is made better. */
  draft: DraftRooms
  send: Send
}

/** Makes rooms in the worker, draws what it finds on the way, and asks for the best. */
export function useMakingRooms(making: MakingRooms) {
  const { facts, asked, groups, here, draft, send, sizes: wanted } = making
  const [client] = useState(() => new GroupingClient())
  useEffect(() => () => client.stop(), [client])
  const [state] = useState(() => new MakingState())
  const ready = useReady(client, making, wanted, () => !state.now().busy)
  const begin = () => state.set({ busy: true, said: null, failed: false })
  const fail = () => {
    draft.set(null)
    state.set({ busy: false, failed: true })
  }
  const make = (sizes: readonly number[]) => {
    if (state.now().busy) return
    const first = ready()
    const seed = first?.seed ?? newSeed()
    if (first) draft.set(draftOf(roomNames(groups, first.groups.length), first.groups, here))
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

/** When nothing has changed for so long, what the next press would show first is worked out, in milliseconds. */
const READY_AFTER_MS = 300

interface Ready {
  /** What it was worked out for, by identity. */
  of: readonly unknown[]
  seed: number
  groups: readonly (readonly string[])[]
}

/**
 * Works out beforehand what the next press would show first, so that full groups stand in the lanes in the frame after it. Gives a function
 * that says what is ready; null when something has changed since. The worker finds the same again by the same seed, and goes on from it.
 */
function useReady(
  client: GroupingClient,
  making: Making,
  sizes: readonly number[] | null,
  mayAsk: () => boolean,
): () => Ready | null {
  const { groups, facts, held, asked } = making
  const known = useRef<Ready | null>(null)
  const of = [groups, facts, held, asked.fresh, asked.keepRules, asked.column, sizes?.join()]
  useEffect(() => {
    let stop: () => void = () => undefined
    const timer = setTimeout(() => {
      if (!sizes || !mayAsk()) return
      const seed = newSeed()
      const task = roomsTask(making, sizes, seed)
      // A draw by lot is there at once.
      if (task.kind !== 'arrange') return
      const hear = (reply: WorkerReply) => {
        if (reply.kind === 'step') known.current = { of, seed, groups: reply.groups }
      }
      stop = client.ask({ ...task, firstOnly: true }, hear, () => undefined)
    }, READY_AFTER_MS)
    return () => {
      clearTimeout(timer)
      stop()
    }
    // biome-ignore lint/correctness/useExhaustiveDependencies: it is worked out anew when what it hangs on is another.
  }, of)
  return () => {
    const ready = known.current
    known.current = null
    return ready?.of.every((part, index) => part === of[index]) ? ready : null
  }
}
