import { useEffect, useState } from 'react'
import type { WorkerReply } from '~/contracts/grouping-worker'
import type { SavedRound } from '~/core/grouping/facts-here'
import type { Send } from '../../live/live-view'
import { GroupingClient } from '../../workers/grouping-client'
import { type Making, movesSaid, repairTask, roomNames, roomsTask, saidOf } from './rooms-task'

/** Makes rooms in the worker and asks for them. */
export function useMakingRooms(making: Making & { send: Send }) {
  const { facts, asked, groups, send } = making
  const [client] = useState(() => new GroupingClient())
  useEffect(() => () => client.stop(), [client])
  const [busy, setBusy] = useState(false)
  const [failed, setFailed] = useState(false)
  const [said, setSaid] = useState<string | null>(null)
  const begin = () => {
    setBusy(true)
    setFailed(false)
    setSaid(null)
  }
  const fail = () => {
    setBusy(false)
    setFailed(true)
  }
  const make = (sizes: readonly number[]) => {
    if (busy) return
    begin()
    const seed = crypto.getRandomValues(new Int32Array(1))[0] ?? 0
    const hear = async (reply: WorkerReply) => {
      const isAnswer = reply.kind === 'drawn' || (reply.kind === 'step' && reply.done)
      if (!isAnswer) return
      const found = roomNames(groups, reply.groups.length)
      await send({
        type: 'make-rooms',
        groups: reply.groups.map((participantIds, index) => ({ name: found[index] ?? '', participantIds })),
      })
      setSaid(saidOf(reply, facts, asked))
      setBusy(false)
    }
    client.ask(roomsTask(making, sizes, seed), hear, fail)
  }
  /** Rooms as in a kept grouping, made whole for who is here. */
  const makeAsKept = (saved: SavedRound) => {
    const seed = crypto.getRandomValues(new Int32Array(1))[0] ?? 0
    const asking = repairTask(making, saved, seed)
    if (busy || !asking) return
    begin()
    const nameOf = (id: string) => making.here.find(person => person.id === id)?.shownName ?? ''
    const hear = async (reply: WorkerReply) => {
      if (reply.kind !== 'repair-step' || !reply.done) return
      const groups = reply.groups.map((participantIds, index) => ({
        name: asking.names[index] ?? '',
        participantIds,
      }))
      await send({ type: 'make-rooms', groups })
      setSaid(movesSaid(reply, asking.task, asking.names, nameOf))
      setBusy(false)
    }
    client.ask(asking.task, hear, fail)
  }
  return { make, makeAsKept, busy, said, failed }
}
